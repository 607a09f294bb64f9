import { invalid } from '../../http/errors';
import { BLANKED, type Column, type Kind, type Table } from './tables';

/** A row as the database's driver gives it: instants and dates as text, JSON as text. */
export type Raw = Readonly<Record<string, unknown>>;
/** A row as it is written: plain JSON. */
export type Row = Record<string, unknown>;

const SIGNS: readonly (readonly [string, string])[] = [
  ['ffd8ff', 'jpg'],
  ['89504e47', 'png'],
  ['52494646', 'webp'],
];
/** Where a picture lies in the file, by its first bytes. */
export function pictureName(table: string, id: string, body: Buffer): string {
  const first = body.subarray(0, 4).toString('hex');
  const ending = SIGNS.find(([sign]) => first.startsWith(sign))?.[1] ?? 'bin';
  return `pictures/${table}/${id}.${ending}`;
}

/** "2026-03-11 14:20:00.000" of the database, which keeps Greenwich's time. */
const asInstant = (text: string) => `${text.replace(' ', 'T')}Z`;
const asDateTime = (text: string) => text.replace('T', ' ').replace(/Z$/, '');

const OUT: Readonly<Record<Kind, (value: unknown) => unknown>> = {
  id: (v) => v,
  text: (v) => v,
  whole: Number,
  number: Number,
  yesNo: (v) => Number(v) === 1,
  instant: (v) => asInstant(String(v)),
  date: (v) => v,
  json: (v) => JSON.parse(String(v)) as unknown,
  picture: (v) => v,
};
const IN: Readonly<Record<Kind, (value: unknown) => unknown>> = {
  ...OUT,
  yesNo: (v) => (v === true ? 1 : 0),
  instant: (v) => asDateTime(String(v)),
  json: (v) => JSON.stringify(v),
};

/** What refers to a picture instead of holding it. */
export type PictureOf = (row: Raw, column: Column) => string;

/** A row as it is written. */
export function rowOut(table: Table, raw: Raw, pictureOf: PictureOf): Row {
  return Object.fromEntries(
    table.columns.map((c) => {
      const value = raw[c.name];
      if (value === null || value === undefined) return [c.name, null];
      if (c.kind === 'picture') return [c.name, pictureOf(raw, c)];
      return [c.name, OUT[c.kind](value)];
    }),
  );
}

/** The values of a row for the database, in the order of `columns`. `pictures`: by their place in the file. */
export function rowIn(
  table: Table,
  row: Row,
  columns: readonly string[],
  pictures: ReadonlyMap<string, Buffer>,
): unknown[] {
  const blank = BLANKED[table.name] ?? {};
  return columns.map((name) => {
    const blanked = blank[name];
    if (blanked) return blanked(String(row.id));
    const column = table.columns.find((c) => c.name === name) as Column;
    const value = row[name];
    if (value === null || value === undefined) return null;
    if (column.kind !== 'picture') return IN[column.kind](value);
    const picture = pictures.get(String(value));
    if (!picture) throw invalid({ file: `The picture ${String(value)} is not in the file.` });
    return picture;
  });
}

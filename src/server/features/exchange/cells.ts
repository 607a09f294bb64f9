import { distance } from 'fastest-levenshtein';
import Papa from 'papaparse';
import { oneBlank } from '#core/units';
/** A table as it was read: header, then rows under their own numbers (the header is row 1). */
export type Cells = {
  readonly header: readonly string[];
  readonly rows: readonly { readonly row: number; readonly cells: readonly string[] }[];
  readonly found: string;
};
const DELIMITERS: Readonly<Record<string, string>> = {
  ',': 'commas',
  ';': 'semicolons',
  '\t': 'tabs',
};

/** The header tells: whatever stands in it most often, outside quotes. */
function delimiterOf(text: string): string {
  const header = text.replace(/"[^"]*"/g, '').split(/\r|\n/)[0] ?? '';
  return (
    Object.keys(DELIMITERS)
      .map((d) => ({ d, n: header.split(d).length }))
      .sort((a, b) => b.n - a.n)[0]?.d ?? ','
  );
}

/** More is no table of a tea shop; who has more brings it in parts. */
const MOST = { rows: 20_000, columns: 100, letters: 2_000 };
/** Why a table is larger than is taken here; null when it is not. */
function tooLarge(table: readonly (readonly string[])[]): string | null {
  const rows = table.filter((cells) => cells.length > 1 || cells[0] !== '').length - 1;
  if (rows > MOST.rows) return `The table has ${rows} rows: at most ${MOST.rows} at once.`;
  const wide = table.findIndex((cells) => cells.length > MOST.columns);
  if (wide >= 0)
    return `Row ${wide + 1} has ${table[wide]?.length} columns: at most ${MOST.columns}.`;
  for (const [i, cells] of table.entries()) {
    const at = cells.findIndex((c) => c.length > MOST.letters);
    if (at >= 0)
      return `Row ${i + 1}, column ${at + 1} has ${cells[at]?.length} letters: at most ${MOST.letters}.`;
  }
  return null;
}
const DECIMAL_COMMA = /^-?\d+,\d+ ?(?:[a-z°/][a-z°/ ]*)?$/i;
/**
 * Reads CSV (RFC 4180): quotes, line breaks inside them, a byte order mark, commas, semicolons or tabs, found out by
 * itself.
 */
export function readCells(text: string): Cells | { readonly kind: 'bad'; readonly why: string } {
  const bare = text.replace(/^\uFEFF/, '');
  const first = bare.slice(0, 200).split('\n')[0] ?? '';
  if (bare.trim() === '') return { kind: 'bad', why: 'The file is empty.' };
  if (bare.includes('\u0000') || bare.includes('\uFFFD'))
    return { kind: 'bad', why: 'This is not text in UTF-8. Save the table as CSV, UTF-8.' };
  const parsed = Papa.parse<string[]>(bare, {
    delimiter: delimiterOf(bare),
    skipEmptyLines: false,
  });
  const quote = parsed.errors.find((e) => e.type === 'Quotes');
  if (quote)
    return {
      kind: 'bad',
      why: `A quotation mark is not closed, near row ${(quote.row ?? 0) + 1}.`,
    };
  const large = tooLarge(parsed.data);
  if (large) return { kind: 'bad', why: large };
  const [header, ...rest] = parsed.data;
  if (!header || header.length < 2)
    return {
      kind: 'bad',
      why: `One column only, so this is no table. Its first line reads: “${first.slice(0, 80)}”.`,
    };
  const rows = rest
    .map((cells, i) => ({ row: i + 2, cells }))
    .filter(({ cells }) => cells.some((c) => c.trim() !== ''));
  const comma = rows.some(({ cells }) => cells.some((c) => DECIMAL_COMMA.test(oneBlank(c))));
  return {
    header,
    rows,
    found: `${rows.length} rows, ${DELIMITERS[parsed.meta.delimiter] ?? 'commas'}, decimal ${comma ? 'comma' : 'point'}`,
  };
}

/** A column's name without its unit, and the unit: "leaf (g)", "heat [F]", "water, ml". */
function columnOf(header: string): { readonly name: string; readonly unit: string } {
  const m = /^([^([,]*)(?:[([]([^)\]]*)[)\]]|,([^,]*))?$/.exec(oneBlank(header));
  return {
    name: (m?.[1] ?? header).toLowerCase().replace(/[_-]+/g, ' ').trim(),
    unit: (m?.[2] ?? m?.[3] ?? '').trim(),
  };
}

/** The name most like a text, when one is near. */
export function nearest(text: string, names: readonly string[]): string | null {
  const t = text.trim().toLowerCase();
  const best = names
    .map((n) => ({ n, d: distance(t, n.toLowerCase()) }))
    .sort((a, b) => a.d - b.d)[0];
  return best && best.d <= Math.max(2, Math.floor(t.length / 4)) ? best.n : null;
}

export type Columns<C extends string> = Partial<
  Record<C, { readonly at: number; readonly unit: string; readonly title: string }>
>;
/** Finds the columns a table knows, by any of their names. */
export function findColumns<C extends string>(
  header: readonly string[],
  names: Readonly<Record<C, readonly string[]>>,
): { columns: Columns<C>; unknown: string[] } {
  const columns: Columns<C> = {};
  const unknown: string[] = [];
  header.forEach((title, at) => {
    const { name, unit } = columnOf(title);
    const found = (Object.keys(names) as C[]).find((c) => names[c].includes(name) && !columns[c]);
    if (found) columns[found] = { at, unit, title: title.trim() };
    else if (title.trim() !== '') unknown.push(title.trim());
  });
  return { columns, unknown };
}

import { distance } from 'fastest-levenshtein';
import Papa from 'papaparse';
import {
  oneBlank,
  type Parsed,
  parseDuration,
  parseNumber,
  parseTemperature,
  parseVolume,
  toFahrenheit,
  type VolumeUnit,
  withoutUnit,
} from '#core/units';
import type { Fault } from '#contracts/exchange';

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

const VOLUME_UNITS: Readonly<Record<string, VolumeUnit>> = {
  ml: 'ml',
  l: 'litre',
  'fl oz': 'usFlOz',
  oz: 'usFlOz',
  'us fl oz': 'usFlOz',
  'uk fl oz': 'imperialFlOz',
  'imp fl oz': 'imperialFlOz',
};
const HOTTEST = 100.5;

/** Reads one row's cells; what is wrong is noted by row and column, what was answered takes the cell's place. */
export class RowReader<C extends string> {
  constructor(
    readonly row: number,
    private readonly cells: readonly string[],
    private readonly columns: Columns<C>,
    private readonly answers: Readonly<Record<string, string>>,
    private readonly faults: Fault[],
  ) {}
  has(column: C): boolean {
    return this.columns[column] !== undefined;
  }
  private titleOf(column: C): string {
    return this.columns[column]?.title ?? column;
  }
  says(column: C): string {
    const answered = this.answers[`${this.row}:${this.titleOf(column)}`];
    const at = this.columns[column]?.at;
    return (answered ?? (at === undefined ? '' : (this.cells[at] ?? ''))).trim();
  }
  fault(
    column: C,
    why: string,
    will: Fault['will'] = 'refused',
    as = '',
    answers: Fault['answers'] = [],
  ): void {
    this.faults.push({
      row: this.row,
      column: this.titleOf(column),
      says: this.says(column),
      why,
      will,
      as,
      answers,
    });
  }
  /** The unit of a column when its cell has none. */
  private unit(column: C): string {
    return this.columns[column]?.unit.toLowerCase() ?? '';
  }
  private taken<T>(column: C, p: Parsed<T>): T | null {
    if (p.kind === 'ok') return p.value;
    this.fault(column, p.why);
    return null;
  }
  text(column: C, most: number): string {
    const t = this.says(column);
    if (t.length > most) this.fault(column, `${t.length} letters: at most ${most}.`);
    return t.slice(0, most);
  }
  /** A number within bounds, its own unit (if any) taken off; null when empty or wrong. */
  number(
    column: C,
    {
      min,
      max,
      unit,
      required = false,
    }: { min: number; max: number; unit: string; required?: boolean },
  ): number | null {
    const t = this.says(column);
    if (t === '') {
      if (required) this.fault(column, 'This cell is empty.');
      return null;
    }
    const n = this.taken(column, parseNumber(withoutUnit(t, [`${unit}.`, unit])));
    if (n === null) return null;
    if (n < min || n > max) {
      this.fault(
        column,
        `${n} ${unit} is ${n < min ? 'too little: at least' : 'too much: at most'} ${n < min ? min : max} ${unit}.`.replace(
          / +/g,
          ' ',
        ),
      );
      return null;
    }
    return n;
  }
  volume(
    column: C,
    { min, max, required = false }: { min: number; max: number; required?: boolean },
  ): number | null {
    const t = this.says(column);
    if (t === '') {
      if (required) this.fault(column, 'This cell is empty.');
      return null;
    }
    const v = this.taken(column, parseVolume(t, VOLUME_UNITS[this.unit(column)] ?? 'ml'));
    if (v === null) return null;
    if (v < min || v > max) {
      this.fault(
        column,
        `${Math.round(v)} ml is ${v < min ? `too little: at least ${min} ml` : `too much: at most ${max} ml`}.`,
      );
      return null;
    }
    return Math.round(v * 100) / 100;
  }
  /** Degrees Celsius; what is over boiling and has no unit is read as Fahrenheit, and said. */
  heat(column: C): number | null {
    const t = this.says(column);
    if (t === '') {
      this.fault(column, 'This cell is empty.');
      return null;
    }
    const marked = /[cf]$/i.test(t);
    const unit = /f/i.test(this.unit(column)) ? 'F' : 'C';
    const c = this.taken(column, parseTemperature(marked ? t : `${t}${unit}`));
    if (c === null) return null;
    if (c > HOTTEST) {
      const f = Math.round(((c - 32) * 5) / 9);
      if (!marked && unit === 'C' && f <= 100 && f >= 30) {
        this.fault(
          column,
          `${Math.round(c)} °C is over boiling. Read as Fahrenheit it is ${f} °C.`,
          'read',
          `read as ${f} °C`,
        );
        return Math.round((((c - 32) * 5) / 9) * 10) / 10;
      }
      this.fault(
        column,
        `${Math.round(marked && /f/i.test(t) ? toFahrenheit(c) : c)} is over boiling.`,
      );
      return null;
    }
    return Math.round(c * 10) / 10;
  }
  /** Seconds; "3,30" is read as 3:30, and said. */
  time(column: C, required = true): number | null {
    const t = this.says(column);
    if (t === '') {
      if (required) this.fault(column, 'This cell is empty.');
      return null;
    }
    const m = /^(\d{1,2})[.,](\d{2})$/.exec(t);
    if (m && Number(m[2]) < 60) {
      this.fault(
        column,
        'A comma or point in a time: minutes and seconds have a colon between them.',
        'read',
        `read as ${m[1]}:${m[2]}`,
      );
      return Number(m[1]) * 60 + Number(m[2]);
    }
    return this.taken(column, parseDuration(t));
  }
  flag(column: C, otherwise: boolean): boolean {
    const t = this.says(column).toLowerCase();
    if (t === '') return otherwise;
    if (/^(yes|y|true|1|x|on|warmed)$/.test(t)) return true;
    if (/^(no|n|false|0|off|-)$/.test(t)) return false;
    this.fault(column, 'Write yes or no.');
    return otherwise;
  }
  /** One of some names, by name or by the words for it; what is near is asked about. */
  oneOf<T extends string>(
    column: C,
    names: readonly T[],
    words: (t: T) => string,
    otherwise: T | null = null,
  ): T | null {
    const t = this.says(column);
    if (t === '') {
      if (otherwise === null) this.fault(column, 'This cell is empty.');
      return otherwise;
    }
    const found = names.find(
      (n) => n.toLowerCase() === t.toLowerCase() || words(n).toLowerCase() === t.toLowerCase(),
    );
    if (found) return found;
    const near = nearest(t, [...names, ...names.map(words)]);
    const meant =
      near === null ? null : (names.find((n) => n === near || words(n) === near) ?? null);
    if (meant)
      this.fault(column, `Not known here. Nearest: ${words(meant)}.`, 'open', '', [
        { words: words(meant), says: meant },
      ]);
    else
      this.fault(
        column,
        `Not known here: ${names.slice(0, 8).map(words).join('; ')}${names.length > 8 ? ' and others' : ''}.`,
      );
    return null;
  }
}

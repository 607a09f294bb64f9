import {
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
import { type Columns, nearest } from './cells';

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
    const c = this.taken(column, parseTemperature(t, unit));
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

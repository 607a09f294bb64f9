import type { Token } from './tokens';
import { AND_WORDS, numberWord, RANGE_WORDS, type Unit, unitsFrom } from './vocabulary';

/** An amount with its unit, as it stands in a packet's text. */
export type Quantity = {
  readonly low: number;
  readonly high: number;
  readonly unit: Unit;
  readonly heaped: boolean;
  /** No number was printed; one is meant, as in "level teaspoon per cup". */
  readonly implied: boolean;
  /** May be meant in two ways ("2/3 min"): nothing is read from it. */
  readonly doubtful: boolean;
  /** Tokens it takes, from `first` up to, not including, `end`. */
  readonly first: number;
  readonly end: number;
};

export type Read<T> = { readonly value: T; readonly end: number };

export type Number_ = Read<number> & { readonly fraction: boolean };

export const isWord = (token: Token | undefined, set: ReadonlySet<string>): boolean =>
  token?.kind === 'word' && set.has(token.text);

export const isSymbol = (token: Token | undefined, text: string): boolean =>
  token?.kind === 'symbol' && token.text === text;

export const touches = (a: Token | undefined, b: Token | undefined): boolean =>
  a !== undefined && b !== undefined && a.end === b.start;

/** A unit's name from a token on; full stops of abbreviations inside it do not count. */
export function unitAt(tokens: readonly Token[], at: number): Read<Unit> | null {
  const first = tokens[at];
  if (isSymbol(first, 'degree')) {
    const next = tokens[at + 1];
    if (next?.kind === 'word') {
      const named = unitsFrom(next.text).find(
        (e) => e.unit.of === 'temperature' && e.words.length === 1 && e.unit.scale !== 'unsaid',
      );
      if (named) return { value: named.unit, end: at + 2 };
    }
    return { value: { of: 'temperature', scale: 'unsaid' }, end: at + 1 };
  }
  if (first?.kind !== 'word') return null;
  for (const entry of unitsFrom(first.text)) {
    let place = at;
    const matches = entry.words.every((word, i) => {
      if (i > 0) while (isSymbol(tokens[place], '.') || isSymbol(tokens[place], '-')) place += 1;
      const here = tokens[place];
      place += 1;
      return here?.kind === 'word' && here.text === word;
    });
    // "l'eau" is water, not a litre; "c'est" is no temperature.
    // The full stop of "5 min. stand" belongs to the name; the one of "5 min. Then" ends a sentence.
    const next = tokens[place + 1];
    if (isSymbol(tokens[place], '.') && next?.kind === 'word' && !next.capital) place += 1;
    if (!matches || (entry.words.length === 1 && isSymbol(tokens[place], 'prime'))) continue;
    return { value: entry.unit, end: place };
  }
  return null;
}

/** "and a half", "et demie", "y media", "und ein halb": what it adds, of one unit. */
export function andAHalf(tokens: readonly Token[], at: number): Read<number> | null {
  if (!isWord(tokens[at], AND_WORDS)) return null;
  let place = at + 1;
  const article = tokens[place];
  if (article?.kind === 'word' && ['a', 'one', 'ein', 'eine', 'une', 'un'].includes(article.text)) {
    place += 1;
  }
  const half = tokens[place];
  if (half?.kind === 'number' && half.value === 0.5) return { value: 0.5, end: place + 1 };
  if (half?.kind !== 'word' || numberWord(half.text) !== 0.5) return null;
  return { value: 0.5, end: place + 1 };
}

/** "90 seconds" in words may be made of tens and ones. */
export function numberAt(tokens: readonly Token[], at: number): Number_ | null {
  const first = tokens[at];
  if (first?.kind === 'number') {
    const more = Number.isInteger(first.value) ? andAHalf(tokens, at + 1) : null;
    return {
      value: first.value + (more?.value ?? 0),
      end: more?.end ?? at + 1,
      fraction: first.fraction,
    };
  }
  if (first?.kind !== 'word') return null;
  const whole = (value: number, end: number): Number_ => ({ value, end, fraction: false });
  if (first.text === 'three') {
    const place = isSymbol(tokens[at + 1], '-') ? at + 2 : at + 1;
    if (['quarter', 'quarters'].includes(tokens[place]?.text ?? '')) {
      const article = tokens[place + 1]?.text === 'of' ? place + 2 : place + 1;
      return whole(
        0.75,
        ['a', 'an'].includes(tokens[article]?.text ?? '') ? article + 1 : place + 1,
      );
    }
  }
  if (first.text === 'quarter' || (first.text === 'a' && tokens[at + 1]?.text === 'quarter')) {
    return whole(0.25, at + (first.text === 'a' ? 2 : 1));
  }
  if (first.text === 'a' || first.text === 'an') {
    const next = tokens[at + 1];
    if (next?.text === 'half' || next?.text === 'couple') {
      return whole(next.text === 'half' ? 0.5 : 2, at + 2);
    }
    return null;
  }
  const value = numberWord(first.text);
  if (value === undefined) return null;
  let end = at + 1;
  let total = value;
  if (value >= 20 && value % 10 === 0) {
    const place = isSymbol(tokens[end], '-') || tokens[end]?.text === 'y' ? end + 1 : end;
    const ones = tokens[place]?.kind === 'word' ? numberWord(tokens[place].text) : undefined;
    if (ones !== undefined && ones >= 1 && ones < 10 && Number.isInteger(ones)) {
      total += ones;
      end = place + 1;
    }
  }
  if (total === 0.5 && ['a', 'an'].includes(tokens[end]?.text ?? '')) end += 1;
  const more = Number.isInteger(total) ? andAHalf(tokens, end) : null;
  return whole(total + (more?.value ?? 0), more?.end ?? end);
}

/** The token behind a range's sign or word ("-", "to", "bis"), or null. */
export function behindRangeSign(
  tokens: readonly Token[],
  at: number,
  between: boolean,
): number | null {
  if (isSymbol(tokens[at], '-') || isSymbol(tokens[at], '~')) return at + 1;
  if (isWord(tokens[at], RANGE_WORDS)) {
    // "2 to 3", "2 up to 3"; but "1 a cup" has no second number behind it.
    return at + 1;
  }
  if (tokens[at]?.text === 'up' && tokens[at + 1]?.text === 'to') return at + 2;
  if (tokens[at]?.text === 'jusqu' && isSymbol(tokens[at + 1], 'prime')) return at + 3;
  return between && isWord(tokens[at], AND_WORDS) ? at + 1 : null;
}

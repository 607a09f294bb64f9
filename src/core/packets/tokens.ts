/** A piece of a packet's text. `start` and `end` are places in the text as it was printed. */
export type Token = {
  readonly kind: 'number' | 'word' | 'ordinal' | 'clock' | 'symbol';
  /** Words in small letters without accents; symbols in one spelling each. */
  readonly text: string;
  /** The value of a number or an ordinal, or the seconds of a clock reading; else 0. */
  readonly value: number;
  /** Written as one digit over another, as in "2/3": may also be meant as a range. */
  readonly fraction: boolean;
  /** A word that begins with a capital letter. */
  readonly capital: boolean;
  readonly start: number;
  readonly end: number;
};

const UNICODE_FRACTIONS: Readonly<Record<string, number>> = {
  '¼': 1 / 4,
  '½': 1 / 2,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 1 / 8,
};

/** One spelling for each sign that matters; every other sign separates. */
const SYMBOLS: Readonly<Record<string, string>> = {
  '°': 'degree',
  º: 'degree',
  '˚': 'degree',
  '′': 'prime',
  '’': 'prime',
  "'": 'prime',
  '″': 'doublePrime',
  '”': 'doublePrime',
  '"': 'doublePrime',
  '-': '-',
  '–': '-',
  '—': '-',
  '‐': '-',
  '‑': '-',
  '−': '-',
  '~': '~',
  '/': '/',
  '⁄': '/',
  '.': '.',
  ',': ',',
  ';': ';',
  ':': ':',
  '(': '(',
  ')': ')',
  '[': '(',
  ']': ')',
  '!': '.',
  '?': '.',
  '\n': ';',
  '•': ';',
  '·': ';',
  '|': ';',
  '*': ';',
  '+': '+',
  '&': '&',
  '=': '=',
  '%': '%',
  '<': '<',
  '>': '>',
};

// Each expression looks at one place, takes digits or letters only, and has nothing to go back over.
const CLOCK = /(\d{1,2}):([0-5]\d)(?!\d)/y;
const MIXED = /(\d{1,2})(?:\s|-|\s-\s)([1-7])\s?[/⁄]\s?([2348])(?![\d])/y;
const FRACTION = /([1-7])\s?[/⁄]\s?([2348])(?!\d|[.,]\d)/y;
const ORDINAL = /\d{1,2}(?:st|nd|rd|th|ème|eme|ère|ere|er|ra|da|ª)(?![\p{L}\p{N}])/uy;
const DECIMAL = /\d{1,6}(?:[.,]\d{1,3})?/y;
const WORD = /(?!º)\p{L}(?:(?!º)[\p{L}\p{M}])*/uy;

/** Small letters without accents: "Löffel" and "loffel" are one word. @example plainWord('Théière') // 'theiere' */
export const plainWord = (word: string): string =>
  word
    .toLowerCase()
    .replaceAll('ß', 'ss')
    .replaceAll('œ', 'oe')
    .normalize('NFD')
    .replace(/\p{M}/gu, '');

/** "1,000" and "1.000" are a thousand; "0.250" is a quarter. */
function decimalValue(digits: string): number {
  const [whole = '', part] = digits.split(/[.,]/);
  if (part === undefined) return Number(whole);
  const isThousands = part.length === 3 && whole !== '0';
  return isThousands ? Number(whole + part) : Number(`${whole}.${part}`);
}

/**
 * Takes a text apart into numbers, words and signs. Runs in time proportional to its length.
 * @example tokensOf('1½ tsp').map((t) => t.value || t.text) // [1.5, 'tsp']
 */
export function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  const matchAt = (expression: RegExp, at: number): RegExpExecArray | null => {
    expression.lastIndex = at;
    return expression.exec(text);
  };
  let at = 0;
  const add = (kind: Token['kind'], length: number, part: Partial<Token> = {}) => {
    const end = at + length;
    tokens.push({
      kind,
      text: '',
      value: 0,
      fraction: false,
      capital: false,
      start: at,
      end,
      ...part,
    });
    at = end;
  };
  while (at < text.length) {
    const letter = text[at] as string;
    const unicode = UNICODE_FRACTIONS[letter];
    const before = tokens.at(-1);
    if (unicode !== undefined) {
      // "1½" and "1 ½" are one number.
      if (before?.kind === 'number' && Number.isInteger(before.value) && at - before.end <= 1) {
        tokens.pop();
        const start = before.start;
        tokens.push({ ...before, value: before.value + unicode, start, end: at + 1 });
        at += 1;
      } else add('number', 1, { value: unicode });
      continue;
    }
    if (letter >= '0' && letter <= '9') {
      const ordinal = matchAt(ORDINAL, at);
      const clock = matchAt(CLOCK, at);
      const mixed = matchAt(MIXED, at);
      const fraction = matchAt(FRACTION, at);
      if (ordinal) add('ordinal', ordinal[0].length, { value: Number.parseInt(ordinal[0], 10) });
      else if (clock) {
        add('clock', clock[0].length, { value: Number(clock[1]) * 60 + Number(clock[2]) });
      } else if (mixed && Number(mixed[2]) < Number(mixed[3])) {
        const value = Number(mixed[1]) + Number(mixed[2]) / Number(mixed[3]);
        add('number', mixed[0].length, { value });
      } else if (fraction && Number(fraction[1]) < Number(fraction[2])) {
        const value = Number(fraction[1]) / Number(fraction[2]);
        add('number', fraction[0].length, { value, fraction: true });
      } else {
        const digits = matchAt(DECIMAL, at)?.[0] ?? letter;
        add('number', digits.length, { value: decimalValue(digits) });
      }
      continue;
    }
    // The degree sign that Spanish keyboards have counts as a letter elsewhere.
    const word = SYMBOLS[letter] === undefined ? matchAt(WORD, at) : null;
    if (word) {
      const text = plainWord(word[0]);
      add('word', word[0].length, { text, capital: letter !== letter.toLowerCase() });
      continue;
    }
    if (letter === '℃' || letter === '℉') {
      add('symbol', 0, { text: 'degree' });
      add('word', 1, { text: letter === '℃' ? 'c' : 'f' });
      continue;
    }
    const symbol = SYMBOLS[letter];
    if (symbol !== undefined) add('symbol', 1, { text: symbol });
    else at += 1;
  }
  return tokens;
}

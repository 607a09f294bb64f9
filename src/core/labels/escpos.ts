import { type Label, type LabelStyle } from './label';

const [ESC, GS, LF] = [0x1b, 0x1d, 0x0a];
/** Width and height of letters, each one to eight times: four bits each, from 0. */
const SIZES: Readonly<Record<LabelStyle, number>> = {
  name: 0x11,
  strong: 0x01,
  usual: 0x00,
  small: 0x00,
  // High, not wide: the day it is thrown out fits a roll of 58 mm too.
  block: 0x01,
};
/** The code page of western Europe, by its number in the language. */
const WESTERN = 16;
/** Letters of that page that are not at their place in Unicode. */
const PLACES: Readonly<Record<string, number>> = {
  '€': 0x80,
  '‘': 0x91,
  '’': 0x92,
  '“': 0x93,
  '”': 0x94,
  '–': 0x96,
  '—': 0x97,
};
/** A letter that the page has not loses its marks; what is left without one is a question mark. */
function byteOf(letter: string): number[] {
  const place = PLACES[letter];
  if (place !== undefined) return [place];
  const code = letter.codePointAt(0) ?? 0;
  // A narrow or fixed space is a space.
  if (/\s/u.test(letter)) return [0x20];
  if ((code >= 0x20 && code < 0x7f) || (code >= 0xa0 && code <= 0xff)) return [code];
  const bare = letter.normalize('NFD').replace(/\p{M}/gu, '');
  return bare !== letter && /^[\x20-\x7e]+$/.test(bare)
    ? [...bare].map((c) => c.charCodeAt(0))
    : [0x3f];
}
const bytesOf = (words: string): number[] => [...words].flatMap(byteOf);

/** A two-dimensional code: its model, the size of its dots, how much of it may be dirty, its text, and print. */
function codeOf(text: string): number[] {
  const of = (fn: number, ...rest: number[]) => {
    const length = rest.length + 2;
    return [GS, 0x28, 0x6b, length & 0xff, length >> 8, 0x31, fn, ...rest];
  };
  // An address is of plain letters.
  const data = bytesOf(text);
  return [
    ...of(0x41, 0x32, 0x00),
    ...of(0x43, 0x04),
    ...of(0x45, 0x31),
    ...of(0x50, 0x30, ...data),
    ...of(0x51, 0x30),
  ];
}

/**
 * A label in ESC/POS, for printers of rolls: lines one under the other in the printer’s own letters, then a cut. Commands
 * from memory; letters of western Europe, others without their marks.
 *
 * @param copies 1 to 50
 * @returns the bytes to send
 * @example escposOf({ lines: [{ words: 'Mint', style: 'name' }], code: '' }, 1).length // 26
 */
export function escposOf({ lines, code }: Label, copies: number): Uint8Array {
  const one = [
    ...[ESC, 0x40, ESC, 0x74, WESTERN],
    ...lines.flatMap(({ words, style }) => [
      ...[GS, 0x21, SIZES[style], GS, 0x42, style === 'block' ? 1 : 0],
      ...[ESC, 0x45, style === 'strong' ? 1 : 0],
      ...bytesOf(words),
      LF,
    ]),
    ...[GS, 0x42, 0],
    ...(code === '' ? [] : codeOf(code)),
    // On past the knife, and cut.
    ...[GS, 0x56, 0x42, 0x00],
  ];
  return Uint8Array.from(Array.from({ length: copies }, () => one).flat());
}

import { type Label, LABEL_MM, type LabelStyle, type PrinterDots } from './label';

/** Height of letters, mm. */
const LETTERS: Readonly<Record<LabelStyle, number>> = {
  name: 5,
  strong: 4,
  usual: 3.1,
  small: 2.6,
  block: 5.2,
};
/** Of the line, mm: letters and the white under them. */
const LEADING = 1.45;
/** A code that a telephone reads at arm’s length, mm. */
const CODE_SIDE = 15;

/** A letter of the printer’s own face is about so wide for its height: a little more than it is, from memory. */
const LETTER_WIDTH = 0.56;
/** Smaller letters are not read on a bottle, mm. */
const SMALLEST = 2.2;
/** As large as the style has it, or as the room allows. */
const fitted = (words: string, size: number, room: number): number =>
  Math.max(SMALLEST, Math.min(size, room / (Math.max(1, words.length) * LETTER_WIDTH)));

/** Letters that the language itself uses are written as their numbers. */
const escaped = (words: string): string =>
  words.replace(/[\^~_\\]/g, (c) => `_${c.charCodeAt(0).toString(16).toUpperCase()}`);

/**
 * A label in ZPL II, UTF-8 text with letters of the printer’s own: commands from memory.
 *
 * @param label lines that do not fit the paper are cut at its edge by the printer
 * @param dots of the print head, to the millimetre
 * @param copies 1 to 50
 * @returns the whole of what is sent
 * @example zplOf({ lines: [{ words: 'Mint', style: 'name' }], code: '' }, 8, 1).startsWith('^XA^CI28^PW496^LL400') // true
 */
export function zplOf({ lines, code }: Label, dots: PrinterDots, copies: number): string {
  const at = (mm: number) => Math.round(mm * dots);
  const { width, height, margin } = LABEL_MM;
  const out = [`^XA^CI28^PW${at(width)}^LL${at(height)}^LH0,0`];
  /** Beside the code lines are narrower. */
  const codeTop = margin + LETTERS.name * LEADING * 1.6;
  let y = margin as number;
  for (const { words, style } of lines) {
    const height = LETTERS[style];
    const beside = code !== '' && y + height > codeTop && y < codeTop + CODE_SIDE;
    const room = width - 2 * margin - (beside ? CODE_SIDE + 1 : 0);
    const size = fitted(words, height, style === 'block' ? room - 2 : room);
    const text = `^A0N,${at(size)},${at(size)}^FH_^FD${escaped(words)}^FS`;
    if (style === 'block') {
      out.push(
        `^FO${at(margin)},${at(y)}^GB${at(room)},${at(size * LEADING)},${at(size * LEADING)},B^FS`,
        `^FO${at(margin + 1)},${at(y + size * 0.25)}^FR${text}`,
      );
    } else out.push(`^FO${at(margin)},${at(y)}^FB${at(room)},1,0,L${text}`);
    y += size * LEADING;
  }
  if (code !== '') {
    // A code of 33 dots, the version that an address of ours needs; at most ten printer’s dots each.
    const dot = Math.min(10, Math.max(1, Math.round(at(CODE_SIDE) / 33)));
    out.push(
      `^FO${at(width - margin - CODE_SIDE)},${at(codeTop)}^BQN,2,${dot}^FH_^FDMA,${escaped(code)}^FS`,
    );
  }
  out.push(`^PQ${copies}^XZ`);
  return `${out.join('\n')}\n`;
}

import { escposOf, type Label, zplOf } from './index';

const label: Label = {
  lines: [
    { words: 'Óran’s ^mint~ 50_%', style: 'name' },
    { words: 'best at Fri 08:00', style: 'usual' },
    { words: 'Mon 9 Mar 14:20', style: 'block' },
  ],
  code: 'https://house.example/cold/1',
};
/** The fields of a label: where they stand, dots, and their text with numbers turned back into letters. */
const fieldsOf = (zpl: string) =>
  [...zpl.matchAll(/\^FO(\d+),(\d+)(\^(?:(?!\^FS)[^])*)\^FD((?:(?!\^FS)[^])*)\^FS/g)].map(
    ([, x, y, how, text]) => ({
      x: Number(x),
      y: Number(y),
      how: how ?? '',
      text: (text ?? '').replace(/_([0-9A-F]{2})/g, (_all, hex: string) =>
        String.fromCharCode(parseInt(hex, 16)),
      ),
    }),
  );

describe('ZPL', () => {
  test('begins and ends as a label, of 62 by 50 mm in dots of its head', () => {
    expect(zplOf(label, 8, 3)).toMatch(/^\^XA\^CI28\^PW496\^LL400[^]*\^PQ3\^XZ\n$/);
    expect(zplOf(label, 12, 1)).toMatch(/^\^XA\^CI28\^PW744\^LL600/);
  });
  test('says what it was given, whatever letters are in it, and nothing of it is a command', () => {
    const zpl = zplOf(label, 8, 1);
    expect(fieldsOf(zpl).map((f) => f.text)).toEqual([
      ...label.lines.map((l) => l.words),
      `MA,${label.code}`,
    ]);
    expect(zpl).not.toContain('^mint');
    expect(zpl).not.toContain('~');
  });
  test('long words get smaller letters, so that they end on the paper', () => {
    const words = 'discard Wed 11 November 14:20 (second)';
    const sizeOf = (text: string) =>
      Number(
        /\^A0N,(\d+)/.exec(
          zplOf({ lines: [{ words: text, style: 'block' }], code: '' }, 8, 1),
        )?.[1],
      );
    expect(sizeOf('Mon 8:00')).toBe(42);
    // Half as wide as high, a letter of these takes at most its part of 56 mm.
    expect(sizeOf(words) * 0.5 * words.length).toBeLessThan(54 * 8);
    expect(sizeOf(words)).toBeGreaterThan(16);
  });
  test('lines go down the paper, all of them on it; the block is black under white letters', () => {
    for (const dots of [8, 12] as const) {
      const fields = fieldsOf(zplOf(label, dots, 1));
      const tops = fields.slice(0, 3).map((f) => f.y);
      expect([...tops].sort((a, b) => a - b)).toEqual(tops);
      for (const f of fields) {
        expect(f.x).toBeLessThan(62 * dots);
        expect(f.y).toBeLessThan(50 * dots);
      }
      expect(fields[2]?.how).toContain('^FR');
      expect(zplOf(label, dots, 1)).toMatch(/\^GB\d+,\d+,\d+,B/);
    }
  });
});

describe('ESC/POS', () => {
  const text = (bytes: Uint8Array) => Buffer.from(bytes).toString('latin1');
  test('begins anew, says every line, cuts; as often as there are copies', () => {
    const bytes = escposOf(label, 2);
    expect([...bytes.slice(0, 5)]).toEqual([0x1b, 0x40, 0x1b, 0x74, 16]);
    expect(text(bytes).match(/best at Fri 08:00\n/g)).toHaveLength(2);
    expect(text(bytes).match(/\x1dVB\x00/g)).toHaveLength(2);
    expect([...bytes.slice(-4)]).toEqual([0x1d, 0x56, 0x42, 0x00]);
  });
  test('letters of western Europe stay, others lose their marks or are a question mark', () => {
    const said = (words: string) =>
      text(escposOf({ lines: [{ words, style: 'usual' }], code: '' }, 1)).slice(14, -8);
    expect(said('Óran 85 °C')).toBe('Óran 85 °C');
    expect(said('85\u202f°C')).toBe('85 °C');
    expect(said('Dvořák')).toBe('Dvorák');
    expect(said('茶 mint')).toBe('? mint');
    expect(said('it’s')).toBe('it\x92s');
    // No letter of a name is a command.
    expect(said('a\x1b@b\x1dV')).toBe('a?@b?V');
  });
  test('the code has its length before it: 2 bytes more than its text and one', () => {
    const bytes = [...escposOf(label, 1)];
    const store = bytes.findIndex(
      (b, i) => b === 0x1d && bytes[i + 1] === 0x28 && bytes[i + 6] === 0x50,
    );
    const length = (bytes[store + 3] ?? 0) + 256 * (bytes[store + 4] ?? 0);
    expect(length).toBe(label.code.length + 3);
    const from = store + 8;
    expect(Buffer.from(bytes.slice(from, from + label.code.length)).toString()).toBe(label.code);
  });
});

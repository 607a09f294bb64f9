import { existsSync, readFileSync } from 'node:fs';
import { create, type Font } from 'fontkit';
import { paperFonts, unpackedFont } from './fonts';

const PACKED = 'node_modules/@fontsource/encode-sans/files/encode-sans-latin-400-normal.woff';

test('an unpacked font is the packed one, table by table, as another reader sees them', () => {
  expect(existsSync(PACKED)).toBe(true);
  const woff = create(readFileSync(PACKED)) as Font;
  const plain = create(unpackedFont(readFileSync(PACKED))) as Font;
  expect(plain.postscriptName).toBe(woff.postscriptName);
  expect(plain.numGlyphs).toBe(woff.numGlyphs);
  const words = 'Steep 4½ min at 95 °C · 12.5 g';
  expect(plain.layout(words).advanceWidth).toBe(woff.layout(words).advanceWidth);
  const outline = (font: Font) => font.layout('Ǥg&').glyphs.map((g) => g.path.toSVG());
  expect(outline(plain)).toEqual(outline(woff));
});
test('every face of the papers is there, and what is no font is refused', () => {
  expect(paperFonts().map(([face]) => face)).toEqual(['sans', 'bold', 'heavy', 'book']);
  expect(() => unpackedFont(Buffer.alloc(64))).toThrow('not a WOFF font');
});

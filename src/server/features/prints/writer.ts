import type { Paper } from './page';
import { MARGIN, RIGHT } from './paperSize';

/** What a page of words and tables is written with: each stands under the one before it. */
export type Writer = {
  readonly para: (
    words: string,
    o: { face?: 'sans' | 'bold' | 'book'; size: number; after?: number },
  ) => void;
  readonly table: (
    heads: readonly string[],
    rows: readonly (readonly string[])[],
    xs: readonly number[],
  ) => void;
};
export function writerOn(p: Paper): Writer {
  let y = MARGIN;
  return {
    para: (words, { face = 'sans', size, after = 2 }) => {
      p.text(words, MARGIN, y, { face, size, width: RIGHT - MARGIN });
      y += p.heightOf(words, { face, size, width: RIGHT - MARGIN }) + after;
    },
    table: (heads, rows, xs) => {
      heads.forEach((h, i) => p.text(h, xs[i] ?? MARGIN, y, { size: 3.1 }));
      y += 5;
      p.line(MARGIN, y, RIGHT, y, 0.4);
      for (const row of rows) {
        row.forEach((cell, i) =>
          p.text(cell, xs[i] ?? MARGIN, y + 1.4, { size: 3.5, face: i === 0 ? 'bold' : 'sans' }),
        );
        y += 6.4;
        p.line(MARGIN, y, RIGHT, y, 0.15);
      }
      y += 5;
    },
  };
}

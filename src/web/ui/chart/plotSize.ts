import type { CSSProperties } from 'react';

/** As wide as the page lets it be, up to its own width, in its proportions. */
export const plotSize = (width: number, height: number): CSSProperties => ({
  width: '100%',
  maxWidth: width,
  height: 'auto',
  aspectRatio: `${width} / ${height}`,
});

import sharp from 'sharp';

/** Several pictures on one, row by row: `pictures` are PNGs. */
export async function tiled(pictures, columns) {
  const gap = 16;
  const sizes = await Promise.all(pictures.map((x) => sharp(x).metadata()));
  const rows = Math.ceil(pictures.length / columns);
  const most = (list) => Math.max(...list);
  const inColumn = (c) => sizes.filter((_, i) => i % columns === c);
  const inRow = (r) => sizes.slice(r * columns, (r + 1) * columns);
  const widths = Array.from({ length: columns }, (_, c) => most(inColumn(c).map((m) => m.width)));
  const heights = Array.from({ length: rows }, (_, r) => most(inRow(r).map((m) => m.height)));
  const upTo = (list, n) => list.slice(0, n).reduce((sum, x) => sum + x + gap, 0);
  return sharp({
    create: {
      width: upTo(widths, columns) - gap,
      height: upTo(heights, rows) - gap,
      channels: 3,
      background: '#8a969d',
    },
  })
    .composite(
      pictures.map((input, i) => ({
        input,
        left: upTo(widths, i % columns),
        top: upTo(heights, Math.floor(i / columns)),
      })),
    )
    .png({ compressionLevel: 9 })
    .toBuffer();
}

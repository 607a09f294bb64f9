import { layoutFor } from './useBarLayout';

const WINDOWS = [
  ['desk', 1280, 800],
  ['desk', 1024, 768],
  ['desk', 1920, 1080],
  ['tablet', 820, 1180],
  ['tablet', 768, 1024],
  ['phone', 390, 844],
  ['phone', 360, 640],
] as const;
/** The counter's axis beside the columns, px. */
const AXIS = 44;

describe.each(WINDOWS)('%s of %i by %i', (kind, width, height) => {
  const counts = Array.from({ length: 12 }, (_, i) => i + 1);
  test('is laid out as one, with up to twelve brews', () => {
    for (const many of counts) expect(layoutFor(width, height, many).kind).toBe(kind);
  });
  test('the pull line lies within the field, and later time above it', () => {
    for (const many of counts) {
      const { axis } = layoutFor(width, height, many);
      expect(axis.pull).toBeGreaterThan(0);
      expect(axis.pull).toBeLessThan(axis.height);
    }
  });
  test('more than six take less height each, and never more than the figure can be read at', () => {
    const [few, full] = [layoutFor(width, height, 6), layoutFor(width, height, 7)];
    expect([few.full, full.full]).toEqual([false, true]);
    expect(full.axis.height).toBeLessThanOrEqual(few.axis.height);
    expect(Number.parseInt(full.time, 10)).toBeGreaterThanOrEqual(54);
  });
  if (kind === 'tablet')
    test('three columns of twelve stand on the page without scrolling', () => {
      const { axis, columns } = layoutFor(width, height, 12);
      const rows = Math.ceil(12 / columns);
      expect(rows * axis.height).toBeLessThan(height);
    });
});
test('six columns of their full width fit a desk’s window', () => {
  const { columns, columnPx } = layoutFor(1280, 800, 6);
  expect(AXIS + columns * columnPx).toBeLessThanOrEqual(1280);
});

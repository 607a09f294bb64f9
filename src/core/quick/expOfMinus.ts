const PER_UNIT = 128;
const END = 36;
const TABLE = Float64Array.from({ length: END * PER_UNIT + 2 }, (_, i) => Math.exp(-i / PER_UNIT));

/**
 * exp(-y) for y >= 0 from a table with a parabola between its points: within 1e-7 of itself; 0 past 36. Some three
 * times as quick as the library's on this engine, and it is most of a cup's work.
 */
export function expOfMinus(y: number): number {
  if (y >= END) return 0;
  const i = (y * PER_UNIT) | 0;
  const f = y - i / PER_UNIT;
  return (TABLE[i] as number) * (1 - f + 0.5 * f * f);
}

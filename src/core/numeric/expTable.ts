/** Cells to the unit, and where the table of exp(-y) ends: exp(-36) is nothing here. */
export const EXP_CELLS = 128;
export const EXP_END = 36;
export const EXP_TABLE = Float64Array.from({ length: EXP_END * EXP_CELLS + 2 }, (_, i) =>
  Math.exp(-i / EXP_CELLS),
);

/** exp(-y) for y >= 0: a parabola in the table's cell, within 1e-7 of itself; 0 past the end. */
export function expOfMinus(y: number): number {
  if (y >= EXP_END) return 0;
  const cell = (y * EXP_CELLS) | 0;
  const f = y - cell / EXP_CELLS;
  return (EXP_TABLE[cell] as number) * (1 - f + 0.5 * f * f);
}

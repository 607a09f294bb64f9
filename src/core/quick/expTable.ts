/** Cells to the unit, and where the table of exp(-y) ends: exp(-36) is nothing here. */
export const EXP_CELLS = 128;
export const EXP_END = 36;
export const EXP_TABLE = Float64Array.from({ length: EXP_END * EXP_CELLS + 2 }, (_, i) => Math.exp(-i / EXP_CELLS));

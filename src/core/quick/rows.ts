import {
  ACTIVATION,
  at,
  coldness,
  PARTITION_AT_90,
  PARTITION_HEAT,
  RATE_AT_90,
  STEWING_ENERGY,
  VENTING,
  WETTING_ENERGY,
} from '#core/extraction';

// The temperature factors of the model, tabled each quarter degree, so that a panel reads a row instead of sixteen
// exponentials. Linear between rows: under 1e-4 of a rate at 4 C, under 3e-5 at 90 C.
export const ROWS_PER_DEGREE = 4;
/**
 * Places in a row: rate and partition of classes 1-6 and the one over the other, then aroma's rate, opening, venting,
 * stewing.
 */
export const ROW = 22;
export const PARTITION = 6;
export const RATE_OVER_PARTITION = 12;
export const AROMA = 18;
export const OPENING = 19;
export const VENT = 20;
export const STEW = 21;
const HOTTEST = 103;

/** Fills one row with the factors at `celsius`; `sensitivity` multiplies the activation energies. */
export function fillRow(
  rows: Float64Array,
  from: number,
  celsius: number,
  sensitivity: number,
): void {
  const x = coldness(celsius);
  const rate = (i: number) => at(RATE_AT_90, i) * Math.exp(-at(ACTIVATION, i) * sensitivity * x);
  for (let i = 0; i < 6; i++) {
    const partition = at(PARTITION_AT_90, i + 1) * Math.exp(-at(PARTITION_HEAT, i + 1) * x);
    rows[from + i] = rate(i + 1);
    rows[from + PARTITION + i] = partition;
    rows[from + RATE_OVER_PARTITION + i] = rate(i + 1) / partition;
  }
  rows[from + AROMA] = rate(0);
  rows[from + OPENING] = Math.exp(WETTING_ENERGY * x);
  rows[from + VENT] = VENTING.rate * Math.exp(-VENTING.energy * x);
  rows[from + STEW] = Math.exp(-STEWING_ENERGY * x);
}

const KEPT = 8;
const tables = new Map<number, Float64Array>();
/** The table of one sensitivity, 0 to 103 C, filled row by row as it is read. The last few are kept. */
export function rowsFor(sensitivity: number): Float64Array {
  const known = tables.get(sensitivity);
  if (known) return known;
  const rows = new Float64Array((HOTTEST * ROWS_PER_DEGREE + 2) * ROW);
  if (tables.size >= KEPT)
    for (const old of tables.keys())
      if (old !== 1) {
        tables.delete(old);
        break;
      }
  tables.set(sensitivity, rows);
  return rows;
}
/** Fills a row and the next if they are still empty. */
export function needRows(rows: Float64Array, row: number, sensitivity: number): void {
  for (const at of [row, row + ROW])
    if (rows[at + OPENING] === 0) fillRow(rows, at, at / ROW / ROWS_PER_DEGREE, sensitivity);
}
/** Above this the table ends. */
export const TABLE_END = HOTTEST;

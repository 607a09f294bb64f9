/** Mid-ranks of one row, from 1, and the sum of t^3 - t over its ties. */
export function rankSum(row: readonly number[]): {
  readonly ranks: readonly number[];
  readonly ties: number;
} {
  const ranks = row.map(
    (v) => row.filter((o) => o < v).length + (row.filter((o) => o === v).length + 1) / 2,
  );
  const sizes = [...new Set(row)].map((v) => row.filter((o) => o === v).length);
  return { ranks, ties: sizes.reduce((a, t) => a + t ** 3 - t, 0) };
}

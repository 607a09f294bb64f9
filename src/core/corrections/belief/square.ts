import type { Three } from './units';

// Matrices of three by three, row by row. A general library takes ten times as long for a thousand cups (measured: 80 ms
// against 8 ms), and they are met on the judge screen; the tests hold these to that library.

/** Nine figures, row by row. */
export type Square = readonly [
  ...[number, number, number],
  ...[number, number, number],
  ...[number, number, number],
];

export const diagonal = (a: number, b: number, c: number): Square => [a, 0, 0, 0, b, 0, 0, 0, c];
/** `a`, and so many times `b`. */
export const plus = (a: Square, b: Square, times = 1): Square => [
  a[0] + times * b[0],
  a[1] + times * b[1],
  a[2] + times * b[2],
  a[3] + times * b[3],
  a[4] + times * b[4],
  a[5] + times * b[5],
  a[6] + times * b[6],
  a[7] + times * b[7],
  a[8] + times * b[8],
];
const NOTHING = diagonal(0, 0, 0);
export const scaled = (a: Square, by: number): Square => plus(NOTHING, a, by);
/** One figure of a product: a row of the first by a column of the second. */
const cell = (a: Square, b: Square, row: number, column: number): number =>
  (a[3 * row] as number) * (b[column] as number) +
  (a[3 * row + 1] as number) * (b[3 + column] as number) +
  (a[3 * row + 2] as number) * (b[6 + column] as number);
export const product = (a: Square, b: Square): Square => [
  cell(a, b, 0, 0),
  cell(a, b, 0, 1),
  cell(a, b, 0, 2),
  cell(a, b, 1, 0),
  cell(a, b, 1, 1),
  cell(a, b, 1, 2),
  cell(a, b, 2, 0),
  cell(a, b, 2, 1),
  cell(a, b, 2, 2),
];
export const applied = (a: Square, v: Three): Three => [
  a[0] * v[0] + a[1] * v[1] + a[2] * v[2],
  a[3] * v[0] + a[4] * v[1] + a[5] * v[2],
  a[6] * v[0] + a[7] * v[1] + a[8] * v[2],
];
export const inner = (a: Three, b: Three): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** What remains without a row and a column: the determinant of two by two, by the places of its figures. */
const minor = (m: Square, a: number, d: number, b: number, c: number): number =>
  (m[a] as number) * (m[d] as number) - (m[b] as number) * (m[c] as number);
export const determinantOf = (m: Square): number =>
  m[0] * minor(m, 4, 8, 5, 7) - m[1] * minor(m, 3, 8, 5, 6) + m[2] * minor(m, 3, 7, 4, 6);
/** @throws {RangeError} when it has none */
export function inverseOf(m: Square): Square {
  const by = 1 / determinantOf(m);
  if (!Number.isFinite(by)) throw new RangeError('a matrix without an inverse');
  return [
    by * minor(m, 4, 8, 5, 7),
    by * minor(m, 2, 7, 1, 8),
    by * minor(m, 1, 5, 2, 4),
    by * minor(m, 5, 6, 3, 8),
    by * minor(m, 0, 8, 2, 6),
    by * minor(m, 2, 3, 0, 5),
    by * minor(m, 3, 7, 4, 6),
    by * minor(m, 1, 6, 0, 7),
    by * minor(m, 0, 4, 1, 3),
  ];
}
/** The mean of a matrix and its transpose: rounding errors never make a covariance lopsided. */
export function symmetric(m: Square): Square {
  const [x, y, z] = [(m[1] + m[3]) / 2, (m[2] + m[6]) / 2, (m[5] + m[7]) / 2];
  return [m[0], x, y, x, m[4], z, y, z, m[8]];
}
/**
 * The lower triangle whose square it is: draws of a covariance come from it (Cholesky).
 * @throws {RangeError} when it is no covariance
 */
export function rootOf(m: Square): Square {
  const first = Math.sqrt(m[0]);
  const [second, third] = [m[3] / first, m[6] / first];
  const fourth = Math.sqrt(m[4] - second * second);
  const fifth = (m[7] - third * second) / fourth;
  const last = Math.sqrt(m[8] - third * third - fifth * fifth);
  if (!(first > 0 && fourth > 0 && last > 0)) throw new RangeError('no covariance');
  return [first, 0, 0, second, fourth, 0, third, fifth, last];
}

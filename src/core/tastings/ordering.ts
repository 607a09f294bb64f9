import { normalUpTo } from './distributions';

export type Ordering = {
  /** Kendall's tau, 1 = the true order, -1 = it reversed. */
  readonly tau: number;
  /** Pairs the wrong way round. */
  readonly inversions: number;
  /** The chance of an order at least this good by shuffling. */
  readonly chance: number;
};
const EXACT = 8;

/** Of all orders of n, how many have so many inversions (the Mahonian numbers), by the usual recurrence. */
function inversionCounts(n: number): number[] {
  let counts = [1];
  for (let m = 2; m <= n; m++)
    counts = Array.from({ length: counts.length + m - 1 }, (_, k) =>
      counts.slice(Math.max(0, k - m + 1), k + 1).reduce((a, b) => a + b, 0),
    );
  return counts;
}

/**
 * How near an order is to the true one. `given` and `truth` name the same things.
 * Exact by counting for up to 8, beyond that by the normal approximation.
 * @throws {RangeError} when they do not name the same things.
 */
export function orderingOf<T>(given: readonly T[], truth: readonly T[]): Ordering {
  const places = given.map((g) => truth.indexOf(g));
  const n = truth.length;
  if (places.includes(-1) || new Set(places).size !== n || given.length !== n)
    throw new RangeError('the order names other things');
  let inversions = 0;
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++)
      if ((places[i] as number) > (places[j] as number)) inversions += 1;
  if (n < 2) return { tau: 1, inversions, chance: 1 };
  const pairs = (n * (n - 1)) / 2;
  const tau = 1 - (2 * inversions) / pairs;
  if (n <= EXACT) {
    const counts = inversionCounts(n);
    return {
      tau,
      inversions,
      chance:
        counts.slice(0, inversions + 1).reduce((a, b) => a + b, 0) /
        counts.reduce((a, b) => a + b, 0),
    };
  }
  return {
    tau,
    inversions,
    chance: 1 - normalUpTo(tau, 0, Math.sqrt((2 * (2 * n + 5)) / (9 * n * (n - 1)))),
  };
}
/** The chance that shuffling gives the true order itself. @example chanceOfTrueOrder(4) // 1 / 24 */
export const chanceOfTrueOrder = (n: number): number =>
  1 / Array.from({ length: n }, (_, i) => i + 1).reduce((a, b) => a * b, 1);

import { atLeast } from '#core/numeric';
import { betaAt } from './distributions';

/** The chance of a right answer by guessing: which of two, or which is the odd one of three. */
export const GUESSING = { pair: 1 / 2, duoTrio: 1 / 2, triangle: 1 / 3 } as const;
export type ChoiceTest = keyof typeof GUESSING;

/**
 * The chance of `right` or more of `n` by guessing alone: the one-sided exact binomial tail (ISO 4120 for triangles).
 * 1 for n = 0.
 */
export const chanceOfAtLeast = (right: number, n: number, guess: number): number =>
  atLeast(right, n, guess);
/** Two-sided, for a preference, where either cup may win: both tails of p = 1/2. */
export const chanceOfSplit = (right: number, n: number): number =>
  Math.min(1, 2 * chanceOfAtLeast(Math.max(right, n - right), n, 1 / 2));

/**
 * The fewest right answers of `n` that guessing reaches with chance `alpha` or less; null where even all of them
 * would not do.
 */
export function fewestRight(n: number, test: ChoiceTest, alpha = 0.05): number | null {
  for (let k = 0; k <= n; k++) if (chanceOfAtLeast(k, n, GUESSING[test]) <= alpha) return k;
  return null;
}
/** The fewest tasters with whom all right would say anything at `alpha`. @example fewestTasters('pair') // 5 */
export function fewestTasters(test: ChoiceTest, alpha = 0.05): number {
  let n = 1;
  while (fewestRight(n, test, alpha) === null) n++;
  return n;
}
const MOST = 500;
/**
 * So many tasters answering as well as these did (share `share` right) would have been needed for `alpha`; null when
 * that share is no better than guessing, or over 500.
 */
export function tastersNeeded(share: number, test: ChoiceTest, alpha = 0.05): number | null {
  if (share <= GUESSING[test]) return null;
  for (let n = 1; n <= MOST; n++)
    if (chanceOfAtLeast(Math.floor(share * n + 1e-9), n, GUESSING[test]) <= alpha) return n;
  return null;
}

export type Interval = readonly [low: number, high: number];
/** Exact (Clopper-Pearson) interval of a share, both sides together `1 - level`. [0, 1] for n = 0. */
export function shareInterval(right: number, n: number, level = 0.95): Interval {
  if (n === 0) return [0, 1];
  const a = (1 - level) / 2;
  return [
    right === 0 ? 0 : betaAt(a, right, n - right + 1),
    right === n ? 1 : betaAt(1 - a, right + 1, n - right),
  ];
}
/**
 * The share able to tell in a triangle or pair: what is over guessing, 0..1, with its exact interval. pd = (pc - g) /
 * (1 - g).
 */
export function shareAble(
  right: number,
  n: number,
  test: ChoiceTest,
): { share: number; interval: Interval } {
  const g = GUESSING[test];
  const over = (pc: number) => Math.max(0, (pc - g) / (1 - g));
  const [low, high] = shareInterval(right, n);
  return { share: n === 0 ? 0 : over(right / n), interval: [over(low), over(high)] };
}

/** Chance of each count from 0 on, one after another, by its recurrence. */
type Counts = { readonly none: number; readonly next: (k: number) => number };

const poisson = (mean: number): Counts => ({
  none: Math.exp(-mean),
  next: (k) => mean / (k + 1),
});
/** r may be any positive number: mean = r (1 - p)/p, variance = mean/p. */
function negativeBinomial(mean: number, variance: number): Counts {
  const p = mean / variance;
  const r = (mean * p) / (1 - p);
  return { none: p ** r, next: (k) => ((k + r) / (k + 1)) * (1 - p) };
}

/** Sums in doubles stop growing before they are quite 1. */
const MOST = 100_000;
/**
 * The smallest count that is reached or stayed under with chance `alpha`: of the negative binomial of that mean and
 * variance, or of Poisson where the variance is no larger than the mean. 0 when nothing is expected.
 * @throws {RangeError} unless 0 <= alpha < 1.
 */
export function countQuantile(mean: number, variance: number, alpha: number): number {
  if (!(alpha >= 0 && alpha < 1)) throw new RangeError(`no count has the chance ${alpha}`);
  if (!(mean > 0)) return 0;
  const counts = variance > mean ? negativeBinomial(mean, variance) : poisson(mean);
  let chance = counts.none;
  let sum = chance;
  let k = 0;
  while (sum < alpha && k < MOST) {
    chance *= counts.next(k);
    k += 1;
    sum += chance;
  }
  return k;
}

/** One-sided 95 %: the normal quantile at .95. */
export const ONE_SIDED_95 = 1.6448536;

/**
 * Wilson's score interval for a share (Wilson 1927; checked against Newcombe 1998).
 * @param credit right answers, 0 to `n`; halves are allowed
 * @param n answers, more than 0
 * @throws {RangeError} without answers
 */
export function wilson(
  credit: number,
  n: number,
  z = ONE_SIDED_95,
): { readonly low: number; readonly high: number } {
  if (!(n > 0)) throw new RangeError('no answers');
  const p = credit / n;
  const spread = z * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n));
  const middle = p + (z * z) / (2 * n);
  const whole = 1 + (z * z) / n;
  return {
    low: Math.max(0, (middle - spread) / whole),
    high: Math.min(1, (middle + spread) / whole),
  };
}

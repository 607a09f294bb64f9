/** Chance that `hits` or more of `n` fall where each falls by `share`: exact binomial tail. */
export function atLeast(hits: number, n: number, share: number): number {
  if (hits <= 0) return 1;
  if (share <= 0) return 0;
  if (share >= 1) return 1;
  if (hits > n) return 0;
  // From far below the mean the first term would be too small for a number: the other tail is summed instead.
  if (hits < n * share) return 1 - atLeast(n - hits + 1, n, 1 - share);
  // Summed in logs from the first term on: n runs to thousands.
  let log = 0;
  for (let i = 1; i <= hits; i++) log += Math.log((n - hits + i) / i);
  let term = Math.exp(log + hits * Math.log(share) + (n - hits) * Math.log(1 - share));
  let sum = 0;
  for (let k = hits; k <= n; k++) {
    sum += term;
    term *= ((n - k) / (k + 1)) * (share / (1 - share));
  }
  return Math.min(1, sum);
}

import jstat from 'jstat';
import { countQuantile } from './index';

const { jStat } = jstat as unknown as {
  jStat: {
    poisson: { cdf(k: number, mean: number): number };
    negbin: { cdf(k: number, r: number, p: number): number };
  };
};
test.each([0.2, 1, 3.7, 12, 60])('Poisson of mean %d against jstat', (mean) => {
  for (const alpha of [0.05, 0.1, 0.5, 0.8, 0.9, 0.99]) {
    const k = countQuantile(mean, mean, alpha);
    expect(jStat.poisson.cdf(k, mean)).toBeGreaterThanOrEqual(alpha - 1e-12);
    if (k > 0) expect(jStat.poisson.cdf(k - 1, mean)).toBeLessThan(alpha);
  }
});
test.each([
  [4, 8],
  [6, 9],
  [10, 30],
])('negative binomial of mean %d, variance %d against jstat', (mean, variance) => {
  // Whole r only: jstat has no other.
  const r = mean ** 2 / (variance - mean);
  const p = mean / variance;
  expect(Number.isInteger(r)).toBe(true);
  for (const alpha of [0.1, 0.5, 0.8, 0.95]) {
    const k = countQuantile(mean, variance, alpha);
    expect(jStat.negbin.cdf(k, r, p)).toBeGreaterThanOrEqual(alpha - 1e-9);
    if (k > 0) expect(jStat.negbin.cdf(k - 1, r, p)).toBeLessThan(alpha + 1e-9);
  }
});
test('nothing expected is nothing; a chance of one is refused', () => {
  expect(countQuantile(0, 0, 0.8)).toBe(0);
  expect(() => countQuantile(3, 3, 1)).toThrow(RangeError);
});

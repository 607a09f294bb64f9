import jStat from 'jstat';
import { atLeast, seeded } from '.';

/** The same tail by the incomplete beta function of a general statistics library. */
const ibeta = (jStat as unknown as { ibeta(x: number, a: number, b: number): number }).ibeta;

test.each([
  ['three of three by thirds', 3, 3, 1 / 3, 1 / 27],
  ['all ten of ten by halves', 10, 10, 0.5, 1 / 1024],
  ['none at least', 0, 5, 0.2, 1],
  ['more than there are', 6, 5, 0.9, 0],
  ['never', 1, 5, 0, 0],
  ['always', 5, 5, 1, 1],
])('%s', (_, hits, n, share, expected) => {
  expect(atLeast(hits, n, share)).toBeCloseTo(expected, 14);
});

test('far below the mean it is certain, however many there are', () => {
  expect(atLeast(411, 901, 0.934)).toBeCloseTo(1, 12);
  expect(atLeast(1, 3000, 0.9)).toBe(1);
});

test('equals the incomplete beta function over both tails, from few to thousands', () => {
  const random = seeded(20_261_128);
  for (let i = 0; i < 3000; i += 1) {
    const n = 1 + Math.floor(random() * (i % 2 ? 30 : 3000));
    const hits = 1 + Math.floor(random() * n);
    const share = 0.02 + 0.96 * random();
    expect(Math.abs(atLeast(hits, n, share) - ibeta(share, hits, n - hits + 1))).toBeLessThan(2e-7);
  }
});

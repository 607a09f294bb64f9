import { readFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { seeded } from '#core/numeric';
import {
  agreementOf,
  blindCodes,
  chanceOfAtLeast,
  chanceOfSplit,
  fewestRight,
  fewestTasters,
  GUESSING,
  justAboutRight,
  oddsOf,
  orderingOf,
  penaltyOf,
  servingOrders,
  shareAble,
  shareInterval,
  tasterAgainst,
  tastersNeeded,
  triangleOrders,
  TRIANGLES,
  williamsSquare,
} from './index';

/** Nine judges, eight bottles (Randall 1989, Biometrical Journal 31; carried by R's `ordinal` package as `wine`). */
type Row = { rating: string; temp: string; contact: string; bottle: string; judge: string };
const panel = parse(readFileSync('test/reference/panel-bitterness.csv'), {
  columns: true,
}) as Row[];
const judges = [...new Set(panel.map((r) => r.judge))];
const bottles = [...new Set(panel.map((r) => r.bottle))];

describe('choices, by exact binomial tails', () => {
  test.each([
    [6, 5, 6],
    [12, 8, 9],
    [18, 10, 12],
    [24, 13, 15],
    [30, 15, 17],
    [36, 18, 20],
    [60, 27, 30],
  ])('triangle, %i tasters: %i right at 0.05, %i at 0.01 (ISO 4120)', (n, five, one) => {
    expect(fewestRight(n, 'triangle')).toBe(five);
    expect(fewestRight(n, 'triangle', 0.01)).toBe(one);
  });
  test.each([
    [12, 10, 11],
    [24, 17, 19],
    [30, 20, 22],
  ])('pair, one-sided, %i tasters: %i and %i', (n, five, one) => {
    expect(fewestRight(n, 'pair')).toBe(five);
    expect(fewestRight(n, 'pair', 0.01)).toBe(one);
  });
  test('13 of 24 in a triangle: R binom.test gives p = 0.028441', () =>
    expect(chanceOfAtLeast(13, 24, GUESSING.triangle)).toBeCloseTo(0.028441, 6));
  test('too few tasters can prove nothing', () => {
    expect(fewestTasters('pair')).toBe(5);
    expect(fewestTasters('triangle')).toBe(3);
    expect(fewestRight(4, 'pair')).toBeNull();
    expect(chanceOfAtLeast(0, 0, 0.5)).toBe(1);
  });
  test('the interval is Clopper and Pearson’s: R binom.test(2, 4) gives 0.0676 to 0.9324; (0, 10) 0 to 0.3085', () => {
    expect(shareInterval(2, 4)[0]).toBeCloseTo(0.06758599, 6);
    expect(shareInterval(2, 4)[1]).toBeCloseTo(0.932414, 6);
    expect(shareInterval(0, 10)).toEqual([0, expect.closeTo(0.3084971, 6)]);
    expect(shareInterval(0, 0)).toEqual([0, 1]);
  });
  test('share able in a triangle is 1.5 (pc - 1/3), none where guessing does as well', () => {
    expect(shareAble(16, 24, 'triangle').share).toBeCloseTo(0.5, 12);
    expect(shareAble(8, 24, 'triangle')).toEqual({ share: 0, interval: [0, expect.any(Number)] });
  });
  test('a preference is two-sided; the number needed is enough, and one fewer taster of the same skill is not always', () => {
    expect(chanceOfSplit(9, 10)).toBeCloseTo(0.021484375, 9);
    expect(chanceOfSplit(5, 10)).toBe(1);
    const n = tastersNeeded(0.75, 'pair') ?? 0;
    expect(chanceOfAtLeast(Math.floor(0.75 * n), n, 0.5)).toBeLessThanOrEqual(0.05);
    expect(tastersNeeded(0.5, 'pair')).toBeNull();
  });
  test('tails agree with counting every answer there can be', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10 }), fc.integer({ min: 0, max: 10 }), (n, k) => {
        let sum = 0;
        for (let bits = 0; bits < 2 ** n; bits++)
          if ([...bits.toString(2)].filter((b) => b === '1').length >= k) sum += 1;
        expect(chanceOfAtLeast(k, n, 0.5)).toBeCloseTo(k > n ? 0 : sum / 2 ** n, 10);
      }),
      { seed: 6, numRuns: 40 },
    );
  });
});

describe('order', () => {
  test('the true order, one swap, and the reverse of four', () => {
    expect(orderingOf(['a', 'b', 'c', 'd'], ['a', 'b', 'c', 'd'])).toEqual({
      tau: 1,
      inversions: 0,
      chance: expect.closeTo(1 / 24, 12),
    });
    expect(orderingOf(['a', 'b', 'd', 'c'], ['a', 'b', 'c', 'd'])).toEqual({
      tau: expect.closeTo(2 / 3, 12),
      inversions: 1,
      chance: expect.closeTo(4 / 24, 12),
    });
    expect(orderingOf(['d', 'c', 'b', 'a'], ['a', 'b', 'c', 'd'])).toMatchObject({
      tau: -1,
      chance: 1,
    });
  });
  test('four inversions of eight, by the counts of all orders', () => {
    const truth = [1, 2, 3, 4, 5, 6, 7, 8];
    const o = orderingOf([2, 1, 4, 3, 6, 5, 8, 7], truth);
    expect(o.inversions).toBe(4);
    // Of 40320 orders of eight, 1 + 7 + 27 + 76 + 174 have four inversions or fewer (OEIS A008302).
    expect(o.chance).toBeCloseTo(285 / 40_320, 12);
  });
  test('nine and more by the normal approximation, near the exact one', () => {
    const truth = Array.from({ length: 9 }, (_, i) => i);
    const o = orderingOf([1, 0, 3, 2, 5, 4, 7, 6, 8], truth);
    expect(o.chance).toBeGreaterThan(0.0002);
    expect(o.chance).toBeLessThan(0.01);
  });
  test('an order that names other things is refused', () =>
    expect(() => orderingOf([1, 1], [1, 2])).toThrow(RangeError));
});

describe('a panel', () => {
  const marks = judges.map((j) =>
    bottles.map((b) => Number(panel.find((r) => r.judge === j && r.bottle === b)?.rating)),
  );
  test('agreement: R friedman.test gives chi2 32.215, df 7, p 3.705e-05; W 0.51135', () => {
    const a = agreementOf(marks);
    expect(a?.chi2).toBeCloseTo(32.215, 3);
    expect(a?.df).toBe(7);
    expect(a?.chance).toBeCloseTo(3.705e-5, 8);
    expect(a?.w).toBeCloseTo(0.51135, 5);
  });
  test('all alike, one taster: nothing is said', () => {
    expect(
      agreementOf([
        [1, 1, 1],
        [0, 0, 0],
      ]),
    ).toBeNull();
    expect(agreementOf([[1, 2, 3]])).toBeNull();
    expect(
      agreementOf([
        [1, 2, 3],
        [1, 2, 3],
      ])?.w,
    ).toBeCloseTo(1, 12);
  });
  test('odds: R ordinal::clm(rating ~ temp + contact)', () => {
    const m = oddsOf(
      panel.map((r) => Number(r.rating)),
      panel.map((r) => [r.temp === 'warm' ? 1 : 0, r.contact === 'yes' ? 1 : 0]),
    );
    const near = (a: number | undefined, b: number, digits = 4) => expect(a).toBeCloseTo(b, digits);
    near(m?.effects[0]?.log, 2.5031);
    near(m?.effects[0]?.error, 0.5287);
    near(m?.effects[1]?.log, 1.5278);
    near(m?.effects[1]?.error, 0.4766);
    [-1.3444, 1.2508, 3.4669, 5.0064].forEach((v, i) => near(m?.thresholds[i], v));
    near(m?.logLik, -86.492, 3);
    expect(m?.effects[0]?.odds).toBeCloseTo(12.2, 1);
    expect(m?.effects[0]?.interval.map((v) => Math.round(v * 10) / 10)).toEqual([4.5, 36.4]);
    expect(m?.chanceOfAll).toBeLessThan(1e-6);
  });
  test('a lever that sorts every mark has no finite odds; one level of marks says nothing', () => {
    expect(oddsOf([0, 0, 0, 1, 1, 1], [[0], [0], [0], [1], [1], [1]])).toBeNull();
    expect(oddsOf([1, 1, 1], [[0], [1], [1]])).toBeNull();
    expect(oddsOf([], [])).toBeNull();
  });
});

describe('one taster, and just about right', () => {
  test('bias, spread, repeatability with what is flagged', () => {
    const a = tasterAgainst(
      [
        { mark: 1, reference: 0 },
        { mark: 2, reference: 1 },
        { mark: 1, reference: 1 },
        { mark: 1, reference: 0 },
      ],
      [
        [0, 2],
        [1, 1],
      ],
    );
    expect(a).toMatchObject({
      n: 4,
      bias: 0.75,
      spread: expect.closeTo(0.5, 9),
      repeatability: 1,
      flags: ['bias'],
    });
    // t(0.975, 3) = 3.182446, from any table.
    expect(a?.interval?.[0]).toBeCloseTo(0.75 - 3.182446 * 0.25, 5);
    expect(tasterAgainst([])).toBeNull();
    expect(tasterAgainst([{ mark: 0, reference: 0 }])).toMatchObject({
      spread: null,
      interval: null,
      repeatability: null,
      flags: [],
    });
  });
  test('counts; a penalty only from ten marks and a fifth off', () => {
    expect(justAboutRight([-1, 0, 0, 2])).toEqual({ little: 1, right: 2, much: 1, n: 4 });
    const many = [
      ...Array.from({ length: 8 }, () => ({ mark: 0, liking: 7 })),
      { mark: 1, liking: 5 },
      { mark: 2, liking: 4 },
    ];
    expect(penaltyOf(many, 'much')).toBeCloseTo(2.5, 12);
    expect(penaltyOf(many, 'little')).toBeNull();
    expect(penaltyOf(many.slice(1), 'much')).toBeNull();
  });
});

describe('codes and orders', () => {
  test('codes: three figures, none twice, none running, no two alike', () => {
    const codes = blindCodes(200, seeded(3));
    expect(new Set(codes).size).toBe(200);
    for (const c of codes) {
      expect(c).toMatch(/^[1-9]\d\d$/);
      expect(new Set(c).size).toBe(3);
      expect(['123', '234', '321', '789', '987', '210']).not.toContain(c);
    }
    expect(blindCodes(4, seeded(1), codes).some((c) => codes.includes(c))).toBe(false);
    expect(() => blindCodes(900, seeded(1))).toThrow(RangeError);
  });
  test.each([2, 3, 4, 5, 6, 7, 8])(
    'Williams square of %i: every place, and every neighbour, equally often',
    (n) => {
      const square = williamsSquare(n);
      const times = square.length / n;
      for (let cup = 0; cup < n; cup++) {
        for (let place = 0; place < n; place++)
          expect(square.filter((r) => r[place] === cup)).toHaveLength(times);
        for (let after = 0; after < n; after++)
          if (after !== cup)
            expect(square.filter((r) => r.indexOf(after) === r.indexOf(cup) + 1)).toHaveLength(
              times,
            );
      }
    },
  );
  test('each taster gets every cup once; eight of four cups are balanced', () => {
    const orders = servingOrders(['a', 'b', 'c', 'd'], 8, seeded(5));
    for (const o of orders) expect([...o].sort()).toEqual(['a', 'b', 'c', 'd']);
    for (const c of ['a', 'b', 'c', 'd'])
      for (let p = 0; p < 4; p++) expect(orders.filter((o) => o[p] === c)).toHaveLength(2);
  });
  test('all six orders of a triangle equally often', () => {
    const orders = triangleOrders(12, seeded(2));
    for (const t of TRIANGLES) expect(orders.filter((o) => o === t)).toHaveLength(2);
  });
});

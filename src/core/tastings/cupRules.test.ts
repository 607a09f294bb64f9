import { celsius, millilitres, seconds } from '../units';
import { cupCounts, cupsFor, type CupWish, usualCupCount } from './cupRules';
import type { PlannedCup } from './schedule';

const house: PlannedCup = { grams: 3, water: 150, celsius: 90, seconds: 180 };
const recipe = { later: [] };
const cups = (wish: CupWish, n = 4) => cupsFor(house, recipe, wish, n);

// By hand from the rules of the trade: the house cup is always among them, and one thing differs.
test.each([
  ['seconds', [30, 90, 180, 270]], // shares of the house time, as times are said aloud
  ['grams', [1.8, 2.5, 3.5, 4.8]], // each the same share more than the one before
  ['celsius', [78, 83, 89, 94]],
] as const)('a ladder of %s', (way, values) => {
  const made = cups({ kind: 'ladder', way });
  expect(made.map((c) => c[way])).toEqual(values);
  for (const other of (['grams', 'celsius', 'seconds'] as const).filter((w) => w !== way))
    expect(new Set(made.map((c) => c[other]))).toEqual(new Set([house[other]]));
});
test('the hottest cup of a ladder is 98 °C', () =>
  expect(
    Math.max(
      ...cupsFor({ ...house, celsius: 97 }, recipe, { kind: 'ladder', way: 'celsius' }, 4).map(
        (c) => c.celsius,
      ),
    ),
  ).toBe(98));
test.each([
  ['seconds', 235], // 180 x 1.3 = 234
  ['grams', 3.6],
  ['water', 180],
  ['celsius', 82],
] as const)('a pair that differs in %s: the house cup and one just different', (way, other) => {
  const made = cups({ kind: 'pair', way });
  expect(made[0]).toEqual(house);
  expect(made.map((c) => c[way])).toEqual([house[way], other]);
  expect(made).toHaveLength(2);
});
test('a calibration has the house cup, a longer and a shorter one', () =>
  expect(cups({ kind: 'calibration', way: 'seconds' }, 3).map((c) => c.seconds)).toEqual([
    180, 270, 110,
  ]));
test('infusers side by side: the same cup in each', () => {
  const made = cups(
    { kind: 'comparison', way: 'seconds', compares: 'infuser', infusers: ['free', 'ball', 'deep'] },
    2,
  );
  expect(made).toEqual([
    { ...house, infuser: 'free' },
    { ...house, infuser: 'ball' },
  ]);
});
test('steeps of one leaf: the recipe’s own times, then each a quarter longer', () => {
  const later = [
    {
      earliest: seconds(100),
      best: seconds(150),
      latest: seconds(200),
      celsius: celsius(90),
      water: millilitres(150),
    },
  ];
  const made = cupsFor(
    house,
    { later } as never,
    { kind: 'comparison', way: 'seconds', compares: 'steep' },
    3,
  );
  expect(made.map((c) => [c.steep, c.seconds])).toEqual([
    [1, 180],
    [2, 150],
    [3, 280], // 180 x 1.25 x 1.25 = 281
  ]);
});
test('a dial-in begins with the house cup alone', () =>
  expect(cups({ kind: 'dialIn', way: 'seconds' })).toEqual([house]));

test('a comparison of stirring, of the cups of a pot, of hot and cold: what differs is named, all else is alike', () => {
  const compare = (compares: 'stirring' | 'poured' | 'hotCold', n: number) =>
    cups({ kind: 'comparison', way: 'seconds', compares }, n);
  expect(compare('stirring', 2)).toEqual([
    { ...house, stirred: false },
    { ...house, stirred: true },
  ]);
  expect(compare('poured', 3).map((c) => c.poured)).toEqual([
    ...[1, 2, 3].map((place) => ({ place, of: 3 })),
  ]);
  const hours = (n: number) => compare('hotCold', n).map((c) => [c.celsius, c.seconds / 3600]);
  expect(hours(3)).toEqual([
    [90, 0.05],
    [4, 4],
    [4, 10],
  ]);
  expect(hours(2)).toHaveLength(2);
});
test('how many cups may be chosen, and how many there are at first', () => {
  const wish = (compares?: CupWish['compares']): CupWish => ({
    ...{ kind: 'comparison', way: 'seconds' },
    ...(compares && { compares }),
  });
  expect(cupCounts(wish('stirring'))).toEqual([2]);
  expect(usualCupCount(wish('poured'))).toBe(3);
  expect(cupCounts({ kind: 'pair', way: 'seconds' })).toEqual([]);
  expect(usualCupCount({ kind: 'ladder', way: 'seconds' })).toBe(4);
});

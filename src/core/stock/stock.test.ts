import { isRunningOut, leafCost, leafText, stockOf, stockWords, usedPerDay } from '#core/stock';
import { epochMs, grams } from '#core/units';

/** Saturday, 28 February 2026, noon in London. */
const NOW = epochMs(Date.parse('2026-02-28T12:00:00Z'));
const DAY = 86_400_000;
const ago = (days: number) => epochMs(NOW - days * DAY);
const use = (days: number, g: number) => ({ at: ago(days), grams: grams(g) });
const counted = (g: number) => ({ grams: grams(g), at: ago(10) });
const words = (left: number, perDay: number) =>
  stockWords(stockOf(counted(left), grams(0), grams(perDay)), NOW, 'Europe/London', (day) => day);

describe('how much is used a day', () => {
  test('over the days that are known: 60 g in ten days', () =>
    expect(usedPerDay([use(10, 20), use(5, 20), use(1, 20)], NOW)).toBeCloseTo(6, 10));
  test('what is older than 28 days, or still to come, does not count', () =>
    expect(usedPerDay([use(40, 5000), use(20, 40), use(-1, 5000)], NOW)).toBeCloseTo(2, 10));
  test('of fewer than three days, or of nothing, nothing is said', () => {
    expect(usedPerDay([use(2, 100), use(1, 100)], NOW)).toBeNull();
    expect(usedPerDay([], NOW)).toBeNull();
  });
});

describe('what is left, in words', () => {
  test('not counted, used up, too little known', () => {
    expect(stockOf(null, grams(5), grams(3)).kind).toBe('notCounted');
    expect(stockOf(counted(100), grams(130), grams(3)).kind).toBe('gone');
    expect(stockOf(counted(100), grams(30), null)).toEqual({
      ...{ kind: 'left', left: 70, perDay: null },
    });
  });
  // 28 February 2026 is a Saturday; 30 days on it is 30 March.
  test.each([
    [10, 20, 'about 10 g left, 20 g a day: runs out today'],
    [25, 20, 'about 25 g left, 20 g a day: runs out about tomorrow'],
    [105, 20, 'about 105 g left, 20 g a day: runs out about Thursday'],
    [600, 20, 'about 600 g left, 20 g a day: runs out about 2026-03-30'],
    [5000, 20, 'about 5 kg left: lasts more than 120 days'],
  ])('%d g at %d g a day', (left, perDay, says) => expect(words(left, perDay)).toBe(says));
  test('a week ahead somebody should order', () => {
    const stock = (left: number) => stockOf(counted(left), grams(0), grams(10));
    expect([60, 70, 0].map((left) => isRunningOut(stock(left)))).toEqual([true, false, true]);
    expect(isRunningOut(stockOf(null, grams(0), grams(10)))).toBe(false);
  });
  test('a kilogram from a thousand grams on', () =>
    expect([999, 1000, 1250].map((g) => leafText(grams(g)))).toEqual(['999 g', '1 kg', '1.25 kg']));
});

test('a cup of 150 ml by hand: 1.2 g per 100 ml is 1.8 g; at 8 for 100 g that is 0.144, a third over three steeps', () => {
  expect(leafCost(8, 1.2, 1)).toBeCloseTo(0.144, 12);
  expect(leafCost(8, 1.2, 3)).toBeCloseTo(0.048, 12);
  expect(leafCost(8, 1.2, 0)).toBeCloseTo(0.144, 12);
});

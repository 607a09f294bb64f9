import fc from 'fast-check';
import {
  bestRescue,
  houseTaste,
  RESCUE_TASKS,
  rescued,
  rescueTask,
  scoreRescue,
  SPLIT_SHARES,
  splitCup,
} from '#core/corrections';
import { brewCup } from '#core/cup';
import { seeded } from '#core/numeric';
import { houseBrew, startingRecipe } from '#core/recipes';
import { STYLE_IDS } from '#core/styles';
import { millilitres, seconds } from '#core/units';

const houseOf = (style: (typeof STYLE_IDS)[number]) =>
  houseBrew({ style, fitted: null }, startingRecipe(style));
const tasks = fc.record({
  style: fc.constantFrom(...STYLE_IDS),
  seed: fc.integer({ min: 1, max: 1e6 }),
  kind: fc.constantFrom(...RESCUE_TASKS),
});

test('the same chance draws the same cup; each kind comes up when none is asked for', () => {
  const house = houseOf('black-whole');
  expect(rescueTask(house, seeded(5))).toEqual(rescueTask(house, seeded(5)));
  expect(new Set(Array.from({ length: 60 }, (_, i) => rescueTask(house, seeded(i)).kind))).toEqual(
    new Set(RESCUE_TASKS),
  );
});
test('the best answer comes to the house cup’s strength, whatever the tea and the fault', () => {
  fc.assert(
    fc.property(tasks, ({ style, seed, kind }) => {
      const t = rescueTask(houseOf(style), seeded(seed), kind);
      const best = bestRescue(t);
      if (best === null || best === 0 || best === t.most) return;
      expect(best).toBeGreaterThan(0);
      expect(Math.abs(rescued(t, best).taste.strength - houseTaste(t).strength)).toBeLessThan(0.05);
      expect(scoreRescue(t, best)).toBe('right');
    }),
    { seed: 3, numRuns: 150 },
  );
});
test('most faults can be rescued on their range', () => {
  const found = STYLE_IDS.flatMap((style) =>
    RESCUE_TASKS.flatMap((kind) =>
      [1, 2, 3].map((seed) => {
        const t = rescueTask(houseOf(style), seeded(seed), kind);
        const b = bestRescue(t);
        return b !== null && b > 0 && b < t.most;
      }),
    ),
  );
  expect(found.filter(Boolean).length / found.length).toBeGreaterThan(0.85);
});
test('water makes it weaker, less bitter and paler, and there is more of it', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...STYLE_IDS),
      fc.integer({ min: 1, max: 1e6 }),
      fc.integer({ min: 0, max: 110 }),
      (style, seed, ml) => {
        const t = rescueTask(houseOf(style), seeded(seed), 'over');
        const [less, more] = [rescued(t, ml), rescued(t, ml + 10)];
        expect(more.taste.strength).toBeLessThanOrEqual(less.taste.strength);
        expect(more.taste.bitterness).toBeLessThanOrEqual(less.taste.bitterness);
        expect(more.volume).toBe(less.volume + 10);
        for (const [p, g] of Object.entries(more.liquor.amounts))
          expect(g).toBeLessThanOrEqual((less.liquor.amounts as Record<string, number>)[p] ?? 0);
      },
    ),
    { seed: 4, numRuns: 80 },
  );
});
test('a blend lies between its two; all of one is that one', () => {
  const t = rescueTask(houseOf('green-steamed'), seeded(9), 'blend');
  const [strong, weak, half] = [rescued(t, 0), rescued(t, t.volume), rescued(t, t.volume / 2)];
  expect(strong.taste.strength).toBeGreaterThan(half.taste.strength);
  expect(half.taste.strength).toBeGreaterThan(weak.taste.strength);
  expect(half.volume).toBe(t.volume);
});
test('a split at any share: solutes are kept, both cups are alike, half and half gives two full cups', () => {
  const brew = houseOf('black-broken');
  const cup = brewCup({ ...brew, time: seconds(brew.time * 2) });
  for (const share of [0.1, ...SPLIT_SHARES, 0.6]) {
    const s = splitCup(brew, cup, millilitres(200), share);
    // What was in the cup is in the two: by hand, liquor is (200 - off) + off.
    expect(200 - s.pouredOff + s.pouredOff).toBeCloseTo(200, 9);
    // Water to liquor is the same in both.
    expect(s.topUp / (200 - s.pouredOff)).toBeCloseTo(s.secondTopUp / s.pouredOff, 9);
    expect(s.second).toBeCloseTo(s.pouredOff + s.secondTopUp, 9);
    expect(s.taste.strength).toBeLessThan(cup.taste.strength);
  }
  const half = splitCup(brew, cup, millilitres(200), 0.5);
  expect([half.pouredOff, half.topUp, half.secondTopUp, half.second]).toEqual([100, 100, 100, 200]);
  expect(() => splitCup(brew, cup, millilitres(200), 1)).toThrow(RangeError);
});
test('an answer far off is called so', () => {
  const t = rescueTask(houseOf('black-whole'), seeded(2), 'over');
  expect(scoreRescue(t, 0)).toBe('off');
});

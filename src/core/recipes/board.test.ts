import fc from 'fast-check';
import {
  type BoardAsk,
  boardOf,
  type BoardVessel,
  planServing,
  startingRecipe,
  waterForLeaf,
} from '#core/recipes';
import { celsius, epochMs, grams, millilitres, SPOONS } from '#core/units';
import type { VesselKind } from '#core/vessels';

const vessel = (id: string, mark: number, kind: VesselKind = 'pot'): BoardVessel => ({
  id,
  facts: {
    kind,
    brim: millilitres(mark * 1.2),
    mark: millilitres(mark),
    infuser: 'deep',
    basket: millilitres(mark * 0.4),
    material: 'porcelain',
    wallGrams: null,
    lid: true,
  },
});
const ask: BoardAsk = {
  tea: { style: 'green-pan', fitted: null, weighing: null, spoon: SPOONS.dessertSpoon },
  recipe: startingRecipe('green-pan'),
  method: 'pot',
  warmed: false,
  site: {
    altitudeM: 0,
    measuredBoiling: null,
    coldWater: celsius(12),
    ambient: celsius(20),
    pourLoss: null,
    kettle: { volume: millilitres(1700), material: 'stainless', lid: true },
  },
};
const SHELF = [
  vessel('white', 500),
  vessel('grey', 800),
  vessel('small', 300),
  vessel('glass', 600),
];
const BY = epochMs(1_800_000_000_000);
const planned = (cups: number, cup = 180, shelf = SHELF) => {
  const s = planServing(ask, shelf, { cups, cup: millilitres(cup), by: BY });
  if (s.kind !== 'planned') throw new Error(s.kind);
  return s;
};

test('eighteen cups: largest vessels first, enough, hardly over, each at most to its mark, once a round', () => {
  const s = planned(18);
  expect(s.rounds).toHaveLength(2);
  expect(s.rounds[0]?.pours.map((p) => p.vessel.id)).toEqual(['grey', 'glass', 'white', 'small']);
  expect(s.liquor).toBeGreaterThanOrEqual(18 * 180 * 0.985);
  expect(s.liquor).toBeLessThan(18 * 180 + 60);
  for (const r of s.rounds) {
    expect(new Set(r.pours.map((p) => p.vessel.id)).size).toBe(r.pours.length);
    for (const p of r.pours) expect(p.water).toBeLessThanOrEqual(p.vessel.facts.mark);
  }
});
test('a small cup is poured only for the last of it; a short steep takes fewer pots a round', () => {
  const shelf = [...SHELF, vessel('cup', 120, 'lidded')];
  const s = planned(18, 180, shelf);
  expect(
    s.rounds.flatMap((r) => r.pours).filter((p) => p.vessel.id === 'cup' && p.water > 115),
  ).toEqual([]);
  const quick = planServing(
    { ...ask, recipe: { ...ask.recipe, window: { earliest: 20, best: 30, latest: 40 } as never } },
    SHELF,
    { cups: 18, cup: millilitres(180), by: BY },
  );
  expect(quick.kind === 'planned' && Math.max(...quick.rounds.map((r) => r.pours.length))).toBe(2);
});
test('the last lift comes before the guests; a round begins after the one before is lifted', () => {
  const { rounds } = planned(18);
  rounds.forEach((r, i) => {
    const last = r.liftFrom + (r.pours.length - 1) * 30_000;
    expect(last).toBeLessThanOrEqual(BY - 60_000);
    expect(r.liftFrom - r.pourFrom).toBe(ask.recipe.window.best * 1000);
    const next = rounds[i + 1];
    if (next) expect(next.pourFrom).toBeGreaterThanOrEqual(last);
  });
});
test('what is poured first waits and cools', () => {
  const [one, two] = [planned(3), planned(18)];
  expect(two.firstWaits).toBeGreaterThan(one.firstWaits);
  expect(two.firstAt).toBeLessThan(one.firstAt);
  expect(two.firstAt).toBeGreaterThan(20);
});
test('kettle fillings follow the water', () => {
  expect(planned(2).fillings).toBe(1);
  expect(planned(18).fillings).toBe(Math.ceil(planned(18).water / 1530));
});
test('nothing to pour with, and more than a service, are said', () => {
  expect(planServing(ask, [], { cups: 3, cup: millilitres(180), by: BY }).kind).toBe('noVessel');
  expect(
    planServing(ask, [vessel('only', 150)], { cups: 60, cup: millilitres(180), by: BY }),
  ).toEqual({ kind: 'tooMany', rounds: expect.any(Number) as number });
  expect(() => planned(0)).toThrow(RangeError);
});
test('so much leaf makes so much: the dose turned round', () => {
  const { water, liquor } = waterForLeaf(ask, grams(11));
  expect(water).toBeCloseTo(1100 / ask.recipe.dose, 8);
  expect(water - liquor).toBeCloseTo(3.3 * 11, 8);
});
test('every vessel gets its row, a card or its fault', () =>
  expect(
    boardOf({ ...ask, recipe: { ...ask.recipe, dose: 40 as never } }, SHELF).map(
      (r) => r.card.kind,
    ),
  ).toEqual(['belowBasket', 'belowBasket', 'belowBasket', 'belowBasket']));
test('any service is enough and wastes less than half a vessel', () =>
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 60, max: 300 }), (cups, cup) => {
      const s = planned(cups, cup);
      expect(s.liquor).toBeGreaterThanOrEqual(cups * cup * 0.985);
      expect(s.liquor).toBeLessThanOrEqual(cups * cup + 400);
      expect(s.leaf).toBeGreaterThan(0);
    }),
    { seed: 20260701, numRuns: 150 },
  ));
test('what stays in a vessel when it is poured empty is poured on top, for the last pot too', () => {
  const dead = SHELF.map((v) => ({ ...v, facts: { ...v.facts, dead: millilitres(40) } }));
  for (const cups of [1, 2, 3, 7])
    expect(planned(cups, 180, dead).liquor).toBeGreaterThanOrEqual(cups * 180 * 0.985);
});

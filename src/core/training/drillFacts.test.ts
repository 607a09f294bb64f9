import { USUAL_HOUSE_LIMITS } from '#core/cold';
import { seeded } from '#core/numeric';
import { startingRecipe } from '#core/recipes';
import { sampleDrillFacts } from '#core/testing';
import {
  drawFigure,
  drawPick,
  drillFactsOf,
  drillTeasOf,
  type DrillVessel,
  learnerFigure,
  learnerPicks,
  workFigure,
  workPick,
} from '#core/training';
import { celsius, grams, millilitres, SPOONS } from '#core/units';

const book = (over: Partial<Parameters<typeof drillTeasOf>[0]> = {}) => {
  const hot = startingRecipe('green-pan', 'pot');
  const cold = startingRecipe('green-pan', 'fridge');
  return {
    ...({ name: 'Sennet Hollow', style: 'green-pan', fitted: null, retired: false } as const),
    ...({ method: 'pot', house: { recipe: hot } } as const),
    recipes: [
      { method: 'pot', house: { recipe: hot } },
      { method: 'fridge', house: { recipe: cold } },
      { method: 'extract', house: null },
    ] as const,
    measure: { spoon: SPOONS.metricTeaspoon, weighing: null },
    lots: [],
    ...over,
  };
};
const vessel = (over: Partial<DrillVessel> = {}): DrillVessel => ({
  ...({ name: 'White pot', kind: 'pot', infuser: 'deep', material: 'porcelain' } as const),
  ...{ brim: millilitres(620), mark: millilitres(500), basket: null, wallGrams: null, lid: true },
  ...over,
});
const PITCHER = vessel({
  ...({ name: 'Cold pitcher', kind: 'pitcher', infuser: 'free', material: 'glass' } as const),
  ...{ brim: millilitres(1150), mark: millilitres(1000) },
});
const SITE = {
  ...{ altitudeM: 4, measuredBoiling: null, coldWater: celsius(12), ambient: celsius(20) },
  pourLoss: null,
  kettle: { volume: millilitres(1700), material: 'stainless', lid: true },
} as const;
const facts = (over: Partial<Parameters<typeof drillFactsOf>[0]> = {}) =>
  drillFactsOf({
    ...{ teas: drillTeasOf(book()), vessels: [vessel(), PITCHER], site: SITE },
    ...{ limits: USUAL_HOUSE_LIMITS, open: null, gradient: null },
    ...over,
  });

describe('teas of the Book', () => {
  test('by the hot house recipe, and by each cold one that is the house’s', () => {
    expect(drillTeasOf(book()).map((t) => t.method)).toEqual(['pot', 'fridge']);
    expect(drillTeasOf(book({ house: null })).map((t) => t.method)).toEqual(['fridge']);
    expect(drillTeasOf(book({ retired: true }))).toEqual([]);
  });
});

describe('what a house is asked about', () => {
  test('hot cups in pots, never in a pitcher; cold teas in the pitcher', () => {
    const found = facts();
    expect(found.cups.map((c) => c.vessel)).toEqual(['White pot']);
    expect(found.cold.teas).toEqual(['Sennet Hollow']);
    expect(found.cold.plans).toHaveLength(1);
    expect(found.cold.pitchers.map((p) => p.name)).toEqual(['Cold pitcher']);
  });
  test('a spoon is asked about only of a tea that was weighed', () => {
    expect(facts().weighed).toEqual([]);
    const weighing = { spoon: SPOONS.dessertSpoon, spoons: 5, weighed: grams(12), singles: [] };
    const teas = drillTeasOf(book({ measure: { spoon: SPOONS.metricTeaspoon, weighing } }));
    expect(facts({ teas }).weighed).toEqual([
      { tea: 'Sennet Hollow', spoon: { name: 'dessert spoon', ml: 10 }, grams: 2.4 },
    ]);
  });
  test('hours of the first day that is open; nine to six where none are known or a day ends after midnight', () => {
    const week = (range: [string, string]) =>
      [[], [range], [], [], [], [], []] as unknown as Parameters<typeof drillFactsOf>[0]['open'];
    expect(facts({ open: week(['07:30', '22:15']) }).cold.open).toEqual({ from: 450, to: 1335 });
    expect(facts({ open: week(['18:00', '02:00']) }).cold.open).toEqual({ from: 540, to: 1080 });
    expect(facts().cold.open).toEqual({ from: 540, to: 1080 });
  });
  test('hours at the counter only where the house allows the counter', () => {
    expect(facts().cold.limits.counterHours).toBeNull();
    const limits = { ...USUAL_HOUSE_LIMITS, counterAllowed: true };
    expect(facts({ limits }).cold.limits.counterHours).toBe(4);
  });
});

describe('a house without the counter', () => {
  const { cold } = sampleDrillFacts();
  const none = {
    ...sampleDrillFacts(),
    cold: { ...cold, limits: { ...cold.limits, counterHours: null } },
  };
  test('is never asked about it', () => {
    for (let seed = 0; seed < 80; seed++) {
      const question = drawPick('holding', none, 5, seeded(seed));
      expect(JSON.stringify(question)).not.toContain('"counter"');
      expect(workPick(question)?.known.join(' ')).not.toMatch(/counter/);
    }
  });
});

describe('made-up learners', () => {
  const house = sampleDrillFacts();
  const [sure, lost] = [
    { sees: 1, sizeOff: 0 },
    { sees: 0, sizeOff: 0 },
  ];
  test('who sees it is right; who does not makes a mistake of the drill', () => {
    for (let seed = 0; seed < 30; seed++) {
      const question = drawFigure('scale', house, 3, seeded(seed));
      const figure = workFigure(question);
      if (!figure) throw new Error('no question');
      expect(learnerFigure(figure, 3, sure, seeded(1)).value).toBe(figure.shown);
      const { value } = learnerFigure(figure, 3, lost, seeded(seed));
      expect(figure.mistakes.map((m) => m.value)).toContain(value);
    }
  });
  test('picks of who sees it are right, one of each part', () => {
    const question = drawPick('which', house, 3, seeded(4));
    const worked = workPick(question);
    if (!worked) throw new Error('no question');
    const { picks } = learnerPicks(worked, sure, seeded(1));
    expect(picks).toEqual(worked.parts.map((p) => p.right));
    expect(learnerPicks(worked, lost, seeded(2)).picks.every((p) => p.length === 1)).toBe(true);
  });
});

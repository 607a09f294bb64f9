import { toCardInput } from '#core/brews';
import { seeded } from '#core/numeric';
import {
  computeCard,
  movedRecipe,
  type Recipe,
  recipeFault,
  type SpoonDose,
  spoonDoseText,
  spoonsText,
  spoonsTimes,
  startingRecipe,
  type Weighing,
  workOutCold,
} from '#core/recipes';
import { celsius, grams, gramsPer100Ml, millilitres, seconds, SPOONS, toMl } from '#core/units';
import { potPour } from '../testing/potPour';

const scoop = { ...SPOONS.usTablespoon, id: 'scoop', name: 'scoop', plural: 'scoops' };
/** "1 scoop per 8 fl oz". */
const dose: SpoonDose = { quarters: 4, spoon: scoop, water: toMl(8, 'usFlOz') };
const recipe: Recipe = { ...startingRecipe('green-pan'), spoons: dose };
const cardInput = () => toCardInput(potPour('green-pan'));
const weighing = (each: number): Weighing => ({
  ...{ spoon: scoop, spoons: 1, weighed: grams(each), singles: [] },
});
const cardOf = (water: number, weighed: Weighing | null, over: Partial<Recipe> = {}) => {
  const base = cardInput();
  const card = computeCard({
    ...base,
    recipe: { ...recipe, ...over },
    tea: { ...base.tea, weighing: weighed },
    vessel: {
      ...base.vessel,
      brim: millilitres(5000),
      mark: millilitres(4000),
      infuser: 'free',
      basket: null,
    },
    water: millilitres(water),
  });
  if (card.kind !== 'card') throw new Error(card.kind);
  return card;
};

describe('counts of the trade', () => {
  // One tablespoon per 8 fl oz: 32 fl oz take 4, 48 take 6. One scoop per 8 fl oz: a 16 fl oz jug takes 2.
  test.each([
    [16, '2 level scoops'],
    [32, '4 level scoops'],
    [48, '6 level scoops'],
    [8, '1 level scoop'],
    [12, '1½ level scoops'],
  ])('%i fl oz take %s', (ounces, words) => {
    const card = cardOf(toMl(ounces, 'usFlOz'), null);
    expect(card.countsSpoons).toBe(true);
    expect(card.spoons && spoonsText(card.spoons)).toBe(words);
  });
});

test('weighing adds the grams and never changes the count', () => {
  const random = seeded(20);
  for (let i = 0; i < 200; i += 1) {
    const water = 100 + Math.round(random() * 3000);
    const before = cardOf(water, null).spoons?.quarters ?? 0;
    const each = 0.8 + random() * 6;
    const card = cardOf(water, weighing(each));
    expect(card.spoons?.quarters).toBe(before);
    // The leaf is what the spoons hold.
    expect(card.leaf).toBeCloseTo((before / 4) * each, 1);
  }
});
test('half-way between two quarters the count does not hang on the last digit of a weight', () => {
  // 4.5 quarters for 270 ml at 1 per 240 ml.
  const half = { spoons: { ...dose, water: millilitres(240) } };
  const counts = [1.1, 2.3, 3.7, 4.9].map((g) => cardOf(270, weighing(g), half).spoons?.quarters);
  expect(new Set(counts)).toEqual(new Set([5]));
  expect(cardOf(270, null, half).spoons?.quarters).toBe(5);
});
test('a cold recipe counts its spoons too', () => {
  const base = cardInput();
  const vessel = {
    ...base.vessel,
    brim: millilitres(2000),
    infuser: 'free' as const,
    basket: null,
  };
  const cold = { ...startingRecipe('green-pan', 'fridge'), spoons: dose };
  const counted = [null, weighing(2.6)].map((w) =>
    workOutCold({ ...base.tea, weighing: w }, cold, vessel, toMl(32, 'usFlOz')),
  );
  expect(counted).toMatchObject([
    { kind: 'coldCard', spoons: { quarters: 16 } },
    { kind: 'coldCard', spoons: { quarters: 16 }, leaf: 10.4 },
  ]);
});
test('a guest who likes it stronger gets more of the same spoons', () => {
  const asked = { ...cardInput(), recipe, water: millilitres(500) };
  const input = { ...asked, tea: { ...asked.tea, weighing: weighing(2.6) } };
  const house = computeCard(input);
  const stronger = computeCard({ ...input, wish: { strength: 1, milk: 'none' } });
  if (house.kind !== 'card' || stronger.kind !== 'card') throw new Error('no card');
  expect(stronger.spoons?.spoon.name).toBe('scoop');
  expect(stronger.spoons?.quarters).toBeGreaterThan(house.spoons?.quarters ?? 99);
  expect(stronger.leaf).toBeCloseTo(((stronger.spoons?.quarters ?? 0) / 4) * 2.6, 1);
});

describe('changed', () => {
  test.each([
    [1.25, 5, 1],
    // An eighth more: 2¼ for twice the water.
    [1.125, 9, 2],
    [1.0625, 17, 4],
    [0.5, 2, 1],
    [1, 4, 1],
  ])('leaf × %f is %i quarters for %i times the water', (factor, quarters, times) => {
    const changed = spoonsTimes(dose, factor);
    expect(changed.quarters).toBe(quarters);
    expect(changed.water).toBeCloseTo(dose.water * times, 6);
  });
  test('any change between half and double is met within 7 %', () => {
    const random = seeded(7);
    for (let i = 0; i < 300; i += 1) {
      const factor = 0.5 + 1.5 * random();
      const { quarters, water } = spoonsTimes(dose, factor);
      const got = quarters / water / (dose.quarters / dose.water);
      expect(Math.abs(got / factor - 1)).toBeLessThan(0.07);
    }
  });
  test('a moved recipe holds what its new count holds', () => {
    const to = {
      dose: gramsPer100Ml(recipe.dose * 1.3),
      ...{ temperature: celsius(80), best: seconds(120) },
    };
    const moved = movedRecipe(recipe, to);
    expect(moved.spoons?.quarters).toBe(5);
    expect(moved.dose).toBeCloseTo(recipe.dose * 1.25, 6);
  });
});

test('spoons are refused where leaf is not in step with the water, and in bags', () => {
  const tapered = {
    school: 'tapered' as const,
    small: { water: millilitres(300), leaf: grams(4) },
    large: { water: millilitres(900), leaf: grams(9) },
  };
  expect(recipeFault(recipe, 'pot')).toBeNull();
  expect(recipeFault({ ...recipe, scaling: tapered }, 'pot')?.field).toBe('spoons');
  expect(recipeFault(recipe, 'bag')?.field).toBe('spoons');
});
test('read aloud', () => {
  expect(spoonDoseText(dose, 'usFlOz').replace(/\s/g, ' ')).toBe('1 level scoop per 8 fl oz');
});

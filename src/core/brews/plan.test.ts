import { predict } from '#core/corrections';
import { type Recipe, startingRecipe, type Weighing } from '#core/recipes';
import {
  celsius,
  grams,
  gramsPer100Ml,
  type Millilitres,
  millilitres,
  type Seconds,
  seconds,
  SPOONS,
} from '#core/units';
import type { VesselFacts } from '#core/vessels';
import {
  cardOf,
  knownFrom,
  leafAsWeighed,
  planAgain,
  type PlannedPour,
  planOf,
  toModelInput,
} from '.';
import { withLeafBack } from './plan';

const RECIPE = startingRecipe('black-whole');
const pour = (water: number, over: object = {}) =>
  ({
    tea: {
      style: 'black-whole',
      fitted: null,
      swatches: null,
      measure: { spoon: SPOONS.dessertSpoon, weighing: null },
      lots: [],
    },
    version: { recipe: RECIPE },
    vessel: {
      kind: 'pot',
      brim: millilitres(620),
      mark: millilitres(500),
      infuser: 'deep',
      basket: millilitres(230),
      material: 'porcelain',
      wallGrams: null,
      lid: true,
    },
    site: {
      altitudeM: 0,
      measuredBoiling: null,
      coldWater: celsius(12),
      ambient: celsius(20),
      pourLoss: null,
      kettle: { volume: millilitres(1700), material: 'stainless', lid: true },
    },
    water: millilitres(water),
    warmed: true,
    ...over,
  }) as const satisfies PlannedPour<typeof RECIPE, VesselFacts>;
const plan = (water: Millilitres | number = 500) => {
  const asked = pour(water);
  const card = cardOf(asked);
  if (card.kind !== 'card') throw new Error(card.kind);
  return planOf(card, asked);
};

test('a plan keeps what its brew needs: leaf by the dose, the water that is poured, the recipe and the vessel as they are', () => {
  const kept = plan();
  // 500 ml at the recipe's dose, to the 0.1 g a scale shows.
  expect(kept.leaf).toBeCloseTo(RECIPE.dose * 5, 1);
  expect(kept).toMatchObject({ water: 500, recipe: RECIPE, warmed: true, reachable: true });
  expect(kept.vessel).toEqual(pour(500).vessel);
});
test('more than the vessel holds is a fault, not a plan', () =>
  expect(cardOf(pour(700))).toMatchObject({ kind: 'overBrim', brim: 620 }));
test('spoons are counted by the weighing of the lot in use, before that of the tea', () => {
  const spoon = SPOONS.dessertSpoon;
  const weighing = (g: number) => ({ spoon, spoons: 1, weighed: grams(g), singles: [] });
  const tea = { ...pour(500).tea, measure: { spoon, weighing: weighing(2) } };
  const lots = [{ state: 'inUse' as const, weighing: weighing(1) }];
  const spoons = (given: object) => {
    const asked = pour(500, { tea: given });
    const card = cardOf(asked);
    return card.kind === 'card' ? parseFloat(planOf(card, asked).spoons ?? '') : null;
  };
  expect(spoons({ ...tea, lots })).toBeGreaterThan((spoons(tea) ?? 0) * 1.5);
});
test('leaf that was counted before a spoon was weighed is known once one is', () => {
  const spoons = { quarters: 4, spoon: SPOONS.metricTablespoon, water: millilitres(240) };
  const recipe: Recipe = { ...RECIPE, dose: gramsPer100Ml(1.25), spoons };
  const kept = { leaf: grams(6), spoonsUnweighed: true, recipe };
  const twice: Weighing = {
    ...{ spoon: SPOONS.metricTablespoon, spoons: 2, weighed: grams(9), singles: [] },
  };
  // 15 ml taken for 3 g weigh 4.5 g.
  expect(leafAsWeighed(kept, twice)).toMatchObject({ leaf: 9, recipe: { dose: 1.875 } });
  expect(leafAsWeighed(kept, null)).toBe(kept);
  const known = { ...kept, spoonsUnweighed: undefined };
  expect(leafAsWeighed(known, twice)).toBe(known);
});
test('the tea of a plan is the tea as it was then', () => {
  const fitted = { rate: 1.2, pool: 1, bite: 1, sensitivity: 1 };
  expect(knownFrom({ fitted, swatches: null }, 'black-whole')).toEqual({
    style: 'black-whole',
    fitted,
    swatches: null,
  });
});
test('leaf put back moves the window of the plan and nothing else', () => {
  const kept = plan();
  const { recipe, ...rest } = withLeafBack(kept, seconds(60), 30);
  expect(recipe.window.best).toBeCloseTo(90);
  expect({ ...rest, recipe: kept.recipe }).toEqual(kept);
});
test('a next steep: same leaf, its own window, no spoons; the model meets leaf that has given', () => {
  const kept = plan();
  const { next, plan: second } = planAgain(kept, 'black-whole', seconds(240));
  expect(next).toMatchObject({ kind: 'again', number: 2 });
  expect(second).toMatchObject({
    leaf: kept.leaf,
    spoons: null,
    steep: { number: 2, past: [240] },
  });
  const strength = (p: typeof kept, time: Seconds) =>
    predict(toModelInput(p, 'black-whole', time)).strength;
  expect(second && strength(second, seconds(240))).toBeLessThan(strength(kept, seconds(240)));
});
test('steep after steep the leaf is spent at last, and says so', () => {
  let kept = plan();
  for (let n = 2; n < 12; n++) {
    const { next, plan: again } = planAgain(kept, 'black-whole', seconds(300));
    if (!again) {
      expect(next.kind).toBe('spent');
      return;
    }
    kept = again;
  }
  throw new Error('never spent');
});

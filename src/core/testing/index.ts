import { type BatchPlan, planBatch, USUAL_HOUSE_LIMITS } from '#core/cold';
import { startingRecipe } from '#core/recipes';
import type { DrillCup, DrillFacts } from '#core/training';
import { celsius, millilitres, SPOONS } from '#core/units';

// What tests of several layers begin with.

/** A litre in a glass pitcher of 1150 ml, by the first recipe of a style, in a fridge of 4 C. */
export function samplePlan(method: 'fridge' | 'extract' | 'warmThenCold'): BatchPlan {
  const style = method === 'extract' ? 'black-broken' : 'green-pan';
  const planned = planBatch({
    tea: { style, fitted: null, spoon: SPOONS.dessertSpoon, weighing: null },
    recipe: startingRecipe(style, method),
    method,
    vessel: {
      kind: 'pitcher',
      brim: millilitres(1150),
      mark: millilitres(1000),
      infuser: 'free',
      basket: null,
      material: 'glass',
      wallGrams: null,
      lid: true,
    },
    water: millilitres(1000),
    waterAt: celsius(8),
    air: celsius(4),
    ambient: celsius(20),
    limits: USUAL_HOUSE_LIMITS,
  });
  if (planned.kind !== 'plan') throw new Error(planned.kind);
  return planned.plan;
}

/** A cup of a house, for questions about it. */
export const sampleDrillCup = (over: Partial<DrillCup> = {}): DrillCup => ({
  ...{ tea: 'Tolvane Amber', vessel: 'Grey pot', style: 'black-whole', fitted: null },
  ...{ leafGrams: 6, waterMl: 500, temperatureC: 92, seconds: 210, warm: true, lid: true },
  ...{ material: 'stoneware', capacityMl: 620, infuser: 'deep', basketMl: 230 },
  ...{ ambientC: 20, boilingC: 99.96, pourLoss: 0.06 },
  ...over,
});

/** A house of three teas in three vessels, for questions of every drill. */
export function sampleDrillFacts(): DrillFacts {
  const vessels = [
    { vessel: 'White pot', material: 'porcelain', capacityMl: 620, waterMl: 500, basketMl: 230 },
    { vessel: 'Grey pot', material: 'stoneware', capacityMl: 960, waterMl: 800, basketMl: 330 },
    { vessel: 'Glass pot', material: 'glass', capacityMl: 760, waterMl: 600, basketMl: 250 },
  ] as const;
  const teas = [
    { tea: 'Tolvane Amber', style: 'black-whole', per: 1.2, temperatureC: 90, seconds: 210 },
    { tea: 'Sennet Hollow', style: 'green-pan', per: 1.3, temperatureC: 80, seconds: 120 },
    { tea: 'Corrow Roast', style: 'oolong-dark', per: 1.6, temperatureC: 93, seconds: 180 },
  ] as const;
  const cups = teas.flatMap(({ per, ...tea }) =>
    vessels.map((vessel) =>
      sampleDrillCup({
        ...{ ...tea, ...vessel, warm: tea.style !== 'green-pan' },
        leafGrams: Number(((per * vessel.waterMl) / 100).toFixed(1)),
      }),
    ),
  );
  const more = [
    { vessel: 'Blue pot', material: 'porcelain', capacityMl: 480, waterMl: 400, basketMl: 200 },
    { vessel: 'Small pot', material: 'stoneware', capacityMl: 360, waterMl: 300, basketMl: 160 },
    { vessel: 'Tall pot', material: 'glass', capacityMl: 1100, waterMl: 900, basketMl: 400 },
  ] as const;
  const shift = teas.flatMap(({ per, ...tea }) =>
    [...vessels, ...more].map((vessel) => ({
      ...sampleDrillCup({ ...tea, ...vessel, warm: tea.style !== 'green-pan' }),
      ...{ leafGrams: Number(((per * vessel.waterMl) / 100).toFixed(1)), kind: 'pot' as const },
      ...{ earliest: tea.seconds - 30, latest: tea.seconds + 30 },
    })),
  );
  const later = [{ earliest: 120, best: 150, latest: 180 }];
  return {
    ...{ cups, gradient: 0.5 },
    weighed: [
      { tea: 'Tolvane Amber', spoon: { name: 'dessert spoon', ml: 10 }, grams: 2.4 },
      { tea: 'Sennet Hollow', spoon: { name: 'teaspoon', ml: 5 }, grams: 0.9 },
    ],
    water: {
      site: { altitudeM: 4, measuredBoilingC: null, ambientC: 20, coldC: 12, pourLoss: 0.06 },
      kettle: { ml: 1700, material: 'stainless', lid: true, rate: null },
    },
    vessels: [
      { name: 'White pot', kind: 'pot', brimMl: 620, fillLineMl: 500 },
      { name: 'Tall mug', kind: 'mug', brimMl: 380, fillLineMl: 320 },
      { name: 'Lidded cup', kind: 'lidded', brimMl: 150, fillLineMl: 120 },
    ],
    shift,
    again: cups.map((cup) => ({
      ...{ cup, inBags: false },
      later: cup.tea === 'Corrow Roast' ? later : [],
    })),
    cold: {
      teas: ['Kestry Pearl'],
      limits: { keepHours: 72, counterHours: 4, limitC: 5, warmHours: 4 },
      plans: [
        {
          ...{ tea: 'Kestry Pearl', style: 'green-pan', doseGPer100Ml: 1 },
          ...{ earliestH: 8, latestH: 14 },
        },
      ],
      pitchers: [{ name: 'Cold pitcher', fillLineMl: 1000, brimMl: 1150 }],
      open: { from: 9 * 60, to: 18 * 60 },
    },
  };
}
export { checkDrawn, checkDrawnShift } from './drillItems';
export {
  checkDrawnDiagnosis,
  checkDrawnOrder,
  checkDrawnTurns,
  drillHouseOf,
} from './drillCupItems';

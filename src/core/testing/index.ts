import { type BatchPlan, planBatch, USUAL_HOUSE_LIMITS } from '#core/cold';
import { startingRecipe } from '#core/recipes';
import type { DrillCup } from '#core/training';
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

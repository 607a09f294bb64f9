import { heatAfter } from '#core/extraction';
import { coolingRate, firstContact, POUR_LOSS, waitUntil } from '#core/heat';
import { type Celsius, celsius, grams, millilitres, type Seconds, seconds } from '#core/units';
import type { BrewPlan } from './plan';

/** Liquor is tasted from a small porcelain cup of this, ml (from memory). */
const TASTING_CUP = millilitres(50);
/** Liquor is cool enough for a spoon at this, °C (from memory; hotter liquor scalds the tongue). */
export const COOL_ENOUGH = celsius(65);
const NO_LEAF = grams(0);

/** A tasting cup as it was poured, and how long until its liquor is cool enough to taste. */
export type Cooling = { readonly poured: Celsius; readonly wait: Seconds };
/**
 * A tasting cup of a steep of so many seconds, poured at its end into a cup at room temperature.
 * @returns the heat just after the pour; the wait is 0 where that is cool enough
 */
export function coolEnough(
  plan: Pick<BrewPlan, 'onLeaf' | 'ambient' | 'water' | 'vessel' | 'recipe'>,
  steeped: Seconds,
): Cooling {
  const { onLeaf, ambient, water, vessel, recipe } = plan;
  const liquor = heatAfter(
    {
      ...{ kind: 'cooling', start: onLeaf, ambient, material: vessel.material },
      lid: vessel.lid && recipe.lid,
      cosy: vessel.cosy,
    },
    water,
    steeped,
  );
  const poured = firstContact({
    ...{ water: grams(TASTING_CUP), waterAt: celsius(liquor - POUR_LOSS * (liquor - ambient)) },
    ...{ material: 'porcelain', capacity: TASTING_CUP, wallAt: ambient },
    ...{ leaf: NO_LEAF, leafAt: ambient },
  });
  const rate = coolingRate({ volume: TASTING_CUP, material: 'porcelain', lid: false });
  // A room as warm as that cools nothing: then it is tasted as it is.
  return { poured, wait: waitUntil(poured, COOL_ENOUGH, ambient, rate) ?? seconds(0) };
}

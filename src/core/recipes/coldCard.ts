import { leafFor } from '#core/scaling';
import { styleOf } from '#core/styles';
import {
  type Celsius,
  type Grams,
  grams,
  type Millilitres,
  millilitres,
  type Seconds,
} from '#core/units';
import { basketCrowding, fillFault, liquorYield, type VesselFacts } from '#core/vessels';
import type { TeaFacts } from './cardInput';
import { densityOf, type SpoonCount, spoonsFor } from './measure';
import type { Recipe, Window } from './recipe';
import { recipeAsWeighed, spoonsForWater } from './spoonDose';

/** A cold recipe worked out for one vessel. */
export type ColdCard = {
  readonly kind: 'coldCard';
  readonly water: Millilitres;
  readonly leaf: Grams;
  readonly spoons: SpoonCount | null;
  readonly liquor: Millilitres;
  /** What of the water goes on hot first, how hot and for how long; null when all of it is cold. */
  readonly hotFirst: {
    readonly water: Millilitres;
    readonly temperature: Celsius;
    /** Absent in batches kept before times were: a minute. */
    readonly time?: Seconds;
  } | null;
  readonly window: Window;
  readonly crowding: number | null;
};
export type ColdFault =
  | { readonly kind: 'noWater' }
  | { readonly kind: 'overBrim'; readonly brim: Millilitres }
  | { readonly kind: 'belowBasket'; readonly least: Millilitres };

/**
 * Leaf, water and window of a cold recipe in one vessel; no heat is planned. A matched dose has no cold model and is
 * scaled in step with the water.
 */
export function workOutCold(
  tea: TeaFacts,
  given: Recipe,
  vessel: VesselFacts,
  water: Millilitres,
): ColdCard | ColdFault {
  const recipe = recipeAsWeighed(given, tea.weighing);
  if (!(water > 0)) return { kind: 'noWater' };
  const { held, swell } = styleOf(tea.style);
  const { scaling } = recipe;
  const counted = spoonsForWater(recipe, water);
  const exact =
    counted?.total ??
    leafFor(water, recipe.dose, scaling.school === 'match' ? { school: 'linear' } : scaling);
  const leaf = grams(Math.round(exact * 10) / 10);
  const fault = fillFault(vessel, water, leaf, swell);
  if (fault) return fault;
  const hot = recipe.warmStart;
  return {
    kind: 'coldCard',
    water,
    leaf,
    spoons: counted ?? (tea.weighing ? spoonsFor(leaf, densityOf(tea.weighing), tea.spoon) : null),
    liquor: millilitres(liquorYield(water, leaf, held, vessel.dead)),
    hotFirst: hot
      ? {
          water: millilitres(Math.round((water * hot.share) / 5) * 5),
          temperature: hot.temperature,
          time: hot.time,
        }
      : null,
    window: recipe.window,
    crowding: basketCrowding(vessel, leaf, swell),
  };
}

import { asDone, type BrewPlan, type DoneBrew, type Recorded, toModelInput } from '#core/brews';
import type { Brewing } from '#core/cup';
import type { Recipe } from '#core/recipes';
import type { StyleId } from '#core/styles';
import { seconds } from '#core/units';
import { isRight, type Verdict } from '../marks';
import { JUDGED, type Marks } from '../search';
import { type Evidence, type TasterError, USUAL_TASTER } from './belief';
import { type RecipeDose, unitsBetween } from './units';

/** What a recipe is turned by: its own dose, heat and best time. */
export const doseOfRecipe = (recipe: Recipe): RecipeDose => ({
  ...{ gPer100ml: recipe.dose, temperatureC: recipe.temperature, seconds: recipe.window.best },
});
/** A colour that was left alone was not looked at, unless the cup was called right as it was. */
export function marksLooked(verdict: Verdict): Marks {
  const all = JUDGED.map((index) => [index, verdict[index]] as const);
  const isLooked = isRight(verdict) || verdict.colour !== 0;
  return Object.fromEntries(all.filter(([index]) => index !== 'colour' || isLooked));
}

/** A brew of the records, as it is judged. */
export type CupOfBrew = {
  readonly id: string;
  readonly style: StyleId;
  readonly plan: BrewPlan;
  readonly recorded: Recorded;
  readonly verdict: Verdict;
  /** The version it was brewed by, and the recipe that is asked about. */
  readonly brewedBy: RecipeDose;
  readonly asked: RecipeDose;
  /** The plan in the model, where it was worked out for another cup. */
  readonly planned?: Brewing;
  /** Whoever judged it, once calibrated. */
  readonly taster?: TasterError | undefined;
} & Pick<Evidence, 'newLot' | 'elsewhere'>;

/**
 * The plan of a brew in the model: by the best time of the version it was brewed by. A cup made as a guest wished it is
 * judged as that cup, so its plan has the wish's own leaf, heat, time and milk.
 */
export const plannedCup = ({ plan, style, brewedBy }: Omit<CupOfBrew, 'planned'>): Brewing =>
  toModelInput(plan, style, plan.wish?.best ?? seconds(brewedBy.seconds));
/** The house recipe that a kept plan was made by, a guest's wish left out. */
export function houseDoseOf({ recipe, wish }: Pick<BrewPlan, 'recipe' | 'wish'>): RecipeDose {
  if (!wish) return doseOfRecipe(recipe);
  const { dose, temperature, best } = wish.house;
  return { gPer100ml: dose, temperatureC: temperature, seconds: best };
}
/** A judged brew as evidence: what was planned, what was done, and the marks that were looked at. */
export function cupOfBrew(cup: CupOfBrew): {
  readonly evidence: Evidence;
  readonly done: DoneBrew;
} {
  const done = asDone(cup.plan, cup.style, cup.recorded);
  return {
    done,
    evidence: {
      ...{ id: cup.id, plan: cup.planned ?? plannedCup(cup), done: done.brew },
      ...{ leafWeighed: done.leafShare !== null, heatRead: done.heatOff !== null },
      moved: unitsBetween(cup.brewedBy, cup.asked),
      ...{ marks: marksLooked(cup.verdict), taster: cup.taster ?? USUAL_TASTER },
      ...{ newLot: cup.newLot, elsewhere: cup.elsewhere },
    },
  };
}

import {
  type Grams,
  grams,
  type GramsPer100Ml,
  gramsPer100Ml,
  type GramsPerMl,
  type Millilitres,
  type Spoon,
} from '#core/units';
import { densityOf, type SpoonCount, type Weighing } from './measure';

// A recipe that counts spoons: "1 scoop per 8 fl oz". Weighing a spoon of the tea gives the grams; it never changes
// the count.

/** So many quarters of a spoon to so much water. */
export type SpoonDose = {
  readonly quarters: number;
  readonly spoon: Spoon;
  readonly water: Millilitres;
};
/** A recipe as far as its amount of leaf goes. */
export type LeafAmount = {
  readonly dose: GramsPer100Ml;
  readonly spoons?: SpoonDose | null | undefined;
};

/** Grams per 100 ml of so many spoons, for a tea of this density. @throws {RangeError} unless spoons and water are positive. */
export function doseOfSpoons(
  { quarters, spoon, water }: SpoonDose,
  density: GramsPerMl,
): GramsPer100Ml {
  if (!(quarters > 0) || !(water > 0)) throw new RangeError('a dose has spoons and water');
  return gramsPer100Ml((25 * quarters * spoon.ml * density) / water);
}

/** What one spoon of such a recipe holds, g: as weighed, or as it was taken to hold. */
export const spoonful = (dose: GramsPer100Ml, { quarters, water }: SpoonDose): Grams =>
  grams((dose * water) / (25 * quarters));

/** What a quarter of its spoon holds, g; null where the recipe weighs its leaf. */
export const quarterSpoonOf = ({ dose, spoons }: LeafAmount): Grams | null =>
  spoons ? grams(spoonful(dose, spoons) / 4) : null;

/** A recipe with the grams that its spoons hold by this weighing; the count stays. One that weighs its leaf is unchanged. */
export const recipeAsWeighed = <R extends LeafAmount>(recipe: R, weighing: Weighing | null): R =>
  recipe.spoons && weighing
    ? { ...recipe, dose: doseOfSpoons(recipe.spoons, densityOf(weighing)) }
    : recipe;

/** Quarters closer to the half than this are rounded up, whatever the last digit of a sum says. */
const NEARLY = 1e-9;
export const quarterSpoons = (quarters: number): number =>
  Math.max(1, Math.round(quarters + NEARLY));

/** So many quarters of a spoon that holds so much. */
const countOf = (quarters: number, spoon: Spoon, perSpoon: Grams, wanted: Grams): SpoonCount => {
  const total = grams((quarters / 4) * perSpoon);
  return { spoon, quarters, perSpoon, total, error: total / wanted - 1 };
};
/** The spoons of a recipe for so much water, and the leaf they hold; null where the recipe weighs its leaf. */
export function spoonsForWater(
  { dose, spoons }: LeafAmount,
  water: Millilitres,
): SpoonCount | null {
  if (!spoons) return null;
  const quarters = quarterSpoons((spoons.quarters * water) / spoons.water);
  return countOf(quarters, spoons.spoon, spoonful(dose, spoons), grams((dose * water) / 100));
}
/** The recipe's spoons that come nearest to so much leaf; null where the recipe weighs its leaf. */
export function spoonsForLeaf({ dose, spoons }: LeafAmount, leaf: Grams): SpoonCount | null {
  if (!spoons) return null;
  const each = spoonful(dose, spoons);
  return countOf(quarterSpoons((4 * leaf) / each), spoons.spoon, each, leaf);
}

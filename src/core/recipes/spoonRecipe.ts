import type { LeafForm } from '#core/teas';
import {
  type GramsPer100Ml,
  gramsPer100Ml,
  type GramsPerMl,
  type Millilitres,
  volumeText,
  type VolumeUnit,
} from '#core/units';
import { densityOf, quartersText, spoonName, type Weighing } from './measure';
import { type LeafAmount, quarterSpoons, type SpoonDose, spoonful } from './spoonDose';

// A recipe in spoons as it is written, changed and read.

/**
 * What a level spoon of an unweighed tea holds, g per ml, by the form of its leaf. Common practice: a teaspoon of
 * broken black 2.5 to 3 g, 10 ml of whole leaf 2 g, half a US tablespoon of pearls 4 g, two tablespoons of big twisted
 * leaf 4 g, a tablespoon of compact dark leaf 6 g. Forms between them are from memory.
 */
const DENSITY_OF_FORM: Readonly<Record<LeafForm, number>> = {
  whole: 0.2,
  twisted: 0.14,
  needle: 0.25,
  flat: 0.2,
  curled: 0.25,
  rolled: 0.5,
  pearl: 0.54,
  bud: 0.14,
  broken: 0.5,
  fannings: 0.5,
  dust: 0.5,
  pressed: 0.4,
};
/** Leaf of a form that nobody named. */
const DENSITY_UNNAMED = 0.25;

/**
 * What a millilitre of this tea weighs in a spoon: by the house's own weighing, else about, by the form of its leaf.
 * @example spoonedDensity(null, 'whole') // 0.2
 */
export const spoonedDensity = (weighing: Weighing | null, form: LeafForm | null): GramsPerMl =>
  weighing ? densityOf(weighing) : ((form ? DENSITY_OF_FORM[form] : DENSITY_UNNAMED) as GramsPerMl);

/** A count may miss the dose by so much before more water is named: less than anyone tastes. */
const CLOSE = 0.04;
/** A count is written for at most so many times the water. */
const TIMES = [1, 2, 4] as const;
/**
 * The spoons of a recipe with its leaf changed by a factor: for the same water where quarter spoons come near enough,
 * else for two or four times the water.
 * @throws {RangeError} unless the factor is positive
 */
export function spoonsTimes(spoons: SpoonDose, factor: number): SpoonDose {
  if (!(factor > 0)) throw new RangeError('leaf changes by more than nothing');
  const tried = TIMES.map((times): SpoonDose & { readonly off: number } => {
    const wanted = spoons.quarters * factor * times;
    const quarters = quarterSpoons(wanted);
    return {
      ...{ quarters, spoon: spoons.spoon, water: (spoons.water * times) as Millilitres },
      off: Math.abs(quarters / wanted - 1),
    };
  });
  const { off: _off, ...found } =
    tried.find((t) => t.off <= CLOSE) ?? tried.reduce((a, b) => (b.off < a.off ? b : a));
  return found;
}
/** A recipe with another dose: one in spoons has its count changed, and the dose that count gives. */
export function withDose<R extends LeafAmount>(recipe: R, dose: GramsPer100Ml): R {
  if (!recipe.spoons) return { ...recipe, dose };
  const spoons = spoonsTimes(recipe.spoons, dose / recipe.dose);
  const each = spoonful(recipe.dose, recipe.spoons);
  return {
    ...recipe,
    spoons,
    dose: gramsPer100Ml((25 * spoons.quarters * each) / spoons.water),
  };
}

/**
 * "1 level tablespoon per 237 ml"; water in the reader's unit.
 */
export const spoonDoseText = ({ quarters, spoon, water }: SpoonDose, unit: VolumeUnit): string =>
  `${quartersText(quarters)} ${spoonName(spoon, quarters)} per ${volumeText(water, unit)}`;

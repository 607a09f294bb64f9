import { mean, sampleStandardDeviation } from 'simple-statistics';
import { type Grams, grams, type Spoon } from '#core/units';
import { densityOf, type Weighing } from './measure';

// What is made of a house's weighings of single spoons, and when one of them is doubted.

/** A weighing of single spoons. @throws {RangeError} without one, or when one weighs nothing. */
export function weighingOf(spoon: Spoon, singles: readonly Grams[]): Weighing {
  if (singles.length === 0 || singles.some((g) => !(g > 0)))
    throw new RangeError('a weighing needs spoons with leaf');
  return {
    spoon,
    spoons: singles.length,
    weighed: grams(singles.reduce((s, g) => s + g, 0)),
    singles,
  };
}

/** Fewer spoons than this tell no spread. */
const ENOUGH_SPOONS = 3;
/** How much single spoons differ: mean and standard deviation in g; null when too few were weighed one by one. */
export function spoonSpread(w: Weighing): { readonly mean: Grams; readonly sd: Grams } | null {
  if (w.singles.length < ENOUGH_SPOONS) return null;
  return { mean: grams(mean([...w.singles])), sd: grams(sampleStandardDeviation([...w.singles])) };
}

/** The usual range of spoons of leaf: 1.3 to 5.4 g per 10 ml (common practice); outside it a weighing is doubtful. */
const DENSITY_RANGE = [0.1, 0.6] as const;

/** A question to ask about a weighing or a dose, when a teaspoon and a tablespoon seem to be mixed up; else null. */
export type Doubt = { readonly kind: 'spoonSlip'; readonly factor: number; readonly words: string };

/**
 * Doubts a weighing three times off the usual range: the teaspoon and tablespoon slip is a factor of three (common
 * practice).
 */
export function doubtWeighing(w: Weighing): Doubt | null {
  const d = densityOf(w);
  if (d >= DENSITY_RANGE[0] && d <= DENSITY_RANGE[1]) return null;
  const { spoon } = w;
  const each = Math.round((w.weighed / w.spoons) * 100) / 100;
  return {
    kind: 'spoonSlip',
    factor: d > DENSITY_RANGE[1] ? d / DENSITY_RANGE[1] : DENSITY_RANGE[0] / d,
    words:
      d > DENSITY_RANGE[1]
        ? `${each} g is a lot for one ${spoon.name} of ${spoon.ml.toFixed(0)} ml. ` +
          `Was it a tablespoon, three times as big?`
        : `${each} g is very little for one ${spoon.name} of ${spoon.ml.toFixed(0)} ml. ` +
          `Was it a teaspoon, a third as large?`,
  };
}

/** Doubts a new dose that is about three times, or a third of, what it replaces or the style's usual one. */
export function doubtDose(dose: number, usual: number): Doubt | null {
  const factor = dose / usual;
  if (factor < 2.2 && factor > 1 / 2.2) return null;
  const words =
    factor > 1
      ? `${dose} g per 100 ml is ${factor.toFixed(1)} times the usual ${usual}. ` +
        `A tablespoon read as a teaspoon gives three times the leaf.`
      : `${dose} g per 100 ml is only ${(100 * factor).toFixed(0)} % of the usual ${usual}. ` +
        `A teaspoon read as a tablespoon gives a third of the leaf.`;
  return { kind: 'spoonSlip', factor, words };
}

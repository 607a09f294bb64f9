import type { Recipe } from '../recipes';
import type { InfuserKind } from '../vessels';
import type { ExerciseKind } from './exercise';
import { type Compared, type Factor, ladderTimes, type PlannedCup, rungs } from './schedule';

// Which cups a tasting begins with, from the house cup: common practice at the tasting table.

/** What is asked for: the kind of tasting, and what differs between its cups. */
export type CupWish = {
  readonly kind: ExerciseKind;
  readonly way: Factor;
  readonly compares?: Compared;
  readonly infusers?: readonly InfuserKind[];
};

/** How many cups may be chosen; kinds that are not named have one number only. */
export const CUP_COUNTS: Readonly<Partial<Record<ExerciseKind, readonly number[]>>> = {
  ladder: [3, 4, 5, 6],
  comparison: [2, 3, 4],
  calibration: [1, 2, 3],
};
/** How many cups there are unless another number is chosen. */
export const USUAL_CUP_COUNT: Readonly<Partial<Record<ExerciseKind, number>>> = {
  ladder: 4,
  comparison: 2,
  calibration: 2,
};

/** A later steep without a time of its own in the recipe takes a quarter longer than the one before (from memory). */
const LONGER = 1.25;
/** Calibration: the house cup, then a longer and a shorter one, so that there is a difference to find. */
const CALIBRATION_TIMES = [1, 1.5, 0.6] as const;
/** The hottest cup of a ladder of temperatures, °C: water at most counters boils below 100. */
const HOTTEST = 98;
/** Degrees between two cups of a ladder of temperatures, °C. */
const DEGREES_APART = 4;

/** Seconds rounded to what is said aloud: a multiple of five. */
const toFive = (s: number) => Math.round(s / 5) * 5;

/** Cups around the house cup, from well under it to well over. */
function ladderAround(house: PlannedCup, factor: Factor, n: number): PlannedCup[] {
  if (factor === 'seconds')
    return ladderTimes(house.seconds, n).map((seconds) => ({ ...house, seconds }));
  const value = house[factor];
  const [from, to] =
    factor === 'celsius'
      ? [value - DEGREES_APART * (n - 1), Math.min(HOTTEST, value + DEGREES_APART)]
      : [value * 0.6, value * 1.6];
  return rungs(factor, from, to, n).map((v) => ({ ...house, [factor]: v }));
}

/** The other cup of a pair: the step from the house cup that most tables can just tell. */
function justDifferent(house: PlannedCup, factor: Factor): number {
  switch (factor) {
    case 'celsius':
      return Math.max(2, house.celsius - 8);
    case 'seconds':
      return toFive(house.seconds * 1.3);
    case 'grams':
    case 'water':
      return Number((house[factor] * 1.2).toFixed(1));
  }
}

/** The steeps of one leaf: by the recipe's own times, else each a quarter longer. */
const steepsOf = (house: PlannedCup, recipe: Pick<Recipe, 'later'>, n: number): PlannedCup[] =>
  Array.from({ length: n }, (_, i) => ({
    ...house,
    steep: i + 1,
    seconds:
      i === 0 ? house.seconds : (recipe.later[i - 1]?.best ?? toFive(house.seconds * LONGER ** i)),
  }));

/**
 * The cups a tasting of `n` cups begins with.
 * @param house the house cup: leaf in g, water in ml, temperature in °C, time in s
 * @param n how many cups; a pair has two whatever `n` is
 */
export function cupsFor(
  house: PlannedCup,
  recipe: Pick<Recipe, 'later'>,
  { kind, way: factor, compares, infusers }: CupWish,
  n: number,
): PlannedCup[] {
  if (kind === 'ladder') return ladderAround(house, factor, n);
  if (kind === 'dialIn') return [house];
  if (kind === 'calibration')
    return CALIBRATION_TIMES.slice(0, n).map((by) => ({
      ...house,
      seconds: toFive(house.seconds * by),
    }));
  if (compares === 'infuser')
    return (infusers ?? []).slice(0, n).map((infuser) => ({ ...house, infuser }));
  if (compares === 'steep') return steepsOf(house, recipe, n);
  return [house, { ...house, [factor]: justDifferent(house, factor) }];
}

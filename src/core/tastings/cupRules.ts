import type { Recipe } from '../recipes';
import type { InfuserKind } from '../vessels';
import { type DifferenceOf, differencesFor, EXTRACT_GLASSES } from './difference';
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
/** What of the book and the shelf some comparisons begin with. */
export type Around = {
  /** Lots of the tea, by name. */
  readonly lots?: readonly string[];
  /** Other teas, each as its own recipe has it. */
  readonly teas?: readonly { readonly name: string; readonly cup: PlannedCup }[];
  /** What the same water comes to in the vessel when nobody warmed it, °C. */
  readonly notWarmed?: number;
};

/** How many cups may be chosen; kinds that are not named have one number only. */
const CUP_COUNTS: Readonly<Partial<Record<ExerciseKind, readonly number[]>>> = {
  ladder: [3, 4, 5, 6],
  comparison: [2, 3, 4],
  calibration: [1, 2, 3],
};
/** The usual number first; comparisons that are not named may have any. */
const COMPARISON_COUNTS: Readonly<Partial<Record<Compared, readonly number[]>>> = {
  stirring: [2],
  poured: [2, 3, 4],
  hotCold: [2, 3],
  lid: [2],
  warming: [2],
  milk: [2, 3, 4],
  glass: [4, 2, 3],
  water: [2, 3, 4],
  lot: [2, 3],
  tea: [2, 3, 4],
};
/** How many cups may be chosen; one number, or none named: it cannot be chosen. */
export const cupCounts = ({ kind, compares }: CupWish): readonly number[] =>
  (compares && COMPARISON_COUNTS[compares]) ?? CUP_COUNTS[kind] ?? [];
/** How many cups there are unless another number is chosen. */
const USUAL_CUP_COUNT: Readonly<Partial<Record<ExerciseKind, number>>> = { ladder: 4 };
export const CUPS_OF_A_POT = 3;
const USUALLY = 2;
export function usualCupCount({ kind, compares }: CupWish): number {
  if (compares === 'poured') return CUPS_OF_A_POT;
  if (compares === 'glass') return EXTRACT_GLASSES.length;
  return USUAL_CUP_COUNT[kind] ?? USUALLY;
}

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

/** Hours in the fridge of the cold cups beside a hot one, and the cold of the fridge (common practice). */
const COLD_HOURS = [4, 10] as const;
const FRIDGE_C = 4;
const HOUR = 3600;
/** A hot cup and so many of the same leaf and water from the fridge. */
export const hotAndCold = (hot: PlannedCup, cold: number): PlannedCup[] => [
  hot,
  ...COLD_HOURS.slice(0, cold).map((h) => ({ ...hot, celsius: FRIDGE_C, seconds: h * HOUR })),
];
/** The cups of one pot: filled one after the other, or all in turns. */
export const cupsOfPot = (pot: PlannedCup, of: number, inTurns = false): PlannedCup[] =>
  Array.from({ length: of }, (_, i) => ({
    ...pot,
    poured: { place: i + 1, of, ...(inTurns && { inTurns }) },
  }));
/** Hours an extract stands (common practice: overnight). */
const EXTRACT_HOURS = 10;
/** Cups that differ in what no figure says, with the figures that follow from it. */
function madeCups(
  house: PlannedCup,
  of: DifferenceOf,
  n: number,
  { lots = [], teas = [], notWarmed = house.celsius }: Around,
): PlannedCup[] {
  const named = of === 'tea' ? ['', ...teas.map(({ name }) => name)] : lots;
  return differencesFor(of, n, named).map((made, i): PlannedCup => {
    if (made.of === 'warming' && !made.on) return { ...house, made, celsius: notWarmed };
    if (made.of === 'glass')
      return { ...house, made, celsius: FRIDGE_C, seconds: EXTRACT_HOURS * HOUR };
    if (made.of === 'tea' && i > 0) return { ...(teas[i - 1]?.cup ?? house), made };
    return { ...house, made };
  });
}
/** The cups of a comparison whose cups differ in no figure alone; null: of another kind. */
function comparedCups(
  house: PlannedCup,
  compares: Compared,
  n: number,
  around: Around,
): PlannedCup[] | null {
  switch (compares) {
    case 'stirring':
      return [false, true].map((stirred) => ({ ...house, stirred }));
    case 'poured':
      return cupsOfPot(house, n);
    case 'hotCold':
      return hotAndCold(house, n - 1);
    case 'infuser':
    case 'steep':
      return null;
    default:
      return madeCups(house, compares, n, around);
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
 * @param around lots, other teas and a vessel not warmed, for the comparisons of these
 * @param n how many cups; a pair has two whatever `n` is
 */
export function cupsFor(
  house: PlannedCup,
  recipe: Pick<Recipe, 'later'>,
  { kind, way: factor, compares, infusers }: CupWish,
  n: number,
  around: Around = {},
): PlannedCup[] {
  if (kind === 'ladder') return ladderAround(house, factor, n);
  if (kind === 'dialIn') return [house];
  if (kind === 'calibration')
    return CALIBRATION_TIMES.slice(0, n).map((by) => ({
      ...house,
      seconds: toFive(house.seconds * by),
    }));
  const compared = compares ? comparedCups(house, compares, n, around) : null;
  if (compared) return compared;
  if (compares === 'infuser')
    return (infusers ?? []).slice(0, n).map((infuser) => ({ ...house, infuser }));
  if (compares === 'steep') return steepsOf(house, recipe, n);
  return [house, { ...house, [factor]: justDifferent(house, factor) }];
}

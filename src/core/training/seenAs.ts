import { displayedLab, labOf, type Liquor } from '#core/colour';
import { brewCup } from '#core/cup';
import { cupWords, type Taste } from '#core/taste';
import { numberText } from '#core/units';
import { type DrillCup, houseCupOf } from './diagnosis/draw';
import { asTheHouse } from './diagnosis/faults';

// A cup for whom colours do not tell: as a figure, as hatching, as taste words. Each tells as much as the colour.

/** Ways to see the cups of a colour drill. Which one was chosen is never kept. */
export const SEEN_AS = ['colour', 'figures', 'hatching', 'words'] as const;
export type SeenAs = (typeof SEEN_AS)[number];

/** How light a liquor is on a screen, CIE L*, 0 to 100. */
export const lightnessOf = (liquor: Liquor): number => displayedLab(labOf(liquor))[0];
/** Distance between two lines of hatching, px, of the darkest and of the lightest cup beside each other. */
const LINES = { dark: 3, light: 15 } as const;
/** One cup alone, or cups alike, lie between. */
const LEAST_RANGE = 1;
/**
 * Distance between the lines that stand for a lightness: the darker, the closer.
 * @param among L* of the cups that are compared: the whole range of lines is used for them.
 * @example hatchGap(60, [40, 60]) // 15
 */
export function hatchGap(lightness: number, among: readonly number[]): number {
  const least = Math.min(...among);
  const range = Math.max(...among) - least;
  const share = range < LEAST_RANGE ? 0.5 : (lightness - least) / range;
  return LINES.dark + (LINES.light - LINES.dark) * Math.min(1, Math.max(0, share));
}

/** How the cup tastes with so many times the strength of the house cup. @throws {RangeError} at 0 and below */
export function tasteAtStrength(cup: DrillCup, strength: number): Taste {
  if (!(strength > 0)) throw new RangeError('a cup has some strength');
  const { brew } = asTheHouse(houseCupOf(cup));
  return brewCup({ ...brew, waterAfter: 1 / strength - 1 }).taste;
}
/** What is said of such a cup, with the figure for its strength: neighbours of a ladder often share their words. */
export function wordsAtStrength(cup: DrillCup, strength: number): string {
  const taste = tasteAtStrength(cup, strength);
  return `${cupWords(taste)}, strength ${numberText(taste.strength, 2)}`;
}

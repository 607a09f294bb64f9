import {
  type ColouredBrew,
  colourOfBrew,
  deltaE00,
  diluted,
  displayedLab,
  type Lab,
  labOf,
  type Liquor,
} from '#core/colour';
import { cupOf, heatOf, settingOf } from '#core/cup';
import { dryLeaf, heatAfter, pourOff, steep } from '#core/extraction';
import { CUP, newCup, quickCup } from '#core/quick';
import type { Taste } from '#core/taste';
import { millilitres, seconds } from '#core/units';
import type { MadeCup } from './faults';

/** What a taster of the drill speaks of, in order. */
export const TASTED = [
  'strength',
  'bitterness',
  'astringency',
  'sweetness',
  'aroma',
  'stewed',
] as const;
export type TastedIndex = (typeof TASTED)[number];
/** Six indices, 0 to 10, in the order of `TASTED`. */
export type Six = readonly number[];
const sixOf = (t: Taste): Six => TASTED.map((index) => t[index]);
const PLACES = TASTED.map((index) => CUP[index]);

/** Half of the liquor is poured off at the pull; the rest stands on its leaf. */
const KEPT = 0.5;
/** The cup of what stood on: the rest goes on from its heat and its stew. */
function leftOn(brew: ColouredBrew, minutes: number): Six {
  const set = settingOf(brew);
  const heat = heatOf(brew);
  const pulled = steep(dryLeaf(brew.character, brew.leaf), set, heat, brew.time);
  const { volume, left } = pourOff(pulled, set, { kept: KEPT });
  const rest = { ...set, water: millilitres(brew.water - volume) };
  const then = heatOf({ ...brew, temperature: heatAfter(heat, brew.water, brew.time) });
  const after = steep({ ...left, stewed: pulled.stewed }, rest, then, seconds(60 * minutes));
  const poured = pourOff(after, rest);
  const cup = cupOf(brew.character, brew.leaf, poured.volume, poured.solutes, after.stewed, brew);
  return sixOf(cup.taste);
}

const cup = newCup();
/** How a cup tastes. */
export function tasteOfMade({ brew, leftMinutes }: MadeCup): Six {
  if (leftMinutes > 0) return leftOn(brew, leftMinutes);
  quickCup(brew, cup);
  return PLACES.map((place) => cup[place] ?? 0);
}
/** Its liquor, over all the time it stood, let down by the water that was added. */
export function liquorOfMade({ brew, leftMinutes }: MadeCup): Liquor {
  const stood = seconds(brew.time + 60 * leftMinutes);
  return diluted(colourOfBrew(brew, stood), 1 / (1 + (brew.waterAfter ?? 0)));
}
/** How it looks on a screen. */
export const lookOfMade = (made: MadeCup): Lab => displayedLab(labOf(liquorOfMade(made)));

/** The gap between two indices that a taster has a word for: half a step of the scale, and one and a half. */
const WORD_EDGES = [0.5, 1.2] as const;
/** A word: not said, a little, or much; signed. */
export type Step = -2 | -1 | 0 | 1 | 2;
export function stepOf(gap: number): Step {
  const size = Math.abs(gap);
  if (size < WORD_EDGES[0]) return 0;
  const step = size < WORD_EDGES[1] ? 1 : 2;
  return (gap < 0 ? -step : step) as Step;
}
/** Gaps for which a word is said. */
export function intervalOf(step: Step): readonly [low: number, high: number] {
  switch (step) {
    case -2:
      return [-Infinity, -WORD_EDGES[1]];
    case -1:
      return [-WORD_EDGES[1], -WORD_EDGES[0]];
    case 0:
      return [-WORD_EDGES[0], WORD_EDGES[0]];
    case 1:
      return [WORD_EDGES[0], WORD_EDGES[1]];
    case 2:
      return [WORD_EDGES[1], Infinity];
  }
}
const EDGE = 0.03;
/** True when a gap lies where one word becomes another. */
export const isOnEdge = (gap: number): boolean =>
  WORD_EDGES.some((edge) => Math.abs(Math.abs(gap) - edge) < EDGE);

/** A cup beside the house's: gaps, their words, how it looks. */
export type Beside = {
  readonly gaps: Six;
  readonly words: readonly Step[];
  readonly lab: Lab;
};
export function beside(house: Six, made: MadeCup): Beside {
  const gaps = tasteOfMade(made).map((x, i) => x - (house[i] ?? 0));
  return { gaps, words: gaps.map(stepOf), lab: lookOfMade(made) };
}

const GAP_SCALE = 0.25;
const COLOUR_SCALE = 1.5;
/** Another cup that fits this badly is told from this one. */
export const FITS_NOT = 3;
/** Another cup that fits better than this cannot be told from it. */
export const TIE = 1;
/**
 * How badly another cup fits what is said and seen of this one: 0 fits as well as the cup itself.
 * @param most what fits worse than this by its taste alone is not looked at: infinite
 */
export function misfit(
  of: Beside,
  other: Pick<Beside, 'gaps' | 'lab'>,
  byColour = true,
  most = Infinity,
): number {
  let sum = 0;
  for (const [i, word] of of.words.entries()) {
    const [low, high] = intervalOf(word);
    const gap = other.gaps[i] ?? 0;
    sum += (Math.max(0, low - gap, gap - high) / GAP_SCALE) ** 2;
  }
  if (sum > most ** 2) return Infinity;
  if (byColour) sum += (deltaE00(of.lab, other.lab) / COLOUR_SCALE) ** 2;
  return Math.sqrt(sum);
}

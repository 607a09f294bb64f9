import {
  colourLadder,
  deltaE00,
  diluted,
  displayedLab,
  hexOf,
  type Lab,
  labOf,
  labOfHex,
  type Liquor,
  scoreLadder,
} from '#core/colour';
import { pick, type Random, shuffled } from '#core/numeric';
import type { Level } from './diagnosis/diagnosis';
import { type DrillCup, houseCupOf } from './diagnosis/draw';
import { asTheHouse } from './diagnosis/faults';
import type { Judged } from './diagnosis/score';
import { liquorOfMade } from './diagnosis/tasted';
import { drawnFair } from './drawnFair';

// Cups of one liquor at eight strengths, to be set in order by their colour.

/** Distance from one cup to the next at each level, CIEDE2000. */
const APART: Readonly<Record<Level, number>> = { 1: 6, 2: 4.5, 3: 3, 4: 2, 5: 1.5 };
const CUPS = 8;
const FEWEST_CUPS = 5;
/** Of the distance that is meant so much is left on a screen, whose colours are whole numbers. */
const LEAST_SHARE = 0.8;
const RIGHT = 0.925;
const NEAR = 0.855;
/** Nobody sets eight cups right by chance. */
export const ORDER_GUESS = 0;
/** Raised whenever the same given would come to another question. */
export const ORDER_VERSION = 1;

/** The cups of a liquor as a screen shows them, the lightest first. */
export type OrderLadder = {
  readonly strengths: readonly number[];
  readonly shown: readonly string[];
  /** The least distance of two that are next to each other, CIEDE2000. */
  readonly leastApart: number;
  readonly fair: boolean;
};
export function orderLadder(liquor: Liquor, apart: number, cups = CUPS): OrderLadder {
  const strengths = colourLadder(liquor, apart, { cups });
  const shown = strengths.map((s) => hexOf(displayedLab(labOf(diluted(liquor, s)))));
  const seen = shown.map(labOfHex);
  const gaps = seen.slice(1).map((lab, i) => deltaE00(seen[i] as Lab, lab));
  const leastApart = gaps.length === 0 ? 0 : Math.min(...gaps);
  const fair = strengths.length >= FEWEST_CUPS && leastApart >= LEAST_SHARE * apart;
  return { strengths, shown, leastApart, fair };
}

/** A question as it was drawn. `shuffle`: the place of each letter's cup, 0 the lightest. */
export type OrderGiven = {
  readonly cup: DrillCup;
  readonly apart: number;
  readonly shuffle: readonly number[];
  readonly level: Level;
};
/** Letters by their number, the lightest cup first. */
export type OrderAnswer = { readonly letters: readonly number[] };
export type OrderScore = {
  readonly tau: number;
  readonly inversions: number;
  readonly displacement: number;
  /** Again: the darkest was set first throughout; that is no mistake of the eye. */
  readonly judged: Judged | 'again';
};
export type OrderQuestion = OrderLadder & {
  /** By letter. */
  readonly liquors: readonly Liquor[];
};

/** The question that was drawn. */
export function workOrder({ cup, apart, shuffle }: OrderGiven): OrderQuestion {
  const liquor = liquorOfMade(asTheHouse(houseCupOf(cup)));
  const ladder = orderLadder(liquor, apart);
  return {
    ...ladder,
    liquors: shuffle.map((rank) => diluted(liquor, ladder.strengths[rank] ?? 1)),
  };
}
/** True when so many numbers are 0, 1, 2 ... in some order. */
export const isOrder = (numbers: readonly number[], of: number): boolean =>
  numbers.length === of && [...numbers].sort((a, b) => a - b).every((n, i) => n === i);
/** How an order was set. @throws {RangeError} when letters lack or come twice */
export function scoreOrder(shuffle: readonly number[], { letters }: OrderAnswer): OrderScore {
  if (!isOrder(letters, shuffle.length)) throw new RangeError('each cup has one place');
  const ranks = letters.map((letter) => shuffle[letter] ?? 0);
  const { tau, inversions, displacement, kind } = scoreLadder(ranks);
  return { tau, inversions, displacement, judged: kind === 'reversed' ? 'again' : judgedBy(tau) };
}
function judgedBy(tau: number): Judged {
  if (tau >= RIGHT) return 'right';
  return tau >= NEAR ? 'near' : 'wrong';
}

/** Draws an order of one of the house's cups. @throws {RangeError} when the house has no cup that can be set in order */
export function drawOrder(cups: readonly DrillCup[], level: Level, random: Random): OrderGiven {
  return drawnFair(level, (at) => {
    const cup = pick(random, cups);
    const liquor = liquorOfMade(asTheHouse(houseCupOf(cup)));
    const { strengths, fair } = orderLadder(liquor, APART[at]);
    if (!fair) return null;
    const shuffle = shuffled([...strengths.keys()], random);
    return { cup, apart: APART[at], shuffle, level: at };
  });
}

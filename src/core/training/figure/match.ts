import { diluted, labOf, type Liquor, strengthFromColour } from '#core/colour';
import { pick, type Random } from '#core/numeric';
import type { Level } from '../diagnosis/diagnosis';
import { type DrillCup, houseCupOf } from '../diagnosis/draw';
import { asTheHouse } from '../diagnosis/faults';
import { liquorOfMade } from '../diagnosis/tasted';
import { drawnFair } from '../drawnFair';
import { type Band, type Figure } from './figures';

// A cup whose strength is pulled until it looks like another one. Answers are in percent of the house cup’s strength.

export type MatchGiven = {
  readonly cup: DrillCup;
  /** The cup to match, and where one’s own begins; the house cup’s is 100. */
  readonly wanted: number;
  readonly start: number;
  readonly level: Level;
};
/** Strengths alike to so much, as a natural logarithm; nearly alike to twice that. */
const ALIKE: Readonly<Record<Level, number>> = { 1: 0.2, 2: 0.15, 3: 0.1, 4: 0.07, 5: 0.05 };
export const MATCH_RANGE = { least: 30, most: 250, step: 2 } as const;
/** A colour that tells strength no better than this cannot be matched. */
const TELLS = 0.1;
/** One’s own cup begins at least so far off. */
const LEAST_OFF = 0.25;

const liquorOf = (cup: DrillCup): Liquor => liquorOfMade(asTheHouse(houseCupOf(cup)));
/** The cup at so many percent of the house cup’s strength. */
export const matchLiquor = ({ cup }: MatchGiven, percent: number): Liquor =>
  diluted(liquorOf(cup), percent / 100);

/** The question worked out; null: the colour does not tell the strength. */
export function matchFigure({ cup, wanted, start, level }: MatchGiven): Figure | null {
  const house = liquorOf(cup);
  const read = strengthFromColour(house, labOf(diluted(house, wanted / 100)));
  if (!(read.error <= TELLS) || Math.abs(start / wanted - 1) < LEAST_OFF - 1e-9) return null;
  const band = (off: number): Band => [wanted * Math.exp(-off), wanted * Math.exp(off)];
  return {
    ...{ truth: wanted, shown: wanted, right: band(ALIKE[level]), near: band(2 * ALIKE[level]) },
    ...{ mistakes: [], distractors: [] },
  };
}

const even = (x: number): number => MATCH_RANGE.step * Math.round(x / MATCH_RANGE.step);
/** Draws a cup of the house at some strength. @throws {RangeError} when none of them can be matched by eye */
export function drawMatch(cups: readonly DrillCup[], level: Level, random: Random): MatchGiven {
  return drawnFair(level, (l) => {
    const cup = pick(random, cups);
    const wanted = even(60 + 100 * random());
    const off = 1 + LEAST_OFF + 0.35 * random();
    const start = even(random() < 0.5 ? wanted * off : wanted / off);
    const given: MatchGiven = { cup, wanted, start, level: l };
    const isOnRule = start >= MATCH_RANGE.least && start <= MATCH_RANGE.most;
    return isOnRule && matchFigure(given) ? given : null;
  });
}

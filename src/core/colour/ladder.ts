import { CUP_DEPTH_CM, displayedLab, type Lab, labOf, type Liquor } from './appearance';
import { deltaE00 } from './difference';
import { diluted } from './liquor';

const CUPS = 8;
const WEAKEST = 0.05;
const STRONGEST = 8;

/** The strength beyond `from`, up or down, whose colour differs by `apart` dE00 from it; null when there is none. */
function nextRung(
  liquor: Liquor,
  from: number,
  apart: number,
  up: boolean,
  depthCm: number,
): number | null {
  const colour = (s: number): Lab => displayedLab(labOf(diluted(liquor, s), depthCm));
  const here = colour(from);
  const end = up ? STRONGEST : WEAKEST;
  if (deltaE00(here, colour(end)) < apart) return null;
  let [near, far] = [from, end];
  // The first crossing: walk out in small steps, then halve.
  const step = up ? 1.02 : 1 / 1.02;
  let s = from;
  while (up ? s < end : s > end) {
    s *= step;
    if (deltaE00(here, colour(s)) >= apart) {
      far = s;
      break;
    }
    near = s;
  }
  for (let i = 0; i < 40; i++) {
    const middle = Math.sqrt(near * far);
    if (deltaE00(here, colour(middle)) < apart) near = middle;
    else far = middle;
  }
  return far > STRONGEST || far < WEAKEST ? null : far;
}

/**
 * Strengths of a colour ladder: cups of one liquor, each `apart` dE00 from the next as a screen shows them (after
 * clipping), grown alternately up and down from 1. Weakest first; fewer than `cups` when the liquor allows no more.
 */
export function colourLadder(
  liquor: Liquor,
  apart: number,
  { cups = CUPS, depthCm = CUP_DEPTH_CM } = {},
): number[] {
  const rungs = [1];
  let [up, down] = [true, true];
  for (let turn = 0; rungs.length < cups && (up || down); turn++) {
    const goUp = (turn % 2 === 0 && up) || !down;
    const rung = nextRung(
      liquor,
      (goUp ? rungs[rungs.length - 1] : rungs[0]) as number,
      apart,
      goUp,
      depthCm,
    );
    if (rung === null) {
      if (goUp) up = false;
      else down = false;
    } else if (goUp) rungs.push(rung);
    else rungs.unshift(rung);
  }
  return rungs;
}

/** How a ladder was put in order: places by cup, 0 first. */
export type LadderScore = {
  readonly tau: number;
  readonly inversions: number;
  readonly displacement: number;
  readonly kind: 'pass' | 'betterThanChance' | 'chance' | 'reversed';
};
const PASS = 0.86;
const BETTER_THAN_CHANCE = 0.64;
/** Kendall's tau of an order given as the true rank of the cup at each place; a fully reversed one is told apart. */
export function scoreLadder(order: readonly number[]): LadderScore {
  const n = order.length;
  if (n < 2) throw new RangeError('an order needs two cups');
  let inversions = 0;
  order.forEach((a, i) =>
    order.slice(i + 1).forEach((b) => {
      if (b < a) inversions += 1;
    }),
  );
  const pairs = (n * (n - 1)) / 2;
  const tau = 1 - (2 * inversions) / pairs;
  const displacement = order.reduce((sum, rank, place) => sum + Math.abs(rank - place), 0);
  return {
    tau,
    inversions,
    displacement,
    kind: orderingKind(tau),
  };
}

/** What an ordering shows. */
function orderingKind(tau: number) {
  if (tau === -1) return 'reversed';
  if (tau >= PASS - 0.005) return 'pass';
  if (tau >= BETTER_THAN_CHANCE) return 'betterThanChance';
  return 'chance';
}
/** How hard a ladder is, for sharp eyes on a good screen. */
export const ladderLabel = (apart: number): string => {
  if (apart < 1.25) return 'expert';
  if (apart < 1.75) return 'hard';
  if (apart < 2.5) return 'medium-hard';
  if (apart < 3.5) return 'medium';
  return 'easy';
};

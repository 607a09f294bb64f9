import { strengthAlongPour } from '#core/cup';
import { pick, type Random } from '#core/numeric';
import { characterOf } from '#core/styles';
import type { Level } from './diagnosis/diagnosis';
import type { Judged } from './diagnosis/score';
import type { DrillFacts } from './drillCups';

// One vessel poured into several cups: the first of its liquor is weaker than the last, so cups are filled in turns.

/** So much liquor, in the order in which it was poured. Cups are counted from 0. */
export type PouredTurn = { readonly cup: number; readonly ml: number };
export type TurnsFacts = {
  readonly liquorMl: number;
  readonly cups: number;
  /** From the first drop to the last, liquor rises by this share of its mean strength. */
  readonly gradient: number;
};
export type TurnsGiven = TurnsFacts & {
  readonly tea: string;
  readonly vesselName: string;
  readonly level: Level;
};
export type TurnsAnswer = { readonly pours: readonly PouredTurn[] };
/** Raised whenever the same given would come to another question. */
export const TURNS_VERSION = 1;
/** Nobody pours alike by chance: a figure that is pulled. */
export const TURNS_GUESS = 0.05;

/** The strongest cup over the weakest, and the fullest over the emptiest, less one. */
const RIGHT = { strength: 0.03, level: 0.1 };
const NEAR = { strength: 0.08, level: 0.2 };

export type PouredCups = {
  readonly ml: readonly number[];
  /** Of each cup, the mean of the vessel being 1. */
  readonly strength: readonly number[];
  /** The strongest over the weakest, and the fullest over the emptiest, less one; an empty cup: Infinity. */
  readonly spread: number;
  readonly levels: number;
  readonly judged: Judged;
};
const overLeast = (values: readonly number[]): number =>
  Math.max(...values) / Math.min(...values) - 1;

/** What the cups come to. More than the vessel holds is not poured. @throws {RangeError} where a cup is not there */
export function poured({ liquorMl, cups, gradient, pours }: TurnsFacts & TurnsAnswer): PouredCups {
  const ml = new Array<number>(cups).fill(0);
  const dose = new Array<number>(cups).fill(0);
  let gone = 0;
  for (const { cup, ml: wanted } of pours) {
    if (!(cup >= 0 && cup < cups)) throw new RangeError(`there is no cup ${cup + 1}`);
    const now = Math.min(wanted, liquorMl - gone);
    const at = (gone + now / 2) / liquorMl;
    ml[cup] = (ml[cup] ?? 0) + now;
    dose[cup] = (dose[cup] ?? 0) + now * strengthAlongPour(at, gradient);
    gone += now;
  }
  const strength = ml.map((m, i) => (m > 0 ? (dose[i] ?? 0) / m : 0));
  const [spread, levels] = [overLeast(strength), overLeast(ml)];
  const isWithin = (most: typeof RIGHT) => spread <= most.strength && levels <= most.level;
  const ifNotRight = isWithin(NEAR) ? 'near' : 'wrong';
  return { ml, strength, spread, levels, judged: isWithin(RIGHT) ? 'right' : ifNotRight };
}

/** Cups at each level. */
const CUPS: Readonly<Record<Level, number>> = { 1: 2, 2: 3, 3: 4, 4: 5, 5: 6 };
/** At these levels a tap pours half a cup; later one holds to pour. */
export const TURNS_TAPPED = 2;
/** A steady hand, ml/s (from memory). */
export const POUR_RATE = 40;
/** Less than this is no cup, ml. */
const LEAST_CUP_ML = 40;

/** Where there is enough for every cup. */
export const isFairTurns = ({ liquorMl, cups }: TurnsFacts): boolean =>
  liquorMl / cups >= LEAST_CUP_ML;
/** Draws a vessel of the house to be poured out. @throws {RangeError} when no vessel holds enough */
export function drawTurns(
  { cups: drillCups, gradient }: Pick<DrillFacts, 'cups' | 'gradient'>,
  level: Level,
  random: Random,
): TurnsGiven {
  const all = drillCups.map((cup) => ({
    ...{ tea: cup.tea, vesselName: cup.vessel, level, cups: CUPS[level] },
    gradient,
    liquorMl: Math.round(cup.waterMl - characterOf(cup.style).held * cup.leafGrams),
  }));
  return pick(random, all.filter(isFairTurns));
}

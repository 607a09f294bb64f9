import { pullKind, type TimedPull } from '#core/brews';
import { seconds } from '#core/units';
import { asTheHouse, type HouseCup, type MadeCup } from '../diagnosis/faults';
import { type Six, type Step, stepOf, tasteOfMade } from '../diagnosis/tasted';

// A run of orders at the bar, as it was done: what each cup was worth, and which was the worst.

/** One order as it went, s from the beginning of the shift; null: it was not done. */
export type ShiftBrew = {
  /** The cup as the house brews it. */
  readonly house: HouseCup;
  readonly window: { readonly earliest: number; readonly best: number; readonly latest: number };
  readonly orderedS: number;
  readonly pouredS: number | null;
  readonly pulledS: number | null;
  readonly servedS: number | null;
  /** It steeped without the lid it should have. */
  readonly lidLeftOff?: boolean;
};
export type ShiftBrewScore = {
  /** Never: no leaf was lifted out of poured water. */
  readonly kind: TimedPull | 'never';
  /** Off the best time, s. */
  readonly errorS: number | null;
  readonly waitedS: number | null;
  /** The guest waited longer than the steep and two and a half minutes. */
  readonly longWait: boolean;
  /** How long it stood after two minutes past the pull, s. */
  readonly stoodS: number | null;
  /** Each index as a taster says it, and the largest gap to the house cup. */
  readonly steps: readonly Step[] | null;
  readonly worst: number | null;
  readonly credit: number;
};
export type ShiftScore = {
  readonly brews: readonly ShiftBrewScore[];
  /** Mean of the orders. */
  readonly credit: number;
  /** Where the worst cup is; null: there was none. */
  readonly worstBrew: number | null;
};

const LONG_WAIT_S = 150;
const STANDS_S = 120;
/** Gaps of an index that nobody notices, and that a taster marks. */
const [UNNOTICED, MARKED] = [0.4, 0.8];

function creditOfPull(kind: TimedPull, { lidLeftOff }: ShiftBrew, worst: number): number {
  if ((kind === 'inWindow' && !lidLeftOff) || worst <= UNNOTICED) return 1;
  return worst <= MARKED ? 0.5 : 0;
}
/** The cup as it was brewed: steeped so long, s. */
export const madeInShift = ({ house, lidLeftOff }: ShiftBrew, steeped: number): MadeCup => ({
  brew: {
    ...house.brew,
    ...{ time: seconds(steeped), lid: lidLeftOff ? false : house.brew.lid },
  },
  leftMinutes: 0,
});
function gapsOf(brew: ShiftBrew, steeped: number): Six {
  const wanted = tasteOfMade(asTheHouse(brew.house));
  return tasteOfMade(madeInShift(brew, steeped)).map((x, i) => x - (wanted[i] ?? 0));
}
function scoreOne(brew: ShiftBrew): ShiftBrewScore {
  const { window, orderedS, pouredS, pulledS, servedS } = brew;
  if (pouredS === null || pulledS === null)
    return {
      ...{ kind: 'never', errorS: null, waitedS: null, longWait: false, stoodS: null },
      ...{ steps: null, worst: null, credit: 0 },
    };
  const steeped = pulledS - pouredS;
  const kind = pullKind(seconds(steeped), {
    earliest: seconds(window.earliest),
    best: seconds(window.best),
    latest: seconds(window.latest),
  });
  const gaps = gapsOf(brew, steeped);
  const worst = Math.max(...gaps.map(Math.abs));
  const waitedS = servedS === null ? null : servedS - orderedS;
  return {
    ...{ kind, errorS: steeped - window.best, waitedS },
    longWait: waitedS !== null && waitedS > window.best + LONG_WAIT_S,
    stoodS: servedS === null ? null : Math.max(0, servedS - pulledS - STANDS_S),
    ...{ steps: gaps.map(stepOf), worst },
    credit: servedS === null ? 0 : creditOfPull(kind, brew, worst),
  };
}

/** What a shift was worth. @throws {RangeError} where something was done before what it follows */
export function scoreShift(brews: readonly ShiftBrew[]): ShiftScore {
  for (const { orderedS, pouredS, pulledS, servedS } of brews) {
    const times = [orderedS, pouredS, pulledS, servedS].filter((t) => t !== null);
    if (times.some((t, i) => i > 0 && t < (times[i - 1] ?? t)))
      throw new RangeError('poured, pulled and served in that order');
  }
  const scores = brews.map(scoreOne);
  const badness = (s: ShiftBrewScore) => s.worst ?? Infinity;
  const worst = Math.max(...scores.map(badness));
  return {
    brews: scores,
    credit: scores.length === 0 ? 0 : scores.reduce((sum, s) => sum + s.credit, 0) / scores.length,
    worstBrew: scores.length === 0 ? null : scores.findIndex((s) => badness(s) === worst),
  };
}

import type { LeafOut } from '#core/extraction';
import {
  type EpochMs,
  epochMs,
  minutesText,
  type Seconds,
  seconds,
  secondsBetween,
} from '#core/units';
import { type BrewState, leafBackWindow } from './brew';
import { type BrewPlan, withLeafBack, withWindow } from './plan';

// A steep that is ended by its taste. Its clock counts the seconds in the water alone.

/** After the first taste every so many seconds (common practice). */
export const TASTE_EVERY = 30;

/** How one taste was found, on the just-about-right scale of strength. */
export const TASTE_MARKS = [-2, -1, 0, 1, 2] as const;
export type TasteMark = (typeof TASTE_MARKS)[number];
const MARK_WORDS: Readonly<Record<`${TasteMark}`, string>> = {
  '-2': 'much too thin',
  '-1': 'a little thin',
  '0': 'right',
  '1': 'a little strong',
  '2': 'much too strong',
};
export const tasteMarkWords = (mark: TasteMark): string => MARK_WORDS[`${mark}`];

/** One taste in the middle of a steep. */
export type Taste = {
  /** Seconds in the water until then. */
  readonly after: Seconds;
  /** Absent: tasted, and nothing said. */
  readonly mark?: TasteMark | undefined;
};
/**
 * The tastes of a brew in words.
 * @example tastesWords([{ after: seconds(45), mark: -2 }, { after: seconds(75) }])
 * // '0:45 much too thin, 1:15'
 */
export const tastesWords = (tastes: readonly Taste[]): string =>
  tastes
    .map(({ after, mark }) =>
      mark === undefined ? minutesText(after) : `${minutesText(after)} ${tasteMarkWords(mark)}`,
    )
    .join(', ');

/** When the water really went on: the clock's own start is later by all the time the leaf was out. */
export const waterReallyOn = (waterOn: EpochMs, outs: readonly LeafOut[]): EpochMs =>
  epochMs(waterOn - 1000 * outs.reduce((sum, { lasted }) => sum + lasted, 0));
/** One more time that the leaf was out. */
const outAdded = (
  outs: readonly LeafOut[] | null | undefined,
  steeped: Seconds,
  out: EpochMs,
  back: EpochMs,
): LeafOut[] => [
  ...(outs ?? []),
  { after: steeped, lasted: seconds(Math.max(0, (back - out) / 1000)) },
];

/**
 * The plan after a taste: the next one half a minute on, where the brew finds its time by tasting or is past its best
 * already; else the recipe's own window stays.
 * @param steeped seconds in the water until this taste
 */
const planAfterTaste = <P extends BrewPlan>(plan: P, steeped: Seconds): P =>
  plan.explore || steeped >= plan.recipe.window.best
    ? withWindow(plan, leafBackWindow(seconds(Math.round(steeped)), TASTE_EVERY))
    : plan;

/** What tasting changes of a brew. */
type Tasted<P extends BrewPlan> = {
  readonly plan: P;
  readonly outs?: readonly LeafOut[] | null | undefined;
  readonly tastes?: readonly Taste[] | null | undefined;
};
const withTaste = (
  tastes: readonly Taste[] | null | undefined,
  after: Seconds,
  mark: TasteMark | undefined,
): Taste[] => [...(tastes ?? []), { after, ...(mark !== undefined && { mark }) }];

/** Tasted with the leaf in the water. */
export const tastedWithLeafIn = <P extends BrewPlan>(
  { plan, tastes }: Tasted<P>,
  steeped: Seconds,
  mark: TasteMark | undefined,
) => ({ plan: planAfterTaste(plan, steeped), tastes: withTaste(tastes, steeped, mark) });
/** The leaf goes in again after it was tasted. */
export function leafInAgain<P extends BrewPlan>(
  { plan, outs, tastes }: Tasted<P>,
  { waterOn, out }: Extract<BrewState, { kind: 'tasting' }>,
  { at, mark }: { readonly at: EpochMs; readonly mark?: TasteMark | undefined },
) {
  const steeped = secondsBetween(waterOn, out);
  return {
    plan: planAfterTaste(plan, steeped),
    outs: outAdded(outs, steeped, out, at),
    tastes: withTaste(tastes, steeped, mark),
  };
}
/** The leaf goes back after the steep was ended, for so many seconds more. */
export function leafPutBack<P extends BrewPlan>(
  { plan, outs }: Tasted<P>,
  { waterOn, pulled }: Extract<BrewState, { kind: 'pulled' }>,
  at: EpochMs,
  more: number,
) {
  const steeped = secondsBetween(waterOn, pulled);
  return { plan: withLeafBack(plan, steeped, more), outs: outAdded(outs, steeped, pulled, at) };
}
/**
 * What changes of a brew when its steep is ended by its taste; null when the clock ended it. A brew that found its time
 * so has what it came to as its best.
 */
export function endedByTaste<P extends BrewPlan>(
  { plan, tastes }: Tasted<P>,
  before: BrewState,
  steeped: Seconds,
  mark: TasteMark | undefined,
) {
  const isTastedNow = before.kind === 'tasting' || mark !== undefined;
  const all = isTastedNow ? withTaste(tastes, steeped, mark) : (tastes ?? []);
  if (!plan.explore && all.length === 0) return null;
  return {
    plan: plan.explore ? withWindow(plan, leafBackWindow(seconds(0), Math.round(steeped))) : plan,
    tastes: [...all],
  };
}
/** Seconds in the water until now, or until the leaf came out; null before the water is on. */
export function inWaterUntil(state: BrewState, now: EpochMs): Seconds | null {
  switch (state.kind) {
    case 'warming':
    case 'abandoned':
      return null;
    case 'steeping':
      return seconds(Math.max(0, secondsBetween(state.waterOn, now)));
    case 'tasting':
      return secondsBetween(state.waterOn, state.out);
    case 'pulled':
    case 'judged':
      return secondsBetween(state.waterOn, state.pulled);
  }
}

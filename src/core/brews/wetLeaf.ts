import { isDoneAfterOne } from '#core/recipes';
import type { StyleId } from '#core/styles';
import { type EpochMs, numberText } from '#core/units';
import type { BrewPlan } from './plan';

/** Younger leaf is between two steeps as usual, and nothing is said, min. */
const WORTH_SAYING = 5;
const MINUTE_MS = 60_000;
const HOUR = 60;

/** Leaf that was steeped and lies wet until its next steep. */
export type WetLeaf = {
  readonly minutes: number;
  /** Longer than the house lets leaf lie. */
  readonly isPast: boolean;
};
/**
 * How long the leaf of a brew has lain wet; null when it is done after this steep, or was lifted a moment ago.
 * @param limitHours what the house lets wet leaf lie, h
 */
export function wetLeafOf(
  plan: Pick<BrewPlan, 'recipe'>,
  style: StyleId,
  pulled: EpochMs,
  now: EpochMs,
  limitHours: number,
): WetLeaf | null {
  if (isDoneAfterOne(style, plan.recipe.bag !== null)) return null;
  const minutes = Math.floor((now - pulled) / MINUTE_MS);
  if (minutes < WORTH_SAYING) return null;
  return { minutes, isPast: minutes >= limitHours * HOUR };
}
/** The age of wet leaf, and the caution once it is too old. */
export function wetLeafWords({ minutes, isPast }: WetLeaf, limitHours: number): string {
  const age =
    minutes < HOUR
      ? `${minutes} min`
      : `${Math.floor(minutes / HOUR)} h ${String(minutes % HOUR).padStart(2, '0')}`;
  return isPast
    ? `Leaf wet for ${age}, over the ${numberText(limitHours)} h of this house: throw the leaf away`
    : `Leaf wet for ${age}`;
}

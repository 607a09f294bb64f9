import { minutesText, type Seconds, seconds } from '#core/units';
import { plainProposal, type Proposal } from './proposal';
import { NO_RESCUE } from './rescue';
import { headlineOf } from './words';

/** Times of a recipe are kept to so many seconds; a shorter way off its best is none. */
const TO = 5;
/** The row of the record of corrections under which times found by tasting are kept. */
export const FOUND_TIME = 'foundTime';

/**
 * The best time that a steep found by its tastes, to 5 s; null where it is the recipe's own.
 * @param best what the recipe has @param steeped seconds in the water when it was right
 * @example foundBest(seconds(240), seconds(106)) // 105
 */
export function foundBest(best: Seconds, steeped: Seconds): Seconds | null {
  const found = Math.max(TO, Math.round(steeped / TO) * TO);
  return Math.abs(found - best) < TO ? null : seconds(found);
}
/**
 * A cup that was tasted until it was right says what the recipe's best time is; null where it is the recipe's own.
 * @param tasted the tastes in words
 */
export function foundTimeProposal(
  best: Seconds,
  steeped: Seconds,
  tasted: string,
): Proposal | null {
  const found = foundBest(best, steeped);
  if (found === null) return null;
  const turn = {
    lever: found < best ? ('shorter' as const) : ('longer' as const),
    ...{ from: best, to: found },
  };
  return {
    ...plainProposal({
      ...{ rowId: FOUND_TIME, lever: turn.lever, headline: headlineOf(turn), cup: NO_RESCUE },
      change: `Best at ${minutesText(found)}; the recipe has ${minutesText(best)}.`,
      reason: `Found by tasting: ${tasted}. Leaf and heat stay as they are.`,
    }),
    turns: [turn],
  };
}

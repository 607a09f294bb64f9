import { medianAbsoluteDeviation } from 'simple-statistics';
import { type Scatter, USUAL } from './study';

/** Fewer pulls than this say nothing about a house. */
export const ENOUGH_PULLS = 12;
/** Median absolute deviation to sd, for a normal scatter. */
const TO_SD = 1.4826;

/**
 * How this house minds the clock, from its own pulls (s from best, signed): the spread of the ordinary ones; the odd
 * forgotten pot does not count. The usual attention when there are too few.
 */
export function attentionOf(pullErrors: readonly number[]): Scatter {
  if (pullErrors.length < ENOUGH_PULLS) return USUAL.attention;
  return {
    kind: 'normal',
    sd: Math.max(1, TO_SD * medianAbsoluteDeviation([...pullErrors])),
    share: false,
  };
}

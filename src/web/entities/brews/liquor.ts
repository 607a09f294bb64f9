import { inWaterUntil } from '#core/brews';
import { colourOfBrew, type Liquor } from '#core/colour';
import { type EpochMs, type Seconds, seconds } from '#core/units';
import type { Brew } from '#contracts/brews';
import { brewMade } from './made';

/** Seconds on the leaf until now, or until it was pulled; null before the water is on. */
export const steepedBy = ({ state }: Brew, now: EpochMs): Seconds | null =>
  inWaterUntil(state, now);

/** The liquor of a brew now, in its own vessel and heat; null before the water is on. Anew once a second. */
export function liquorOf(brew: Brew, now: EpochMs): Liquor | null {
  const s = steepedBy(brew, now);
  if (s === null) return null;
  const whole = seconds(brew.state.kind === 'steeping' ? Math.floor(s) : s);
  return colourOfBrew(brewMade(brew, whole), whole);
}

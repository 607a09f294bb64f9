import { colourOfBrew, type Liquor } from '#core/colour';
import { type EpochMs, type Seconds, seconds } from '#core/units';
import type { Brew } from '#contracts/brews';
import { brewMade } from './made';

/** Seconds on the leaf until now, or until it was pulled; null before the water is on. */
export function steepedBy({ state }: Brew, now: EpochMs): Seconds | null {
  if (state.kind === 'warming' || state.kind === 'abandoned') return null;
  return seconds(
    Math.max(0, ((state.kind === 'steeping' ? now : state.pulled) - state.waterOn) / 1000),
  );
}

/** The liquor of a brew now, in its own vessel and heat; null before the water is on. Anew once a second. */
export function liquorOf(brew: Brew, now: EpochMs): Liquor | null {
  const s = steepedBy(brew, now);
  if (s === null) return null;
  const whole = seconds(brew.state.kind === 'steeping' ? Math.floor(s) : s);
  return colourOfBrew(brewMade(brew, whole), whole);
}

import { type EpochMs, epochMs, type Seconds, seconds } from '#core/units';

// Two hands, several vessels: moments that want one at the same time are told ahead and kept apart.

/** Moments nearer than this want two hands (from memory). */
export const APART: Seconds = seconds(15);
/** A brew is put off in steps of this. */
export const STAGGER: Seconds = seconds(20);
/** It is never put off by more: then it may as well meet. */
const MOST = seconds(120);

/** Something a hand does to one brew at one moment. */
export type Moment = { readonly id: string; readonly at: EpochMs };
export type Clash = { readonly first: string; readonly second: string; readonly at: EpochMs };

/** Pairs of moments of different brews that lie nearer than `APART`, still to come, soonest first. */
export function clashesAhead(moments: readonly Moment[], now: EpochMs): Clash[] {
  const ahead = moments.filter((m) => m.at > now).sort((a, b) => a.at - b.at);
  return ahead.flatMap((a, i) => {
    const b = ahead[i + 1];
    return b && b.id !== a.id && b.at - a.at < APART * 1000
      ? [{ first: a.id, second: b.id, at: a.at }]
      : [];
  });
}

/**
 * How long to wait before pouring, so that none of its moments meets another brew's: 0, 20, 40 ... s; 0 too when no
 * wait within two minutes would help.
 * @param own moments of the new brew, seconds from water on.
 */
export function waitToPour(
  own: readonly Seconds[],
  others: readonly Moment[],
  now: EpochMs,
): Seconds {
  const meets = (wait: number) =>
    own.some((s) => others.some((o) => Math.abs(o.at - (now + (wait + s) * 1000)) < APART * 1000));
  for (let wait = 0; wait <= MOST; wait += STAGGER) if (!meets(wait)) return seconds(wait);
  return seconds(0);
}

/** Whose moment the new brew would meet if it were poured now; null: nobody's. */
export function meetsNow(
  own: readonly Seconds[],
  others: readonly Moment[],
  now: EpochMs,
): Moment | null {
  return (
    others.find((o) => own.some((s) => Math.abs(o.at - epochMs(now + s * 1000)) < APART * 1000)) ??
    null
  );
}

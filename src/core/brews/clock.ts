import { type EpochMs, epochMs } from '#core/units';

/**
 * A clock that agrees with the server's and cannot be moved by hand: it runs on the device's steady counter from the
 * last answer of the server. `steady` never jumps when the wall clock is set, but may stand still in sleep.
 */
export type SteadyClock = {
  readonly server: EpochMs;
  readonly steady: number;
  readonly wall: number;
};

/** Anchors the clock at a server's answer that took `roundTrip` ms: the answer was half way old. */
export const anchor = (
  serverNow: number,
  roundTrip: number,
  steady: number,
  wall: number,
): SteadyClock => ({ server: epochMs(serverNow + roundTrip / 2), steady, wall });

/** Server time now, by the steady counter. */
export const nowBy = (clock: SteadyClock, steady: number): EpochMs =>
  epochMs(clock.server + (steady - clock.steady));

/** A gap below this is jitter, ms. */
const JITTER = 1500;

/**
 * After a pause: the wall clock went on by more than the steady counter. Forward is sleep, and is allowed for; back
 * is a
 * clock set by hand, and is not. The next answer of the server settles it in either case.
 */
export function afterPause(clock: SteadyClock, steady: number, wall: number): SteadyClock {
  const gap = wall - clock.wall - (steady - clock.steady);
  if (Math.abs(gap) < JITTER) return clock;
  return { server: epochMs(nowBy(clock, steady) + Math.max(0, gap)), steady, wall };
}

const SECOND_MS = 1000;
/**
 * The whole second that an instant is in: steeps that are counted from whole seconds all change their figure at one
 * moment, and a bar of twelve is drawn once a second, not twelve times. Never before `notBefore`, ms.
 * @example wholeSecond(1_760_000_000_900, 1_760_000_000_250) // 1_760_000_000_250
 */
export const wholeSecond = (at: number, notBefore = -Infinity): EpochMs =>
  epochMs(Math.max(Math.floor(at / SECOND_MS) * SECOND_MS, notBefore));

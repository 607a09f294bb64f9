import { useEffect, useRef, useState } from 'react';
import { afterPause, anchor, nowBy, type SteadyClock } from '#core/brews';
import { type EpochMs, epochMs } from '#core/units';

/**
 * How far the server was ahead of this device's own clock, ms, when it last answered: for a page that starts without
 * it.
 */
const SKEW = 'limnos.skew';
let skew = Number(localStorage.getItem(SKEW)) || 0;
let clock: SteadyClock = {
  server: epochMs(Date.now() + skew),
  steady: performance.now(),
  wall: Date.now(),
};
let setByServer = false;

/** An answer is believed again after so long even if a quicker one was believed before, ms. */
const OLD_MS = 90_000;
let believed = { roundTrip: Infinity, at: 0 };
/**
 * Sets the clock by a server's answer: the quickest of the last while is believed, for half of its way is all it can
 * be wrong.
 */
function setClock(serverNow: number, roundTrip: number, answeredAt = performance.now()): void {
  if (setByServer && roundTrip > believed.roundTrip && answeredAt - believed.at < OLD_MS) return;
  believed = { roundTrip, at: answeredAt };
  const since = performance.now() - answeredAt;
  clock = anchor(serverNow + since, roundTrip, performance.now(), Date.now());
  setByServer = true;
  const found = Math.round(clock.server - Date.now());
  if (Math.abs(found - skew) > 50) localStorage.setItem(SKEW, String(found));
  skew = found;
}
const ASKS = 4;
const ASK_EVERY_MS = 400;
const AGAIN_MS = 60_000;
let asks = 0;
const TIME_PATH = '/api/time';
/**
 * Asks the server the time. The browser's own record of the request counts, not when a busy page came to look at it.
 */
async function askTime(signal?: AbortSignal): Promise<void> {
  const path = `${TIME_PATH}?n=${(asks += 1)}`;
  const asked = performance.now();
  const answer = await fetch(path, { cache: 'no-store', signal: signal ?? null });
  const answered = performance.now();
  const told = Number(answer.headers.get('x-limnos-now'));
  // The record is made when the answer is whole, a task later.
  await answer.arrayBuffer();
  await new Promise((r) => setTimeout(r));
  const entry = performance.getEntriesByName(new URL(path, location.href).href).at(-1) as
    PerformanceResourceTiming | undefined;
  if (!told) return;
  if (entry && entry.requestStart > 0 && entry.responseStart >= entry.requestStart)
    setClock(told, entry.responseStart - entry.requestStart, entry.responseStart);
  else setClock(told, answered - asked, answered);
}
/** No answer for so long: the server does not answer, ms. */
const SILENT_MS = 8000;
/** True when the server answers the question of the time. */
export const serverAnswers = (): Promise<boolean> =>
  askTime(AbortSignal.timeout(SILENT_MS)).then(
    () => true,
    () => false,
  );
/**
 * Keeps the clock at the server's: a few times at first, then every minute. Without a server it runs on as it was
 * set.
 */
export function keepTime(): void {
  const ask = () => void askTime().catch(() => undefined);
  for (let i = 0; i < ASKS; i++) setTimeout(ask, i * ASK_EVERY_MS);
  setInterval(ask, AGAIN_MS);
  addEventListener('online', ask);
}
/** Seconds by which this device's own clock is behind the server's (negative: ahead). Times shown are the server's. */
export const deviceBehind = (): number => skew / 1000;
/** The server's time now, as well as this device can tell. */
export function now(): EpochMs {
  clock = afterPause(clock, performance.now(), Date.now());
  return nowBy(clock, performance.now());
}

const MIN_MS = 40;
const AFTER_MS = 4;

/** Redraws at the moment `until` names, again and again: so many ms from a given instant. */
export function useNowAt(until: (now: EpochMs) => number): EpochMs {
  const [at, setAt] = useState(now);
  const wanted = useRef(until);
  wanted.current = until;
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const draw = () => {
      clearTimeout(timer);
      const t = now();
      setAt(t);
      // A little after, never before: a figure that is due is due.
      timer = setTimeout(draw, Math.max(MIN_MS, wanted.current(t) + AFTER_MS));
    };
    draw();
    document.addEventListener('visibilitychange', draw);
    return () => {
      clearTimeout(timer);
      document.removeEventListener('visibilitychange', draw);
    };
  }, []);
  return at;
}

/** Redraws every `every` ms with the time; a hidden page keeps its instants and draws again when it is seen. */
export function useNow(every = 200): EpochMs {
  const [at, setAt] = useState(now);
  useEffect(() => {
    const draw = () => setAt(now());
    const timer = setInterval(draw, every);
    document.addEventListener('visibilitychange', draw);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', draw);
    };
  }, [every]);
  return at;
}

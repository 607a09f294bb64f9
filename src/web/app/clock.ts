import { useEffect, useState } from 'react';
import { afterPause, anchor, nowBy, type SteadyClock } from '#core/timing';
import { epochMs, type EpochMs } from '#core/units';

let clock: SteadyClock = { server: epochMs(Date.now()), steady: performance.now(), wall: Date.now() };
let setByServer = false;

/** Sets the clock by a server's answer; a slow answer does not move a clock that is set. */
export function setClock(serverNow: number, roundTrip: number): void {
  if (setByServer && roundTrip > 400) return;
  clock = anchor(serverNow, roundTrip, performance.now(), Date.now());
  setByServer = true;
}
/** The server's time now, as well as this device can tell. */
export function now(): EpochMs {
  clock = afterPause(clock, performance.now(), Date.now());
  return nowBy(clock, performance.now());
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

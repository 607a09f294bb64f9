import { type Dispatch, useEffect } from 'react';
import type { ShiftAction } from './model';

const TICK_MS = 100;
/** A page that was held up does not lose more of the shift than this at once, ms. */
const MOST_MS = 500;

/** Runs the clock of a shift so many times faster than a clock; a page that nobody sees stands still. */
export function useShiftClock(
  isRunning: boolean,
  pace: number,
  dispatch: Dispatch<ShiftAction>,
): void {
  useEffect(() => {
    if (!isRunning) return;
    let last = performance.now();
    const timer = setInterval(() => {
      const now = performance.now();
      const passed = Math.min(MOST_MS, now - last);
      last = now;
      dispatch({ kind: 'tick', seconds: (pace * passed) / 1000 });
    }, TICK_MS);
    const hidden = () => {
      if (document.hidden) dispatch({ kind: 'pause', isPaused: true });
    };
    document.addEventListener('visibilitychange', hidden);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', hidden);
    };
  }, [isRunning, pace, dispatch]);
}

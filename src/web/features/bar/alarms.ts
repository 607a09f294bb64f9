import { useEffect, useRef, useState } from 'react';
import type { EpochMs } from '#core/units';
import type { Brew } from '#contracts/brews';
import { heard } from '../../platform/sound';
import { useAppSelector } from '../../platform/store';
import { ringsBetween, saysBetween } from './rings';

/** Rings for every brew as its moments pass; returns the sentence for the live region. */
export function useAlarms(brews: readonly Brew[], now: EpochMs): string {
  const { sound, vibrate } = useAppSelector((s) => s.settings);
  const last = useRef<number>(now);
  const [said, setSaid] = useState('');
  useEffect(() => {
    const from = last.current;
    last.current = now;
    if (now <= from) return;
    for (const brew of brews) {
      const kind = ringsBetween(brew, from, now);
      if (kind) heard(kind, brew.place, { sound, vibrate });
      const words = saysBetween(brew, from, now);
      if (words) setSaid(words);
    }
  }, [brews, now, sound, vibrate]);
  return said;
}

/** Keeps the screen on while something runs, where the browser allows it. */
export function useWakeLock(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const take = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (l) => {
          if (over) void l.release();
          else lock = l;
        },
        () => undefined,
      ); // refused, on battery for instance: the bar goes on without
    };
    take();
    document.addEventListener('visibilitychange', take);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', take);
      void lock?.release();
    };
  }, [wanted]);
}

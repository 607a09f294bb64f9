import { useEffect, useRef, useState } from 'react';
import type { EpochMs } from '#core/units';
import type { Brew } from '#contracts/brews';
import { useAppSelector } from '../../platform/store';
import { type Ring, ringsBetween, saysBetween } from './rings';

let audio: AudioContext | null = null;
/** Sound is allowed only after a touch; this is called on the first. */
export function allowSound(): void {
  audio ??= new AudioContext();
  if (audio.state === 'suspended') void audio.resume();
}
const LOUDNESS = [0, 0.08, 0.22, 0.5] as const;

function strike(frequency: number, after: number, decay: number, gain: number) {
  if (!audio) return;
  const t = audio.currentTime + after;
  const [tone, level] = [audio.createOscillator(), audio.createGain()];
  tone.frequency.value = frequency;
  level.gain.setValueAtTime(gain, t);
  level.gain.exponentialRampToValueAtTime(0.0001, t + decay);
  tone.connect(level).connect(audio.destination);
  tone.start(t);
  tone.stop(t + decay + 0.02);
}
/** A place's pitch: each a third above the one before, so that a brewer learns which it is. */
function ring(kind: Ring, place: number, loudness: number) {
  const pitch = 2 ** ((((place - 1) % 6) * 4) / 12 / 2);
  if (kind === 'knock') [0, 0.14].forEach((t) => strike(220 * pitch, t, 0.06, loudness * 1.4));
  else
    (kind === 'tap' ? [0] : [0, 0.24]).forEach((t) =>
      [1900, 3100].forEach((f) => strike(f * pitch, t, 0.18, loudness)),
    );
}

/** Rings for every brew as its moments pass; returns the sentence for the live region. */
export function useAlarms(brews: readonly Brew[], now: EpochMs): string {
  const { sound, vibrate } = useAppSelector((s) => s.settings);
  const loudness = LOUDNESS[sound];
  const last = useRef<number>(now);
  const [said, setSaid] = useState('');
  useEffect(() => {
    const from = last.current;
    last.current = now;
    if (now <= from) return;
    for (const brew of brews) {
      const kind = ringsBetween(brew, from, now);
      if (kind && loudness > 0) ring(kind, brew.place, loudness);
      // In the quiet mode it still shakes, where it can.
      if (kind && kind !== 'knock' && vibrate)
        navigator.vibrate?.(kind === 'tap' ? 120 : [120, 90, 120]);
      const words = saysBetween(brew, from, now);
      if (words) setSaid(words);
    }
  }, [brews, now, loudness, vibrate]);
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

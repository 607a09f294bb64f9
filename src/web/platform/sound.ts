import type { Settings } from './settings';

// What is heard of a steep: a knock before its best, a tap at it, taps while it is late.

/** Moments that are heard, as seconds from best and latest. */
export type Ring = 'knock' | 'tap' | 'taps';
const LATE_EVERY_MS = 20_000;
const LATE_TIMES = 3;
const KNOCK_MS = 10_000;

/** What is heard between two instants of one steep. Pure: a page that slept hears only the last of what it missed. */
export function heardBetween(
  { best, latest }: { readonly best: number; readonly latest: number },
  from: number,
  to: number,
): Ring | null {
  const at = (moment: number) => from < moment && moment <= to;
  for (let i = LATE_TIMES; i >= 0; i--) if (at(latest + i * LATE_EVERY_MS)) return 'taps';
  if (at(best)) return 'tap';
  return at(best - KNOCK_MS) ? 'knock' : null;
}

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

/** Rings, and shakes where it can: as the device is set. In the quiet mode it still shakes. */
export function heard(
  kind: Ring,
  place: number,
  { sound, vibrate }: Pick<Settings, 'sound' | 'vibrate'>,
): void {
  const loudness = LOUDNESS[sound];
  if (loudness > 0) ring(kind, place, loudness);
  if (kind !== 'knock' && vibrate) navigator.vibrate?.(kind === 'tap' ? 120 : [120, 90, 120]);
}

import { type Random, seeded } from '#core/numeric';
import { type Celsius, celsius } from '#core/units';

/** What a simulated fridge probe goes through: for the demo, for tests, and to practise with. */
export const PROBE_STORIES = {
  normal: 'the fridge runs as usual',
  door: 'the door is left open for twenty minutes',
  power: 'the power is off for six hours: the probe is silent, then warm',
  stuck: 'the probe sends the same value again and again',
} as const;
export type ProbeStory = keyof typeof PROBE_STORIES;
export const PROBE_STORY_NAMES = Object.keys(PROBE_STORIES) as readonly ProbeStory[];

/** A usual fridge, C: its mean, and how far the compressor lets it swing. From memory. */
const [MEAN, SWING, SWING_MINUTES] = [3.8, 0.5, 40];
const NOISE = 0.2;
/** The trouble begins so many minutes on. */
const BEGINS = 60;
const DOOR = { minutes: 20, warmest: 12, tau: 15 } as const;
/** A shut fridge warms slowly towards the room, and is cold again sooner. */
const POWER = { minutes: 360, room: 21, tauWarming: 480, tauCooling: 45 } as const;

/** Warms towards `to` for so long, then comes back. Minutes. */
function bump(
  t: number,
  s: { minutes: number; to: number; tauWarming: number; tauCooling: number },
): number {
  if (t < 0) return 0;
  const rise = s.to - MEAN;
  const warmed = (minutes: number) => rise * (1 - Math.exp(-minutes / s.tauWarming));
  if (t <= s.minutes) return warmed(t);
  return warmed(s.minutes) * Math.exp(-(t - s.minutes) / s.tauCooling);
}

/** One reading of a story, so many minutes on; null: the probe says nothing. Seeded: the same story reads the same. */
export function simulatedReading(story: ProbeStory, minutes: number, seed = 1): Celsius | null {
  if (story === 'stuck') return celsius(MEAN);
  const t = minutes - BEGINS;
  if (story === 'power' && t >= 0 && t < POWER.minutes) return null;
  const random: Random = seeded(seed + Math.round(minutes) * 7919);
  const usual =
    MEAN + SWING * Math.sin((2 * Math.PI * minutes) / SWING_MINUTES) + NOISE * (2 * random() - 1);
  const trouble = {
    normal: 0,
    door: bump(t, {
      minutes: DOOR.minutes,
      to: DOOR.warmest,
      tauWarming: DOOR.tau,
      tauCooling: DOOR.tau,
    }),
    power: bump(t, { ...POWER, to: POWER.room }),
  }[story];
  return celsius(Math.round((usual + trouble) * 10) / 10);
}

import type { Scaling } from '#core/scaling';
import type { Celsius, GramsPer100Ml, Seconds } from '#core/units';

/** How leaf and water are brought together. One recipe shape serves all. */
export const METHODS = {
  pot: { label: 'pot', pull: 'Lift the basket', done: 'Lifted' },
  infuserCup: { label: 'infuser cup', pull: 'Lift the infuser', done: 'Lifted' },
  release: { label: 'release steeper', pull: 'Set it on the jug', done: 'Released' },
  bag: { label: 'bag or pocket', pull: 'Lift the bag out', done: 'Lifted' },
  liddedCup: { label: 'lidded cup', pull: 'Pour it off', done: 'Poured' },
  tastingSet: { label: 'tasting set', pull: 'Pour it off', done: 'Poured' },
} as const;
export type Method = keyof typeof METHODS;
export const METHOD_NAMES = Object.keys(METHODS) as readonly Method[];

/** When to pull: seconds from water on, earliest < = best < = latest. */
export type Window = { readonly earliest: Seconds; readonly best: Seconds; readonly latest: Seconds };

/** What a house recipe fixes. Temperature is of the water on the leaf. */
export type Recipe = {
  readonly dose: GramsPer100Ml;
  readonly scaling: Scaling;
  readonly temperature: Celsius;
  readonly window: Window;
  /** Warm the vessel first. */
  readonly warm: boolean;
  readonly lid: boolean;
  /** Best seconds of later steeps of the same leaf. */
  readonly later: readonly Seconds[];
  readonly note: string;
};

/** Null when the window makes sense; else why not. */
export function windowFault(w: Window): string | null {
  if (!(w.earliest > 0)) return 'Earliest must be more than nothing.';
  if (w.best < w.earliest) return 'Best cannot come before earliest.';
  if (w.latest < w.best) return 'Latest cannot come before best.';
  if (w.latest > 3600) return 'A hot steep ends within the hour.';
  return null;
}

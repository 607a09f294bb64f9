import { normal, type Random } from '#core/numeric';
import { type Grams, grams } from '#core/units';

/** A weight with its moment on a steady clock, ms. */
export type Weighed = {
  readonly at: number;
  readonly grams: Grams;
  readonly stable?: boolean | null;
};

/** Steady when it has kept within so many grams for so long. Common practice for 0.1 g scales. */
export const STEADY = { within: 0.2, ms: 700 } as const;

/** True when the last readings have kept still, or the scale says so itself; a scale that says it moves is believed. */
export function isSteady(readings: readonly Weighed[], now: number): boolean {
  const last = readings.at(-1);
  if (!last || now - last.at > 2000) return false;
  if (last.stable === false) return false;
  if (last.stable === true) return true;
  const recent = readings.filter((r) => last.at - r.at <= STEADY.ms);
  const first = readings[0];
  if (!first || last.at - first.at < STEADY.ms || recent.length < 3) return false;
  const values = recent.map((r) => r.grams);
  return Math.max(...values) - Math.min(...values) <= STEADY.within + 1e-6;
}

/** How a weight stands to what is wanted: `share` of it, and what the hand should do. */
export type Pouring = {
  readonly share: number;
  readonly left: Grams;
  readonly say: 'empty' | 'more' | 'slowly' | 'there' | 'over';
};
/** Slowly from nine tenths on; there within the scale's own tenth. */
export function pourUntil(target: Grams, weight: Grams, within = 0.1): Pouring {
  const left = grams(Math.round((target - weight) * 10) / 10);
  const share = weight / target;
  const say = sayOf({ weight, target, within, share });
  return { share, left, say };
}

/** What to do at the scale. */
function sayOf({
  weight,
  target,
  within,
  share,
}: {
  weight: Grams;
  target: Grams;
  within: number;
  share: number;
}) {
  if (weight < Math.min(0.3, target * 0.05)) return 'empty';
  if (Math.abs(target - weight) <= within + 1e-9) return 'there';
  if (weight > target) return 'over';
  if (share >= 0.9) return 'slowly';
  return 'more';
}

/** A made-up scale: it settles on what lies on it, trembles, and shows tenths. */
export function simulatedScale(random: Random, { settleMs = 350, noise = 0.04, step = 0.1 } = {}) {
  let on = 0;
  let shown = 0;
  let zero = 0;
  let last = 0;
  return {
    /** Puts so much on it, in all. */
    load: (g: Grams) => {
      on = g;
    },
    get loaded() {
      return grams(on);
    },
    tare: () => {
      zero = shown;
    },
    /** What it shows at a moment, ms of a steady clock. */
    read(at: number): Weighed {
      shown += (on - shown) * (1 - Math.exp(-Math.max(0, at - last) / settleMs));
      last = at;
      const v = shown - zero + normal(random, 0, noise);
      return { at, grams: grams(Math.round(v / step) * step), stable: null };
    },
  };
}

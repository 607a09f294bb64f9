import { cooled, coolingRate, followed, type Material } from '#core/heat';
import { type Celsius, type Seconds, seconds } from '#core/units';
import { hold, type Infusion, type Setting } from './infusion';

/** How the water's heat goes while it steeps. Temperatures are of the water on the leaf. */
export type Heat =
  | { readonly kind: 'constant'; readonly at: Celsius }
  | {
      readonly kind: 'cooling';
      readonly start: Celsius;
      readonly ambient: Celsius;
      readonly material: Material;
      readonly lid: boolean;
      readonly cosy?: boolean;
    }
  /** Hours in a fridge or a cool room: the liquor follows the air with one time constant. */
  | {
      readonly kind: 'following';
      readonly start: Celsius;
      readonly air: Celsius;
      readonly tau: Seconds;
    };

/** One stretch of a steep, s from its start. */
export type Panel = { readonly from: number; readonly to: number };

/**
 * The stretches a cooling steep is cut into: an absolute grid 0, 3, 12, 27 ... 3 j^2 s, the last cut at `time`. A
 * longer steep shares its beginning, so a cup is monotone in time by construction. The grid is part of the model.
 */
export function coolingPanels(time: Seconds): Panel[] {
  const panels: Panel[] = [];
  for (let j = 0; 3 * j * j < time; j++)
    panels.push({ from: 3 * j * j, to: Math.min(3 * (j + 1) ** 2, time) });
  return panels;
}
/** At constant temperature any number is exact but for aroma: four, at t (j/4)^2. */
export const constantPanels = (time: Seconds): Panel[] =>
  [0, 1, 2, 3].map((j) => ({ from: time * (j / 4) ** 2, to: time * ((j + 1) / 4) ** 2 }));

/** The water's temperature along the steep. */
function courseOf(heat: Heat, water: Setting['water']): (after: Seconds) => Celsius {
  switch (heat.kind) {
    case 'constant':
      return () => heat.at;
    case 'cooling': {
      const { start, ambient, material, lid, cosy } = heat;
      const rate = coolingRate({ volume: water, material, lid, cosy });
      return (after) => cooled(start, ambient, rate, after);
    }
    case 'following':
      return (after) => followed(heat.start, heat.air, heat.tau, after);
  }
}
/** The panels of a steep, each with its temperature: of its middle, after it is cut. */
export function heatedPanels(
  heat: Heat,
  water: Setting['water'],
  time: Seconds,
): (Panel & { at: Celsius })[] {
  const at = courseOf(heat, water);
  const panels = heat.kind === 'constant' ? constantPanels(time) : coolingPanels(time);
  return panels.map((p) => ({ ...p, at: at(seconds((p.from + p.to) / 2)) }));
}

/** Temperature of the water after `time`. */
export const heatAfter = (heat: Heat, water: Setting['water'], time: Seconds): Celsius =>
  courseOf(heat, water)(time);

function requireSteep(set: Setting, time: Seconds): void {
  if (!(set.water > 0) || !(set.leaf > 0)) throw new RangeError('a steep needs water and leaf');
  if (!(time >= 0)) throw new RangeError('a steep takes time');
}
/**
 * Leaf and liquor after `time` on the leaf.
 * @throws {RangeError} on no water, no leaf or negative time.
 */
export function steep(from: Infusion, set: Setting, heat: Heat, time: Seconds): Infusion {
  requireSteep(set, time);
  return heatedPanels(heat, set.water, time).reduce(
    (state, p) => hold(state, set, p.at, p.to - p.from),
    from,
  );
}
/**
 * The same for many times of one steep: the stretches that a longer steep shares with a shorter one are worked out
 * once. What it gives throws as `steep` does.
 */
export function steepInTime(from: Infusion, set: Setting, heat: Heat): (time: Seconds) => Infusion {
  if (heat.kind === 'constant') return (time) => steep(from, set, heat, time);
  const at = courseOf(heat, set.water);
  const onwards = (state: Infusion, p: Panel) =>
    hold(state, set, at(seconds((p.from + p.to) / 2)), p.to - p.from);
  /** Leaf and liquor at the end of each whole stretch. */
  const ends: Infusion[] = [];
  return (time) => {
    requireSteep(set, time);
    const panels = coolingPanels(time);
    const whole = panels.slice(0, -1);
    const start = whole.reduce((state, p, j) => (ends[j] ??= onwards(state, p)), from);
    return panels.slice(-1).reduce(onwards, start);
  };
}

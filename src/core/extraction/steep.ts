import { cooled, coolingRate, followed, type Material } from '#core/heat';
import { type Celsius, type Seconds, seconds } from '#core/units';
import { hold, type Infusion, type Setting, standing } from './infusion';

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
/** Temperature of the water after `time`. */
export const heatAfter = (heat: Heat, water: Setting['water'], time: Seconds): Celsius =>
  courseOf(heat, water)(time);
/** The same water's heat, going on from `time` on. */
const heatFrom = (heat: Heat, water: Setting['water'], time: Seconds): Heat =>
  heat.kind === 'constant' ? heat : { ...heat, start: heatAfter(heat, water, time) };

/** The leaf out of its water in the middle of a steep, to be tasted: from so many seconds in it, for so many. */
export type LeafOut = { readonly after: Seconds; readonly lasted: Seconds };
/** The leaf in the water without a break, and how long it was out after that. */
type Stretch = {
  readonly from: number;
  readonly heat: Heat;
  readonly time: Seconds;
  readonly out: Seconds;
};
/** A steep between the times its leaf was out; the water cools on meanwhile. Only seconds in the water count. */
function stretchesOf(
  heat: Heat,
  water: Setting['water'],
  time: Seconds,
  outs: readonly LeafOut[],
): Stretch[] {
  const stretches: Stretch[] = [];
  let [now, from] = [heat, 0];
  for (const out of outs.filter(({ after }) => after < time)) {
    const inWater = seconds(out.after - from);
    stretches.push({ from, heat: now, time: inWater, out: out.lasted });
    now = heatFrom(now, water, seconds(inWater + out.lasted));
    from = out.after;
  }
  return [...stretches, { from, heat: now, time: seconds(time - from), out: seconds(0) }];
}
/** A panel with its temperature: of its middle, after it is cut. */
type HeatedPanel = Panel & { readonly at: Celsius };
function panelsOf({ from, heat, time }: Stretch, water: Setting['water']): HeatedPanel[] {
  const at = courseOf(heat, water);
  const panels = heat.kind === 'constant' ? constantPanels(time) : coolingPanels(time);
  return panels.map((p) => ({
    from: from + p.from,
    to: from + p.to,
    at: at(seconds((p.from + p.to) / 2)),
  }));
}
/**
 * The panels of a steep, each with its temperature. Their grid begins anew whenever the leaf goes back into the water.
 * @param outs when the leaf was out, in their order
 */
export const heatedPanels = (
  heat: Heat,
  water: Setting['water'],
  time: Seconds,
  outs: readonly LeafOut[] = [],
): HeatedPanel[] =>
  stretchesOf(heat, water, time, outs).flatMap((stretch) => panelsOf(stretch, water));

function requireSteep(set: Setting, time: Seconds): void {
  if (!(set.water > 0) || !(set.leaf > 0)) throw new RangeError('a steep needs water and leaf');
  if (!(time >= 0)) throw new RangeError('a steep takes time');
}
/** Liquor whose leaf is out: it only cools, and its aroma goes to the air. */
function rest(from: Infusion, set: Setting, { heat, time, out }: Stretch): Infusion {
  const middle = heatAfter(heat, set.water, seconds(time + out / 2));
  return standing(from, set, middle, out);
}
/**
 * Leaf and liquor after `time` on the leaf.
 * @param outs when the leaf was out of its water, in their order; `time` counts the seconds in it alone
 * @throws {RangeError} on no water, no leaf or negative time.
 */
export function steep(
  from: Infusion,
  set: Setting,
  heat: Heat,
  time: Seconds,
  outs: readonly LeafOut[] = [],
): Infusion {
  requireSteep(set, time);
  return stretchesOf(heat, set.water, time, outs).reduce((state, stretch) => {
    const steeped = panelsOf(stretch, set.water).reduce(
      (leaf, p) => hold(leaf, set, p.at, p.to - p.from),
      state,
    );
    return stretch.out > 0 ? rest(steeped, set, stretch) : steeped;
  }, from);
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

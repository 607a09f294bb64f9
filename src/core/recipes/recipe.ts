import type { Scaling } from '#core/scaling';
import type { Celsius, Grams, GramsPer100Ml, Millilitres, Seconds } from '#core/units';
import type { SpoonDose } from './spoonDose';

/** How leaf and water are brought together. One recipe shape serves all; the cold ones are counted in hours. */
export const METHODS = {
  pot: { label: 'pot', cold: false },
  infuserCup: { label: 'infuser cup', cold: false },
  release: { label: 'release steeper', cold: false },
  bag: { label: 'bag or pocket', cold: false },
  liddedCup: { label: 'lidded cup', cold: false },
  tastingSet: { label: 'tasting set', cold: false },
  fridge: { label: 'fridge brew', cold: true },
  counter: { label: 'counter brew', cold: true },
  extract: { label: 'extract', cold: true },
  warmThenCold: { label: 'warm, then cold', cold: true },
} as const;
export type Method = keyof typeof METHODS;
export const METHOD_NAMES = Object.keys(METHODS) as readonly Method[];
/** Brewed by hours and kept cold, not by minutes at the bar. */
export const isCold = (m: Method): boolean => METHODS[m].cold;

/** When to pull: seconds from water on, earliest < = best < = latest. */
export type Window = {
  readonly earliest: Seconds;
  readonly best: Seconds;
  readonly latest: Seconds;
};

/** How what is brewed reaches several cups alike. */
export const SERVE_ORDERS = {
  plain: 'straight into the cup',
  turns: 'in turns, 1-2-3 and back 3-2-1',
  jug: 'through a jug',
} as const;
export type ServeOrder = keyof typeof SERVE_ORDERS;
export const SERVE_ORDER_NAMES = Object.keys(SERVE_ORDERS) as readonly ServeOrder[];

/** When a step of the house's own is done. */
export const OWN_STEP_TIMES = {
  before: 'before the water',
  steep: 'while it steeps',
  after: 'when the leaf is out',
} as const;
export type OwnStepTime = keyof typeof OWN_STEP_TIMES;
export const OWN_STEP_TIME_NAMES = Object.keys(OWN_STEP_TIMES) as readonly OwnStepTime[];
/** A step of the house's own, in its own words: shake the leaf flat, lid on after a minute. */
export type OwnStep = {
  readonly when: OwnStepTime;
  /** Seconds from water on, of a step while it steeps; null: in its turn, or as soon as the water is on. */
  readonly at: Seconds | null;
  readonly words: string;
};
export const OWN_STEPS_MOST = 8;
export const OWN_STEP_LETTERS = 60;

/** What hands do besides the clock. */
export type Handling = {
  /** Hot water on the leaf for so long and poured away first; 0: none. */
  readonly rinse: Seconds;
  /** Moments from water on at which it is stirred or swirled. */
  readonly stir: readonly Seconds[];
  /** Pour slowly, in circles. */
  readonly circles: boolean;
  /** Share of the liquor kept under the leaf for the next steep; 0: drained to the last drop. */
  readonly root: number;
  readonly squeeze: boolean;
  readonly milk: boolean;
  readonly order: ServeOrder;
  /** The house's own steps, in their order; absent: none. */
  readonly own?: readonly OwnStep[] | undefined;
};

/** An extract in the glass: so much of it, then so much water. */
export const SERVING_STYLES = {
  hot: 'hot',
  room: 'at room temperature',
  sparkling: 'sparkling',
  chilled: 'chilled',
} as const;
export type ServingStyle = keyof typeof SERVING_STYLES;
export const SERVING_STYLE_NAMES = Object.keys(SERVING_STYLES) as readonly ServingStyle[];
export type ServingGlass = {
  readonly style: ServingStyle;
  readonly extract: Millilitres;
  readonly water: Millilitres;
};

/** Warm-then-cold: the first part of the water, hot, for a while; the rest goes on cold. */
export type WarmStart = {
  readonly share: number;
  readonly temperature: Celsius;
  readonly time: Seconds;
};
/** What staff may go from the recipe without asking. */
export type Leeway = { readonly time: Seconds; readonly leaf: Grams };

/** What a house recipe fixes. Temperature is of the water on the leaf. */
export type Recipe = {
  readonly dose: GramsPer100Ml;
  /** Leaf is counted in spoons, and `dose` is what they hold; null or absent: leaf is weighed. */
  readonly spoons?: SpoonDose | null | undefined;
  readonly scaling: Scaling;
  readonly temperature: Celsius;
  readonly window: Window;
  /** Warm the vessel first. */
  readonly warm: boolean;
  readonly lid: boolean;
  /** The windows of later steeps of the same leaf. */
  readonly later: readonly Window[];
  readonly handling: Handling;
  readonly leeway: Leeway | null;
  /** Leaf in one bag or pocket, where it is counted; null where it is weighed. */
  readonly bag: Grams | null;
  /** Of warm-then-cold only. */
  readonly warmStart: WarmStart | null;
  /** Of an extract only. */
  readonly glasses: readonly ServingGlass[];
  readonly note: string;
  /** Where its figures were taken from while nobody has dialled them in: "the packet"; empty for a house's own. */
  readonly origin: string;
};

/** A hot steep ends within the hour, a cold one within three days (cautious; the local food code decides). */
const LONGEST = { hot: 3600, cold: 72 * 3600 } as const;
const HOTTEST_COLD = 30;

/** Null when a window makes sense; else why not. */
export function windowFault(w: Window, method: Method = 'pot'): string | null {
  if (!(w.earliest > 0)) return 'Earliest must be more than nothing.';
  if (w.best < w.earliest) return 'Best cannot come before earliest.';
  if (w.latest < w.best) return 'Latest cannot come before best.';
  if (isCold(method))
    return w.latest > LONGEST.cold ? 'A cold steep ends within three days.' : null;
  return w.latest > LONGEST.hot ? 'A hot steep ends within the hour.' : null;
}

/** What no single field of a recipe can tell, named by the field to mend. */
export function recipeFault(
  r: Recipe,
  method: Method,
): {
  readonly field:
    | 'window'
    | 'later'
    | 'temperature'
    | 'warmStart'
    | 'handling'
    | 'own'
    | 'glasses'
    | 'bag'
    | 'spoons';
  readonly why: string;
} | null {
  const main = windowFault(r.window, method);
  if (main) return { field: 'window', why: main };
  const again = r.later.map((w) => windowFault(w, method)).find((f) => f !== null);
  if (again) return { field: 'later', why: again };
  if (isCold(method) && r.later.length > 0)
    return { field: 'later', why: 'Cold-brewed leaf is done after one steep.' };
  if (isCold(method) && r.temperature > HOTTEST_COLD)
    return {
      field: 'temperature',
      why: `Cold water goes on here: at most ${HOTTEST_COLD} °C. What goes on hot first belongs to warm-then-cold.`,
    };
  if (method !== 'bag' && r.bag !== null)
    return { field: 'bag', why: 'Only bags and pockets are counted.' };
  if (method === 'bag' && r.spoons)
    return { field: 'spoons', why: 'A bag or pocket is counted or weighed, not spooned.' };
  if (r.spoons && r.scaling.school !== 'linear')
    return {
      field: 'spoons',
      why: 'Spoons go in step with the water: choose that for other vessels, or weigh the leaf.',
    };
  if ((method === 'warmThenCold') !== (r.warmStart !== null))
    return {
      field: 'warmStart',
      why: r.warmStart
        ? 'Only warm-then-cold begins with hot water.'
        : 'Say how much water goes on hot, how hot, and for how long.',
    };
  if (method !== 'extract' && r.glasses.length > 0)
    return { field: 'glasses', why: 'Only an extract is let down in the glass.' };
  if (r.handling.stir.some((s) => s >= r.window.latest))
    return { field: 'handling', why: 'It is lifted before that stir.' };
  const own = r.handling.own ?? [];
  if (own.some((s) => s.at !== null && s.when !== 'steep'))
    return { field: 'own', why: 'Only a step while it steeps has a time.' };
  if (own.some((s) => s.at !== null && s.at >= r.window.latest))
    return { field: 'own', why: 'The leaf is out before that step.' };
  return null;
}

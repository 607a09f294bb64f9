import { type StyleId, styleOf } from '#core/styles';
import { type Celsius, celsius, seconds } from '#core/units';
import type { Method, Window } from './recipe';

// How often a leaf is steeped, and the short ladders of small vessels. Common practice where not said otherwise.

/** So many steeps a style usually gives, from and to. */
export type UsualSteeps = { readonly from: number; readonly to: number };
/** Bagged and broken leaf is done after one. */
const ONCE = new Set(['broken', 'fannings', 'dust']);
export const isDoneAfterOne = (style: StyleId, bagged: boolean): boolean =>
  bagged || ONCE.has(styleOf(style).grade);

/**
 * How many steeps a style usually gives. Green, scented, oolong and ripe dark are common practice; black, white and
 * herbal are from memory.
 * @param bagged in a bag or pocket: done after one
 * @example usualSteeps('oolong-light', false) // { from: 4, to: 6 }
 */
export function usualSteeps(style: StyleId, bagged: boolean): UsualSteeps {
  if (isDoneAfterOne(style, bagged)) return { from: 1, to: 1 };
  if (style === 'green-scented') return { from: 4, to: 5 };
  switch (styleOf(style).family) {
    case 'green':
      return { from: 2, to: 3 };
    case 'oolong':
      return { from: 4, to: 6 };
    case 'ripe dark':
      return { from: 6, to: 7 };
    case 'white':
      return { from: 3, to: 4 };
    case 'black':
      return { from: 1, to: 2 };
    case 'herbal':
      return { from: 1, to: 1 };
  }
}
/** The same in words. @example stepsWords({ from: 1, to: 1 }) // 'usually one steep' */
export const stepsWords = ({ from, to }: UsualSteeps): string => {
  if (to === 1) return 'usually one steep';
  return from === to ? `usually ${to} steeps` : `usually ${from} to ${to} steeps`;
};

/** A window about a short steep: a hand needs a few seconds (from memory). */
const shortWindow = (best: number): Window => ({
  earliest: seconds(best <= 30 ? best - 5 : Math.round((best * 0.8) / 5) * 5),
  best: seconds(best),
  latest: seconds(best <= 30 ? best + 10 : Math.round((best * 1.3) / 5) * 5),
});
/** One way to brew in a lidded cup or a tasting set: much leaf, short steeps, each of its own length. */
export type Ladder = {
  readonly why: string;
  /** g per 100 ml. */
  readonly dose: number;
  readonly window: Window;
  readonly later: readonly Window[];
};
const ladder = (dose: number, times: readonly number[], why: string): Ladder => {
  const [window, ...later] = times.map(shortWindow);
  return { ...{ why, dose, later }, window: window as Window };
};
/**
 * A ladder as it is named.
 * @example ladderName(SMALL_LADDERS[0]) // 'small vessel, 3 g per 100 ml: 45, 60, 90 s'
 */
export const ladderName = ({ dose, window, later }: Ladder): string =>
  `small vessel, ${dose} g per 100 ml: ${[window, ...later].map((w) => w.best).join(', ')} s`;
/** The two doses of small vessels and the times that go with them. */
export const SMALL_LADDERS: readonly Ladder[] = [
  ladder(3, [45, 60, 90], 'First floral and sweet, then strength, at last a mild late sweetness.'),
  ladder(
    5,
    [20, 20, 60, 60, 90],
    'More leaf, shorter steeps, and more of them: each cup shows another side of the leaf.',
  ),
];
/** Small vessels are brewed near this heat, °C. */
const SMALL_HEAT = 90;
export const isSmallVessel = (method: Method): boolean =>
  method === 'liddedCup' || method === 'tastingSet';
/** The heat in a small vessel: near 90 °C, as far as the style bears it; green leaf keeps its own. */
export function smallHeat(style: StyleId): Celsius {
  const { family, start, range } = styleOf(style);
  if (family === 'green') return celsius(start.temperature);
  return celsius(Math.min(range.temperature[1], Math.max(range.temperature[0], SMALL_HEAT)));
}
/** A ladder's steeps for a style: no more than the style usually gives. */
export function ladderFor(style: StyleId, { later, ...rest }: Ladder): Ladder {
  const { to } = usualSteeps(style, false);
  return { ...rest, later: later.slice(0, to - 1) };
}

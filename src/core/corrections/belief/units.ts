import type { Brewing } from '#core/cup';
import { celsius, grams, seconds } from '#core/units';
import { HEAT_STEP, LEAF_STEP, TIME_STEP } from '../levers';

// Leaf, heat and time of a recipe in effort units: leaf x1.15, 4 °C, time x1.2.

/** Leaf, heat and time, in this order. */
export type Three = readonly [leaf: number, heat: number, time: number];
export const NO_UNITS: Three = [0, 0, 0];
export const THREE = ['leaf', 'heat', 'time'] as const;
export type BeliefLever = (typeof THREE)[number];

/** What of a recipe is turned: leaf for the same water. */
export type RecipeDose = {
  readonly gPer100ml: number;
  readonly temperatureC: number;
  readonly seconds: number;
};
/**
 * How far a recipe lies from another, effort units.
 * @example unitsBetween({ gPer100ml: 1, temperatureC: 90, seconds: 200 }, { gPer100ml: 1, temperatureC: 94, seconds: 200 }) // [0, 1, 0]
 */
export const unitsBetween = (from: RecipeDose, to: RecipeDose): Three => [
  Math.log(to.gPer100ml / from.gPer100ml) / Math.log(LEAF_STEP),
  (to.temperatureC - from.temperatureC) / HEAT_STEP,
  Math.log(to.seconds / from.seconds) / Math.log(TIME_STEP),
];
/** A recipe turned by so many units. */
export const doseTurned = (dose: RecipeDose, [leaf, heat, time]: Three): RecipeDose => ({
  gPer100ml: dose.gPer100ml * LEAF_STEP ** leaf,
  temperatureC: dose.temperatureC + HEAT_STEP * heat,
  seconds: dose.seconds * TIME_STEP ** time,
});
export const added = (a: Three, b: Three): Three => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const negative = (a: Three): Three => [-a[0], -a[1], -a[2]];

/** A brew turned in place: one object, so that the quick cup always meets the same shape. */
export type Turning = { -readonly [K in keyof Brewing]: Brewing[K] };
/** Sets leaf, heat and time of `into` to those of a brew turned by so many units; nothing is held to a style’s range. */
export function turnBy(into: Turning, brew: Brewing, leaf: number, heat: number, time: number) {
  into.leaf = leaf === 0 ? brew.leaf : grams(brew.leaf * LEAF_STEP ** leaf);
  into.temperature = heat === 0 ? brew.temperature : celsius(brew.temperature + HEAT_STEP * heat);
  into.time = time === 0 ? brew.time : seconds(brew.time * TIME_STEP ** time);
}

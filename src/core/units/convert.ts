import {
  type Celsius,
  celsius,
  type EpochMs,
  epochMs,
  type Millilitres,
  millilitres,
  type Seconds,
  seconds,
} from './quantity';

/** The international inch is exactly 25.4 mm (1959 yard and pound agreement; NIST SP 811 app. B). */
const ML_PER_CUBIC_INCH = 2.54 ** 3;
/** The US gallon is exactly 231 cubic inches (NIST Handbook 44 app. C). */
const ML_PER_US_GALLON = 231 * ML_PER_CUBIC_INCH;
/** The imperial gallon is exactly 4.54609 l (UK Units of Measurement Regulations 1995). */
const ML_PER_IMPERIAL_GALLON = 4546.09;

/** Volume units of the trade in ml. Gallons are exact by definition; the rest are their exact fractions. */
export const ML_PER = {
  ml: 1,
  litre: 1000,
  usFlOz: ML_PER_US_GALLON / 128,
  imperialFlOz: ML_PER_IMPERIAL_GALLON / 160,
  /** US spoons: 3 teaspoons to the tablespoon, 2 tablespoons to the fluid ounce (NIST Handbook 44 app. C). */
  usTeaspoon: ML_PER_US_GALLON / 768,
  usTablespoon: ML_PER_US_GALLON / 256,
  /** Metric spoons: common practice, rounded by agreement. */
  metricTeaspoon: 5,
  dessertSpoon: 10,
  metricTablespoon: 15,
  /** "Cup" on a US packet: 8 US fl oz. */
  usCup: ML_PER_US_GALLON / 16,
  metricCup: 250,
  /** The classic teacup, common practice. */
  teacup: 150,
} as const;
export type VolumeUnit = keyof typeof ML_PER;

/** One avoirdupois ounce is exactly 28.349523125 g (1959 agreement). */
export const GRAMS_PER_OUNCE = 28.349523125;

/** `amount` of `unit` in ml. @example toMl(16, 'usFlOz') // 473.176473 */
export const toMl = (amount: number, unit: VolumeUnit): Millilitres =>
  millilitres(amount * ML_PER[unit]);
/** ml in `unit`. @example fromMl(millilitres(500), 'usFlOz') // 16.907011 */
export const fromMl = (volume: Millilitres, unit: VolumeUnit): number => volume / ML_PER[unit];

/** Exact: F = 9/5 C + 32. @example toFahrenheit(celsius(80)) // 176 */
export const toFahrenheit = (t: Celsius): number => (t * 9) / 5 + 32;
/** @example fromFahrenheit(212) // 100 */
export const fromFahrenheit = (f: number): Celsius => celsius(((f - 32) * 5) / 9);
/**
 * A temperature as packets print it: whole Fahrenheit to the nearest 5 (common practice). @example
 * packetFahrenheit(celsius(85)) // 185
 */
export const packetFahrenheit = (t: Celsius): number => Math.round(toFahrenheit(t) / 5) * 5;

/** From `from` to `to` in seconds; negative when `to` lies before. */
export const secondsBetween = (from: EpochMs, to: EpochMs): Seconds => seconds((to - from) / 1000);
/** The instant `after` seconds past `from`. */
export const later = (from: EpochMs, after: Seconds): EpochMs => epochMs(from + after * 1000);

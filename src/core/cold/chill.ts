import {
  LEAF_SPECIFIC_HEAT,
  type Material,
  wallHeatCapacity,
  WATER_SPECIFIC_HEAT,
} from '#core/heat';
import {
  type Celsius,
  celsius,
  type Grams,
  grams,
  type Millilitres,
  type Seconds,
  seconds,
} from '#core/units';

/** Leaf and water in a vessel, and what each brings of heat. */
export type ColdFill = {
  readonly water: Millilitres;
  readonly leaf: Grams;
  readonly material: Material;
  /** What the vessel holds to its brim: its wall is weighed by it. */
  readonly capacity: Millilitres;
  readonly wallAt: Celsius;
  readonly leafAt: Celsius;
  readonly waterAt: Celsius;
};

/** Heat from a vessel's wall to still fridge air, W/(m2 K): from memory; a fan makes it about 12. */
const STILL_AIR = 8;
/** What a gram of ice takes to melt, J: 334 (handbook). */
const MELTING = 334;
const SECONDS_AN_HOUR = 3600;

/** Heat capacities, J/K: over hours the whole wall takes part. */
function capacitiesOf({ water, leaf, material, capacity }: Omit<ColdFill, 'waterAt'>) {
  const of = {
    water: WATER_SPECIFIC_HEAT * water,
    wall: wallHeatCapacity(material, capacity),
    leaf: LEAF_SPECIFIC_HEAT * leaf,
  };
  return { ...of, all: of.water + of.wall + of.leaf };
}

/**
 * Where liquor begins once water, wall and leaf have come to one temperature.
 * @throws {RangeError} unless there is water.
 */
export function startOf(fill: ColdFill): Celsius {
  if (!(fill.water > 0)) throw new RangeError('no water to chill');
  const c = capacitiesOf(fill);
  return celsius((c.water * fill.waterAt + c.wall * fill.wallAt + c.leaf * fill.leafAt) / c.all);
}

/**
 * How slowly a fill follows the air: the time constant of an upright cylinder as high as wide, losing heat by side, top
 * and bottom. One litre in glass takes about 2.9 h, two 3.7 h.
 */
export function followingTime(fill: Omit<ColdFill, 'waterAt'>): Seconds {
  if (!(fill.water > 0)) throw new RangeError('no water to chill');
  const diameter = Math.cbrt((4 * fill.water * 1e-6) / Math.PI);
  const surface = 1.5 * Math.PI * diameter ** 2;
  return seconds(capacitiesOf(fill).all / (STILL_AIR * surface));
}

/** The time constant two readings show, `apart` seconds from each other. Null unless the second is nearer to the air. */
export function followingTimeFrom(
  first: Celsius,
  second: Celsius,
  air: Celsius,
  apart: Seconds,
): Seconds | null {
  const ratio = (first - air) / (second - air);
  return ratio > 1 && apart > 0 ? seconds(apart / Math.log(ratio)) : null;
}

/** Seconds until the liquor is at `limit`; 0 when it begins there; null when the air never takes it there. */
export function coldAfter(
  start: Celsius,
  air: Celsius,
  tau: Seconds,
  limit: Celsius,
): Seconds | null {
  if (start <= limit) return seconds(0);
  if (air >= limit) return null;
  return seconds(tau * Math.log((start - air) / (limit - air)));
}

/** Whether a fill is cold soon enough, and what would make it so. */
export type Chill = {
  readonly start: Celsius;
  readonly tau: Seconds;
  /** Until it is at the limit; null: never in this air. */
  readonly coldAfter: Seconds | null;
  readonly inTime: boolean;
  /** The warmest water that would do; null when the air itself is too warm. */
  readonly waterAtMost: Celsius | null;
  /** Ice to give in place of so much of the water; 0 when it is in time; null as above. */
  readonly ice: Grams | null;
};

/**
 * Cold within `within` seconds? Food made from room-warm ingredients is to be at 5 C within 4 h (public guidance, from
 * memory). Otherwise the colder water or the ice that would do it.
 */
export function chillOf(fill: ColdFill, air: Celsius, limit: Celsius, within: Seconds): Chill {
  const start = startOf(fill);
  const tau = followingTime(fill);
  const after = coldAfter(start, air, tau, limit);
  const inTime = after !== null && after <= within;
  const known = { start, tau, coldAfter: after, inTime };
  if (air >= limit) return { ...known, waterAtMost: null, ice: inTime ? grams(0) : null };
  const warmest = air + (limit - air) * Math.exp(within / tau);
  const c = capacitiesOf(fill);
  return {
    ...known,
    waterAtMost: celsius((c.all * warmest - c.wall * fill.wallAt - c.leaf * fill.leafAt) / c.water),
    ice: grams(
      inTime ? 0 : (c.all * (start - warmest)) / (WATER_SPECIFIC_HEAT * fill.waterAt + MELTING),
    ),
  };
}

/**
 * Warm-then-cold: the ice that brings hot and cold water together to `target`, taken in place of as much cold water.
 * 0 when they are there without it.
 */
export function iceForWarmStart(
  hot: { readonly water: Millilitres; readonly at: Celsius },
  cold: { readonly water: Millilitres; readonly at: Celsius },
  target: Celsius,
): Grams {
  const heat =
    WATER_SPECIFIC_HEAT *
    (hot.water * hot.at + cold.water * cold.at - (hot.water + cold.water) * target);
  return grams(Math.max(0, heat / (WATER_SPECIFIC_HEAT * cold.at + MELTING)));
}

export const hours = (n: number): Seconds => seconds(n * SECONDS_AN_HOUR);
export const inHours = (s: Seconds): number => s / SECONDS_AN_HOUR;

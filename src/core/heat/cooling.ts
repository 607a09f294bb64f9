import { type Celsius, celsius, type Millilitres, type Seconds, seconds } from '#core/units';
import { engagedHeatCapacity, type Material, WATER_SPECIFIC_HEAT } from './contact';

export type CoolingVessel = {
  readonly volume: Millilitres;
  readonly material: Material;
  readonly lid: boolean;
  readonly cosy?: boolean;
};

/** Newton and evaporation constants: dtheta/dt = -(a + b theta) theta, theta over ambient. a in 1/s, b in 1/(K s). */
export type CoolingRate = { readonly a: number; readonly b: number };

/**
 * Cooling of a full vessel as an upright cylinder of height = width. Surface losses W/(m2 K) are from memory
 * (14 bare wall, 5 in a cosy, 6 or 8 over the top; evaporation 0.13 lidded, 1.1 open).
 * @throws {RangeError} unless the volume is positive.
 */
export function coolingRate(v: CoolingVessel): CoolingRate {
  if (!(v.volume > 0)) throw new RangeError('nothing to cool');
  const diameter = Math.cbrt((4 * v.volume * 1e-6) / Math.PI);
  const side = Math.PI * diameter ** 2;
  const top = side / 4;
  const capacity = v.volume * WATER_SPECIFIC_HEAT + engagedHeatCapacity(v.material, v.volume);
  const wallLoss = v.cosy ? 5 : 14;
  const openLoss = 6;
  const coveredLoss = v.cosy ? 4 : 8;
  const lidLoss = v.lid ? coveredLoss : openLoss;
  const evaporation = v.lid ? 0.13 : 1.1;
  return {
    a: (wallLoss * (side + top / 2) + lidLoss * top) / capacity,
    b: (evaporation * top) / capacity,
  };
}

/** Temperature after `elapsed`; stays between ambient and the start. */
export function cooled(
  start: Celsius,
  ambient: Celsius,
  rate: CoolingRate,
  elapsed: Seconds,
): Celsius {
  const theta0 = start - ambient;
  const e = Math.exp(-rate.a * elapsed);
  if (theta0 <= 0) return celsius(ambient + theta0 * e);
  return celsius(ambient + (rate.a * theta0 * e) / (rate.a + rate.b * theta0 * (1 - e)));
}

/** Seconds until `target`; 0 when already there, null when it lies at or below ambient. */
export function waitUntil(
  start: Celsius,
  target: Celsius,
  ambient: Celsius,
  rate: CoolingRate,
): Seconds | null {
  if (target <= ambient) return null;
  if (target >= start) return seconds(0);
  const theta0 = start - ambient;
  const theta = target - ambient;
  const r = rate.b / rate.a;
  return seconds(Math.log((theta0 * (1 + r * theta)) / (theta * (1 + r * theta0))) / rate.a);
}

/**
 * Temperature after `elapsed` of what follows the air with one time constant, hours long: Newton's law with neither
 * evaporation nor a crust of warm air.
 */
export const followed = (start: Celsius, air: Celsius, tau: Seconds, elapsed: Seconds): Celsius =>
  celsius(air + (start - air) * Math.exp(-elapsed / tau));

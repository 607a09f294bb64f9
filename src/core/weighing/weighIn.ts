import { waterDensity } from '#core/heat';
import { type Celsius, type Grams, type Millilitres, millilitres } from '#core/units';

/**
 * What a vessel holds, weighed empty and with water so warm. Density of water: Kell 1975; buoyancy in air (0.1 %) is
 * left out.
 * @throws {RangeError} unless full is heavier than empty.
 * @example volumeWeighed(grams(400), grams(899.1), celsius(20)) // 500 ml
 */
export function volumeWeighed(empty: Grams, full: Grams, water: Celsius): Millilitres {
  if (!(full > empty)) throw new RangeError('full must be heavier than empty');
  return millilitres((full - empty) / waterDensity(water));
}

import {
  type Celsius,
  celsius,
  type Grams,
  grams,
  type GramsPerMl,
  gramsPerMl,
  type Millilitres,
} from '#core/units';

/**
 * Density of liquid water at 1 atm, 0 to 100 C (Kell 1975 form).
 * @throws {RangeError} outside 0..100 C.
 * @example waterDensity(celsius(20)) // 0.99820 g/ml
 */
export function waterDensity(t: Celsius): GramsPerMl {
  if (!(t >= 0 && t <= 100)) throw new RangeError(`no liquid water at ${t} C`);
  const n =
    999.83952 +
    t *
      (16.945176 +
        t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - t * 280.54253e-12))));
  return gramsPerMl(n / (1 + 16.87985e-3 * t) / 1000);
}

export type WaterPart = { readonly volume: Millilitres; readonly temperature: Celsius };

/**
 * Waters poured together, by mass, no loss to air or wall.
 * @throws {RangeError} when nothing is poured.
 */
export function mixWater(parts: readonly WaterPart[]): { mass: Grams; temperature: Celsius } {
  let mass = 0;
  let heat = 0;
  for (const part of parts) {
    const g = part.volume * waterDensity(part.temperature);
    mass += g;
    heat += g * part.temperature;
  }
  if (!(mass > 0)) throw new RangeError('nothing to mix');
  return { mass: grams(mass), temperature: celsius(heat / mass) };
}

export type Split = { readonly hot: Grams; readonly cold: Grams };

/**
 * Hot and cold water that make `total` at `target`; null when the target lies above the hot or below the cold:
 * out of reach is an outcome, never a clamp.
 * @example splitWater(grams(300), celsius(93), celsius(12), celsius(80)).cold // 48 g
 */
export function splitWater(
  total: Grams,
  hot: Celsius,
  cold: Celsius,
  target: Celsius,
): Split | null {
  if (target > hot || target < cold) return null;
  const hotGrams = hot === cold ? total : (total * (target - cold)) / (hot - cold);
  return { hot: grams(hotGrams), cold: grams(total - hotGrams) };
}

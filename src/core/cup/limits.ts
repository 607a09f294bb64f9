import { LIMITS } from '#core/extraction';
import type { Celsius, Grams, Millilitres, Seconds } from '#core/units';

/** Why the model has nothing to say of a brew; null when it lies within its limits. Cold brews may take two days. */
export function outsideLimits(b: {
  leaf: Grams;
  water: Millilitres;
  temperature: Celsius;
  time: Seconds;
  constant?: boolean;
}): string | null {
  const [coldest, hottest] = LIMITS.temperatureC;
  const [thin, thick] = LIMITS.gramsPerLitre;
  const [short, long] = b.constant && b.temperature < 30 ? LIMITS.coldSeconds : LIMITS.hotSeconds;
  const dose = (1000 * b.leaf) / b.water;
  if (b.temperature < coldest || b.temperature > hottest)
    return `The model speaks for ${coldest} to ${hottest} °C on the leaf.`;
  if (dose < thin || dose > thick)
    return `The model speaks for ${thin / 10} to ${thick / 10} g per 100 ml.`;
  if (b.time < short) return `The model speaks for steeps of ${short} s or more.`;
  if (b.time > long)
    return b.constant
      ? 'The model speaks for up to 48 h.'
      : 'The model speaks for hot steeps of up to half an hour.';
  return null;
}

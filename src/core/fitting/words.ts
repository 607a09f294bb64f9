import { numberText } from '#core/units';
import { type FittedName, MOSTLY_LEARNT } from './fit';

const NAMES: Readonly<Record<FittedName, string>> = {
  rate: 'How fast it gives',
  pool: 'How much it holds',
  bite: 'How bitter it is',
  sensitivity: 'What heat does',
};
export const fittedName = (f: FittedName): string => NAMES[f];
/** What cups taught of one value. `sd` of the log multiplier. */
export function learntWords(multiplier: number, learnt: number, sd: number): string {
  if (learnt === 0) return 'as its style: nothing learnt yet';
  const from = `${numberText(multiplier * Math.exp(-sd), 2)} to ${numberText(multiplier * Math.exp(sd), 2)}`;
  return learnt < MOSTLY_LEARNT
    ? `mostly the style default; ${from} times its style`
    : `${from} times its style`;
}
/** What would teach most, for the next exercise at the table; null when all is learnt. */
export function teachMore(learnt: Readonly<Record<FittedName, number>>): string | null {
  if (learnt.rate < MOSTLY_LEARNT)
    return 'A ladder of time, four cups or more, teaches most: how fast it gives is still mostly the style’s.';
  if (learnt.bite < MOSTLY_LEARNT)
    return 'Marks for bitter and drying on a ladder of time teach the most: how bitter it is is still mostly the style’s.';
  if (learnt.pool < MOSTLY_LEARNT)
    return 'Marks for strength, or a refractometer’s reading, teach the most: how much it holds is still mostly the style’s.';
  if (learnt.sensitivity < MOSTLY_LEARNT)
    return 'A ladder of temperature teaches the most: every cup was brewed at nearly one temperature, so what heat does is still the style’s.';
  return null;
}

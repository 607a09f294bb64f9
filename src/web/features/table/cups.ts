import { colourOfBrew, type ColouredBrew, type Liquor } from '#core/colour';
import { brewingOf, type Recipe } from '#core/recipes';
import type { KnownTea } from '#core/styles';
import type { Exercise, PlannedCup, Way } from '#core/tasting';
import { celsius, countWord, grams, millilitres, minutesText, numberText, seconds, temperatureText } from '#core/units';
import type { VesselFields } from '#contracts/shelf';

export type MadeOf = { readonly tea: KnownTea; readonly recipe: Recipe; readonly vessel: VesselFields };
/** A cup of a table as the models need it. */
export const brewOfCup = ({ tea, recipe, vessel }: MadeOf, c: PlannedCup): ColouredBrew =>
  brewingOf({ tea, recipe, vessel, leaf: grams(c.grams), water: millilitres(c.water), onLeaf: celsius(c.celsius), time: seconds(c.seconds) });
/** Its colour after so many seconds. */
export const liquorOfCup = (of: MadeOf, c: PlannedCup, s: number): Liquor => colourOfBrew(brewOfCup(of, c), seconds(Math.max(0, s)));
export const WAY_WORDS: Readonly<Record<Way, string>> = { seconds: 'time', grams: 'leaf', celsius: 'temperature', water: 'water' };
/** The name of an exercise: "Ladder of time". */
export const exerciseName = (kind: Exercise['kind'], way: Way): string => ({ ladder: `Ladder of ${WAY_WORDS[way]}`, pair: `Pair, ${WAY_WORDS[way]}`, triangle: `Triangle, ${WAY_WORDS[way]}`, duoTrio: `Duo-trio, ${WAY_WORDS[way]}` })[kind];
export const cupsWords = (n: number): string => `${countWord(n)} ${n === 1 ? 'cup' : 'cups'}`;
/** What is alike in all cups, in words. */
export function alikeWords(e: Pick<Exercise, 'way' | 'cups'>, scale: 'C' | 'F'): string {
  const c = e.cups[0]?.plan;
  if (!c) return '';
  return [e.way === 'grams' ? null : `${numberText((c.grams / c.water) * 100, 2)} g per 100 ml`, e.way === 'celsius' ? null : temperatureText(celsius(c.celsius), scale), e.way === 'seconds' ? null : minutesText(c.seconds)].filter(Boolean).join(', ');
}

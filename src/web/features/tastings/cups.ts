import { colourOfBrew, type Liquor } from '#core/colour';
import {
  brewOfCup,
  type Compared,
  type Exercise,
  EXERCISES,
  type Factor,
  type MadeOf,
  type PlannedCup,
} from '#core/tastings';
import { celsius, countWord, minutesText, numberText, seconds, temperatureText } from '#core/units';

/** Its colour after so many seconds. */
export const liquorOfCup = (of: MadeOf, c: PlannedCup, s: number): Liquor =>
  colourOfBrew(brewOfCup(of, c), seconds(Math.max(0, s)));
export const WAY_WORDS: Readonly<Record<Factor, string>> = {
  seconds: 'time',
  grams: 'leaf',
  celsius: 'temperature',
  water: 'water',
};
/** The name of an exercise: "Ladder of time". */
export function exerciseName({
  kind,
  way,
  compares,
}: {
  kind: Exercise['kind'];
  way: Factor;
  compares?: Compared | null | undefined;
}): string {
  switch (kind) {
    case 'ladder':
      return `Ladder of ${WAY_WORDS[way]}`;
    case 'pair':
    case 'triangle':
    case 'duoTrio':
      return `${EXERCISES[kind].label}, ${WAY_WORDS[way]}`;
    case 'comparison':
      return compares === 'steep' ? 'Steeps of one leaf' : 'Infusers side by side';
    case 'dialIn':
      return 'Dial-in of a lot';
    case 'calibration':
      return 'Calibration of tasters';
  }
}
export const cupsWords = (n: number): string => `${countWord(n)} ${n === 1 ? 'cup' : 'cups'}`;
/** What is alike in all cups, in words. */
export function alikeWords(
  e: Pick<Exercise, 'kind' | 'way' | 'cups' | 'compares'>,
  scale: 'C' | 'F',
): string {
  const c = e.cups[0]?.plan;
  if (!c || e.kind === 'dialIn' || e.kind === 'calibration') return '';
  return [
    e.way === 'grams' && !e.compares
      ? null
      : `${numberText((c.grams / c.water) * 100, 2)} g per 100 ml`,
    e.way === 'celsius' && !e.compares ? null : temperatureText(celsius(c.celsius), scale),
    e.compares === 'steep' || (e.way === 'seconds' && !e.compares) ? null : minutesText(c.seconds),
  ]
    .filter(Boolean)
    .join(', ');
}

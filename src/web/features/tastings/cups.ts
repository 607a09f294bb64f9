import { type Compared, type Exercise, EXERCISES, type Factor } from '#core/tastings';
import { celsius, countWord, minutesText, numberText, temperatureText } from '#core/units';

export const WAY_WORDS: Readonly<Record<Factor, string>> = {
  seconds: 'time',
  grams: 'leaf',
  celsius: 'temperature',
  water: 'water',
};
/** What a comparison compares, as a word of a sentence. */
export const COMPARED_WORDS: Readonly<Record<Compared, string>> = {
  infuser: 'infuser',
  steep: 'steep',
  stirring: 'stirring',
  poured: 'place in the pour',
  hotCold: 'way of brewing',
  lid: 'lid',
  warming: 'warming of the vessel',
  milk: 'milk',
  glass: 'water on the extract',
  water: 'water',
  lot: 'lot',
  tea: 'tea',
};
const COMPARISON_NAMES: Readonly<Record<Compared, string>> = {
  infuser: 'Infusers side by side',
  steep: 'Steeps of one leaf',
  stirring: 'Stirred beside still',
  poured: 'Cups of one pot',
  hotCold: 'Hot beside cold',
  lid: 'Lid on beside lid off',
  warming: 'Vessel warmed beside not',
  milk: 'With milk beside without',
  glass: 'Waters on one extract',
  water: 'Waters side by side',
  lot: 'Lots side by side',
  tea: 'Teas side by side',
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
      return COMPARISON_NAMES[compares ?? 'infuser'];
    case 'dialIn':
      return 'Dial-in of a lot';
    case 'calibration':
      return 'Calibration of tasters';
  }
}
export const cupsWords = (n: number): string => `${countWord(n)} ${n === 1 ? 'cup' : 'cups'}`;
/** A figure in which the cups may differ. */
function isVaried({ way, compares }: Pick<Exercise, 'way' | 'compares'>, figure: Factor): boolean {
  if (!compares) return way === figure;
  if (compares === 'hotCold' || compares === 'tea') return true;
  return (
    (compares === 'steep' && figure === 'seconds') ||
    (compares === 'warming' && figure === 'celsius')
  );
}
/** What is alike in all cups, in words. */
export function alikeWords(
  e: Pick<Exercise, 'kind' | 'way' | 'cups' | 'compares'>,
  scale: 'C' | 'F',
): string {
  const c = e.cups[0]?.plan;
  if (!c || e.kind === 'dialIn' || e.kind === 'calibration') return '';
  return [
    (!e.compares && e.way === 'grams') || e.compares === 'tea'
      ? null
      : `${numberText((c.grams / c.water) * 100, 2)} g per 100 ml`,
    isVaried(e, 'celsius') ? null : temperatureText(celsius(c.celsius), scale),
    isVaried(e, 'seconds') ? null : minutesText(c.seconds),
  ]
    .filter(Boolean)
    .join(', ');
}

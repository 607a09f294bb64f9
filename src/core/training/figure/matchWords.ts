import { numberText } from '#core/units';
import type { FigureWords } from './drill';
import { MATCH_RANGE, type MatchGiven } from './match';

/** How a cup to match is asked and answered, in words. */
export function matchWords(given: MatchGiven): FigureWords {
  const { cup, wanted, start } = given;
  return {
    ...{ tea: cup.tea, known: 'Both cups hold this tea. One cup has more water.' },
    ...{
      asked: 'Make your cup as strong as the other cup.',
      question: 'How strong?',
      name: 'Your cup',
      unit: '%',
    },
    rule: { ...MATCH_RANGE, tick: 50, start },
    ...{ text: (v) => numberText(v, 0), perTyped: 1 },
    working: [`The other cup has ${wanted} % of the strength of the house cup.`],
    lesson:
      'Judge colour in the same white cup, in daylight, from above. Look away before you look again.',
    mistake: () => '',
    inCup: (value) => {
      const off = Math.round(100 * (value / wanted - 1));
      if (off === 0) return 'The cups are equally strong.';
      return `Your cup is ${Math.abs(off)} % ${off > 0 ? 'stronger' : 'weaker'}.`;
    },
    cannot: null,
  };
}

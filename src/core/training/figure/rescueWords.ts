import { houseTaste } from '#core/corrections';
import { brewCup } from '#core/cup';
import { cupWords, differenceWords } from '#core/taste';
import { minutesText, numberText } from '#core/units';
import type { FigureWords } from './drill';
import { g, ml } from './figureWords';
import {
  RESCUE_ACTS,
  RESCUE_MARKS,
  type RescueAct,
  rescueCups,
  rescueFigure,
  type RescueGiven,
  type RescueMark,
  tasteRescued,
} from './rescue';

// How a cup that went wrong is asked about and worked out, in words.

export const RESCUE_ACT_WORDS: Readonly<Record<RescueAct, string>> = {
  water: 'add hot water',
  leafBack: 'put the leaf back',
  blend: 'mix the two cups',
  none: 'brew a new cup',
};
const MARK_WORDS: Readonly<Record<RescueMark, string>> = {
  bitterness: 'bitterness',
  astringency: 'dryness',
  stewed: 'a stewed taste',
  aroma: 'aroma',
  nothing: 'nothing',
};
const HOW: Readonly<Record<RescueGiven['kind'], string>> = {
  over: 'You add hot water to the cup.',
  weak: 'You put the leaf back into the cup.',
  blend: 'You mix one cup from the two cups.',
  extract: 'The cup holds an extract. You add water.',
  lost: '',
};
const QUESTIONS: Readonly<Record<RescueGiven['kind'], string>> = {
  over: 'How much hot water?',
  weak: 'How much longer?',
  blend: 'How much of the weak cup?',
  extract: 'How much water?',
  lost: '',
};
const LESSONS: Readonly<Record<RescueAct, string>> = {
  water: 'Water makes a strong cup right in strength. A bitter cup stays bitter.',
  leafBack: 'Taste every half minute: late in a steep seconds bring bite before strength.',
  blend: 'A weak cup corrects a strong cup better than water does.',
  none: 'Nothing helps a cup that is thin and bitter. Brew a new cup and tell the guest.',
};
const lessonOf = (given: RescueGiven): string => {
  const acts = { over: 'water', extract: 'water', weak: 'leafBack', blend: 'blend', lost: 'none' };
  return LESSONS[acts[given.kind] as RescueAct];
};

function knownWords(given: RescueGiven): string {
  const task = rescueCups(given);
  const { cup } = given;
  const isBeside = given.kind === 'blend' ? ' A weak cup of the same tea is beside it.' : '';
  return (
    `${g(cup.leafGrams)} in ${ml(cup.waterMl)} make the house cup: ${cupWords(houseTaste(task))}. ` +
    `In hand, ${ml(task.volume)}: ${cupWords(brewCup(task.brew).taste)}.${isBeside}`
  );
}
/** What the cup is like with so much of it, against the house cup. */
export function rescueInCup(given: RescueGiven, value: number): string {
  const words = differenceWords(tasteRescued(given, value), houseTaste(rescueCups(given)));
  return words.length === 0 ? 'Like the house cup.' : `Against the house cup: ${words.join(', ')}.`;
}

const numbered = <Id extends string>(ids: readonly Id[], words: Readonly<Record<Id, string>>) => ({
  rule: { least: 1, most: ids.length, step: 1, tick: 1 },
  ...{ unit: '', perTyped: 1, mistake: () => '' },
  text: (value: number) => {
    const id = ids[Math.round(value) - 1];
    return id === undefined ? '' : words[id];
  },
});

const TICKS = { ml: [20, 50, 100], s: [60, 120, 300] } as const;
const MOST_TICKS = 6;
const tickOf = (most: number, unit: 'ml' | 's'): number =>
  TICKS[unit].find((t) => most / t <= MOST_TICKS) ?? 600;

/** @throws {RangeError} where the question is no fair one */
export function rescueWords(given: RescueGiven): FigureWords {
  const figure = rescueFigure(given);
  if (!figure) throw new RangeError('no question');
  const task = rescueCups(given);
  const common = {
    ...{ tea: given.cup.tea, known: knownWords(given), lesson: lessonOf(given) },
    cannot: null,
  };
  if (given.ask === 'act') {
    const acts = numbered(RESCUE_ACTS, RESCUE_ACT_WORDS);
    return {
      ...{
        ...common,
        ...acts,
        asked: 'A guest is waiting.',
        question: 'What do you do with this cup?',
      },
      ...{ name: 'Act', working: [`Here: ${acts.text(figure.truth)}.`], inCup: () => '' },
    };
  }
  if (given.ask === 'mark') {
    const marks = numbered(RESCUE_MARKS, MARK_WORDS);
    return {
      ...{ ...common, ...marks, asked: `${HOW[given.kind]} Then the strength is right.` },
      ...{ question: 'What is still wrong?', name: 'Mark', inCup: () => '' },
      working: [`Still wrong: ${marks.text(figure.truth)}.`],
    };
  }
  const isTime = task.unit === 's';
  const said = (value: number) => (isTime ? minutesText(value) : ml(value));
  return {
    ...{ ...common, asked: HOW[given.kind], question: QUESTIONS[given.kind] },
    ...{ name: isTime ? 'Longer' : 'Amount', unit: isTime ? 'min' : 'ml' },
    rule: { least: 0, most: task.most, step: task.step, tick: tickOf(task.most, task.unit) },
    text: isTime ? minutesText : (v) => numberText(v, 0),
    perTyped: isTime ? 60 : 1,
    working: [
      `With ${said(figure.truth)} the cup is as strong as the house cup.`,
      rescueInCup(given, figure.truth),
    ],
    mistake: (id) =>
      id === 'twice'
        ? 'this is twice the right amount'
        : 'this takes the strength of the taste for the grams in the cup',
    inCup: (value) => rescueInCup(given, value),
  };
}

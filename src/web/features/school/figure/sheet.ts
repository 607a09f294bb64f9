import { quartersText } from '#core/recipes';
import {
  choicesOf,
  figureToCup,
  judgedFigure,
  mistakeOf,
  scaleLesson,
  scaleMistakeWords,
  scaleQuestion,
  scaleWorking,
  SPOONS_LESSON,
  spoonsMistakeWords,
  spoonsQuestion,
  spoonsWorking,
} from '#core/training';
import { numberText } from '#core/units';
import type { FigureAsked } from '../drill.worker';

/** What a figure drill shows, whichever it is. */
export type FigureSheet = {
  readonly known: string;
  readonly asked: string;
  /** "How much leaf?", and the name of its rule. */
  readonly question: string;
  readonly name: string;
  readonly unit: string;
  /** Of one step of the rule, and from tick to tick. */
  readonly step: number;
  readonly tick: number;
  readonly most: number;
  readonly text: (value: number) => string;
  readonly choices: readonly number[] | null;
  /** A typed figure in the rule’s own steps. @example 3.5 spoons are 14 quarters */
  readonly perTyped: number;
  readonly working: readonly string[];
  readonly lesson: string;
  /** What a wrong figure comes from; null: no mistake that is known. */
  readonly mistake: (value: number) => string | null;
};

/** The end of the rule: beyond every figure that a mistake comes to, in whole tens of steps. */
const endOf = (figures: readonly number[], by: number): number =>
  by * Math.ceil((1.1 * Math.max(...figures)) / by);
const figuresOf = ({ figure }: FigureAsked): number[] => [
  figure.shown,
  ...figure.mistakes.map((m) => m.value),
];

const isWrong = ({ figure }: FigureAsked, value: number): boolean =>
  judgedFigure(figure, value) === 'wrong';

export function sheetOf(asked: FigureAsked): FigureSheet {
  const choices = choicesOf(asked.figure, asked.given.level);
  if (asked.drill === 'scale') {
    const { given, figure } = asked;
    const most = endOf(figuresOf(asked), 5);
    return {
      ...{
        ...scaleQuestion(given),
        question: 'How much leaf?',
        name: 'Leaf',
        unit: 'g',
        choices,
        most,
      },
      ...{ step: 0.1, tick: most > 30 ? 10 : 5, perTyped: 1 },
      ...{ text: (v) => numberText(v, 1), working: scaleWorking(given, figure) },
      lesson: scaleLesson(given),
      mistake: (value) => {
        const id = isWrong(asked, value) ? mistakeOf(figure, value) : null;
        return id && scaleMistakeWords(id);
      },
    };
  }
  const { given, figure } = asked;
  const most = Math.min(80, endOf(figuresOf(asked), 8));
  return {
    ...{ ...spoonsQuestion(given), question: 'How many spoons?', name: 'Spoons', choices, most },
    ...{ unit: 'spoons', step: 1, tick: most > 40 ? 8 : 4, perTyped: 4 },
    ...{ text: quartersText, working: spoonsWorking(given, figure), lesson: SPOONS_LESSON },
    mistake: (value) => {
      const id = isWrong(asked, value) ? mistakeOf(figure, value) : null;
      return id && spoonsMistakeWords(id);
    },
  };
}
/** What a figure that was answered does to the cup. */
export const cupOfFigure = ({ figure }: FigureAsked, value: number): string =>
  figureToCup(value, figure.truth);

import {
  DIAGNOSIS_GUESS,
  DIAGNOSIS_VERSION,
  type DiagnosisGiven,
  workDiagnosis,
} from './diagnosis/draw';
import { type DiagnosisAnswer, type Judged, scoreDiagnosis } from './diagnosis/score';
import { choicesOf, type Figure, type FigureAnswer, figureGuess, judgedFigure } from './figures';
import {
  isOrder,
  ORDER_GUESS,
  ORDER_VERSION,
  type OrderAnswer,
  type OrderGiven,
  scoreOrder,
  workOrder,
} from './order';
import { isFairScale, SCALE_VERSION, scaleFigure, type ScaleGiven } from './scale';
import { SPOONS_VERSION, spoonsFigure, type SpoonsGiven } from './spoons';

/** A question of a drill with its answer. */
export type DrillTask =
  | {
      readonly drill: 'diagnose';
      readonly given: DiagnosisGiven;
      readonly answer: DiagnosisAnswer;
    }
  | { readonly drill: 'order'; readonly given: OrderGiven; readonly answer: OrderAnswer }
  | { readonly drill: 'scale'; readonly given: ScaleGiven; readonly answer: FigureAnswer }
  | { readonly drill: 'spoons'; readonly given: SpoonsGiven; readonly answer: FigureAnswer };
/** What an answer is worth, and what is kept beside it. */
export type JudgedTask = {
  readonly credit: number;
  readonly judged: Judged;
  readonly guess: number;
  /** Of how the drill is drawn and worked out. */
  readonly version: number;
  readonly choices: readonly string[];
};

/** What an answer is worth by its verdict alone. */
export const creditOf = (judged: Judged): number => ({ right: 1, near: 0.5, wrong: 0 })[judged];
/** A figure that was answered; null: with a choice that was not offered. */
function judgedValue(
  figure: Figure,
  { given: { level }, answer: { value } }: { given: { level: number }; answer: FigureAnswer },
  version: number,
): JudgedTask | null {
  const choices = choicesOf(figure, level);
  if (choices && !choices.some((c) => Math.abs(c - value) < 1e-6)) return null;
  const judged = judgedFigure(figure, value);
  const guess = figureGuess(choices);
  return { credit: creditOf(judged), judged, guess, version, choices: (choices ?? []).map(String) };
}

/** Works a question out again and judges its answer; null: it is no fair question, or not answered. */
export function judgeTask(task: DrillTask): JudgedTask | null {
  switch (task.drill) {
    case 'diagnose': {
      const diagnosis = workDiagnosis(task.given);
      if (diagnosis.unfair !== null) return null;
      const { credit, judged } = scoreDiagnosis(diagnosis, task.answer);
      const { choices } = diagnosis;
      return { credit, judged, guess: DIAGNOSIS_GUESS, version: DIAGNOSIS_VERSION, choices };
    }
    case 'order': {
      const { fair, strengths } = workOrder(task.given);
      const { shuffle } = task.given;
      const isWhole = [shuffle, task.answer.letters].every((o) => isOrder(o, strengths.length));
      if (!fair || !isWhole) return null;
      const { judged } = scoreOrder(shuffle, task.answer);
      if (judged === 'again') return null;
      const credit = creditOf(judged);
      return { credit, judged, guess: ORDER_GUESS, version: ORDER_VERSION, choices: [] };
    }
    case 'scale':
      return isFairScale(task.given)
        ? judgedValue(scaleFigure(task.given), task, SCALE_VERSION)
        : null;
    case 'spoons': {
      const figure = spoonsFigure(task.given);
      return figure.fair ? judgedValue(figure, task, SPOONS_VERSION) : null;
    }
  }
}

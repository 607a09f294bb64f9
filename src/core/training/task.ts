import {
  DIAGNOSIS_GUESS,
  DIAGNOSIS_VERSION,
  type DiagnosisGiven,
  workDiagnosis,
} from './diagnosis/draw';
import { type DiagnosisAnswer, type Judged, scoreDiagnosis } from './diagnosis/score';
import { choicesOf, type FigureAnswer, figureGuess, judgedFigure } from './figure/figures';
import {
  FIGURE_DRILLS,
  type FigureDrillName,
  type FigureQuestion,
  workFigure,
} from './figure/registry';
import {
  isOrder,
  ORDER_GUESS,
  ORDER_VERSION,
  type OrderAnswer,
  type OrderGiven,
  scoreOrder,
  workOrder,
} from './order';
import { isPicked, judgedPicks, type PickAnswer } from './pick/drill';
import {
  isPickDrill,
  PICK_DRILLS,
  type PickDrillName,
  type PickQuestion,
  workPick,
} from './pick/registry';
import { judgedShift } from './shift/judged';
import type { ShiftGiven } from './shift/orders';
import type { ShiftAnswer } from './shift/play';
import {
  isFairTurns,
  poured,
  TURNS_GUESS,
  TURNS_VERSION,
  type TurnsAnswer,
  type TurnsGiven,
} from './turns';

type PickTask = {
  [D in PickDrillName]: PickQuestion<D> & { readonly answer: PickAnswer };
}[PickDrillName];
type FigureTask = {
  [D in FigureDrillName]: FigureQuestion<D> & { readonly answer: FigureAnswer };
}[FigureDrillName];
/** A question of a drill with its answer. */
export type DrillTask =
  | {
      readonly drill: 'diagnose';
      readonly given: DiagnosisGiven;
      readonly answer: DiagnosisAnswer;
    }
  | { readonly drill: 'order'; readonly given: OrderGiven; readonly answer: OrderAnswer }
  | { readonly drill: 'turns'; readonly given: TurnsGiven; readonly answer: TurnsAnswer }
  | { readonly drill: 'shift'; readonly given: ShiftGiven; readonly answer: ShiftAnswer }
  | PickTask
  | FigureTask;
/** What an answer is worth, and what is kept beside it. */
export type JudgedTask = {
  readonly credit: number;
  readonly judged: Judged;
  readonly guess: number;
  /** Of how the drill is drawn and worked out. */
  readonly version: number;
  readonly choices: readonly string[];
};

const isPickTask = (task: PickTask | FigureTask): task is PickTask => isPickDrill(task.drill);

/** What an answer is worth by its verdict alone. */
export const creditOf = (judged: Judged): number => ({ right: 1, near: 0.5, wrong: 0 })[judged];
/** A figure that was answered; null: it is no fair question, or a choice was answered that was not offered. */
function judgedValue(task: FigureTask): JudgedTask | null {
  const figure = workFigure(task);
  if (!figure) return null;
  const { value } = task.answer;
  const choices = choicesOf(figure, task.given.level);
  const isOffered =
    value === 'cannot' || !choices || choices.some((c) => Math.abs(c - value) < 1e-6);
  if (!isOffered) return null;
  const judged = judgedFigure(figure, value);
  const guess = figureGuess(choices);
  const { version } = FIGURE_DRILLS[task.drill];
  return { credit: creditOf(judged), judged, guess, version, choices: (choices ?? []).map(String) };
}

/** What was picked; null: it is no fair question, or not every part was answered. */
function judgedPick(task: PickTask): JudgedTask | null {
  const worked = workPick(task);
  if (!worked || !isPicked(worked, task.answer)) return null;
  const judged = judgedPicks(worked, task.answer);
  const { version } = PICK_DRILLS[task.drill];
  const choices = worked.parts.flatMap((part) => part.options.map((o) => o.id));
  return { credit: creditOf(judged), judged, guess: worked.guess, version, choices };
}
function judgedTurns(given: TurnsGiven, { pours }: TurnsAnswer): JudgedTask | null {
  if (!isFairTurns(given) || pours.some((p) => p.cup >= given.cups)) return null;
  const { judged } = poured({ ...given, pours });
  const credit = creditOf(judged);
  return { credit, judged, guess: TURNS_GUESS, version: TURNS_VERSION, choices: [] };
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
    case 'turns':
      return judgedTurns(task.given, task.answer);
    case 'shift':
      return judgedShift(task.given, task.answer);
    default:
      return isPickTask(task) ? judgedPick(task) : judgedValue(task);
  }
}

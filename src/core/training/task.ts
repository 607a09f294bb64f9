import {
  DIAGNOSIS_GUESS,
  DIAGNOSIS_VERSION,
  type DiagnosisGiven,
  workDiagnosis,
} from './diagnosis/draw';
import { type DiagnosisAnswer, type Judged, scoreDiagnosis } from './diagnosis/score';
import {
  isOrder,
  ORDER_GUESS,
  ORDER_VERSION,
  type OrderAnswer,
  orderCredit,
  type OrderGiven,
  scoreOrder,
  workOrder,
} from './order';

/** A question of a drill with its answer. */
export type DrillTask =
  | {
      readonly drill: 'diagnose';
      readonly given: DiagnosisGiven;
      readonly answer: DiagnosisAnswer;
    }
  | { readonly drill: 'order'; readonly given: OrderGiven; readonly answer: OrderAnswer };
/** What an answer is worth, and what is kept beside it. */
export type JudgedTask = {
  readonly credit: number;
  readonly judged: Judged;
  readonly guess: number;
  /** Of how the drill is drawn and worked out. */
  readonly version: number;
  readonly choices: readonly string[];
};

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
      const credit = orderCredit(judged);
      return { credit, judged, guess: ORDER_GUESS, version: ORDER_VERSION, choices: [] };
    }
  }
}

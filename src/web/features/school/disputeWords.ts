import {
  causeWords,
  cupFound,
  cupSentence,
  debriefOf,
  type DrillTask,
  type FigureQuestion,
  type FigureValue,
  figureWords,
  houseCupOf,
  isPickDrill,
  type PickAnswer,
  type PickQuestion,
  poured,
  workFigure,
  workPick,
} from '#core/training';
import { letterName } from './order/model';

const named = (letters: readonly number[]): string => letters.map(letterName).join(' ');
const answersOf = (right: string, given: string): string =>
  `Right answer: ${right}. Given answer: ${given}.`;

type PickTask = Extract<DrillTask, { answer: PickAnswer }>;
const isPickTask = (task: DrillTask): task is PickTask => isPickDrill(task.drill);

/** A figure drill: what was known and asked, the right figure and the one that was answered. */
function figureDispute(question: FigureQuestion, value: FigureValue): string {
  const { tea, known, asked, question: how, text, unit, cannot } = figureWords(question);
  const figure = workFigure(question);
  const said = (v: FigureValue) => (v === 'cannot' ? (cannot ?? '') : `${text(v)} ${unit}`);
  const right = !figure || figure.impossible ? 'cannot' : figure.shown;
  return `${tea === null ? '' : `${tea}. `}${known} ${asked} ${how} ${answersOf(said(right), said(value))}`;
}
/** Something picked: what was asked, and of each part what was right and what was picked. */
function pickDispute(question: PickQuestion, { picks }: PickAnswer): string {
  const worked = workPick(question);
  if (!worked) return '';
  const parts = worked.parts.map((part, i) => {
    const said = (ids: readonly string[]) =>
      part.options
        .filter((o) => ids.includes(o.id))
        .map((o) => o.text)
        .join(', ');
    return `${part.asked} ${answersOf(said(part.right), said(picks[i] ?? []))}`;
  });
  return [worked.tea === null ? '' : `${worked.tea}.`, ...worked.known, ...parts]
    .filter(Boolean)
    .join(' ');
}

/** A question that somebody reported as wrong: what was asked, the right answer, and the answer given. */
export function disputeWords(task: DrillTask): string {
  switch (task.drill) {
    case 'order': {
      const { shuffle, cup } = task.given;
      const right = [...shuffle.keys()].sort((a, b) => (shuffle[a] ?? 0) - (shuffle[b] ?? 0));
      return `order of ${cup.tea}. ${answersOf(named(right), named(task.answer.letters))}`;
    }
    case 'diagnose': {
      const { faults, cup } = task.given;
      const said = cupSentence(cupFound(houseCupOf(cup), faults));
      const right = faults.map((f) => causeWords(f.id)).join(' and ');
      return `${cup.tea}, ${cup.vessel}. ${said} ${answersOf(right, causeWords(task.answer.cause))}`;
    }
    case 'turns': {
      const { ml } = poured({ ...task.given, ...task.answer });
      const { vesselName, cups, liquorMl } = task.given;
      return `${vesselName}: ${Math.round(liquorMl)} ml into ${cups} cups. Poured: ${ml.map(Math.round).join(', ')} ml.`;
    }
    case 'shift': {
      const { given, answer } = task;
      const said = debriefOf(given, answer.acts).map(
        ({ tea, vessel, pull, why }) => `${tea}, ${vessel}. ${[pull, ...why].join(' ')}`,
      );
      return `a shift of ${given.orders.length} orders. ${said.join(' ')}`;
    }
    default:
      return isPickTask(task)
        ? pickDispute(task, task.answer)
        : figureDispute(task, task.answer.value);
  }
}

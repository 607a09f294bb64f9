import { causeWords, cupSentence, type DrillTask, workDiagnosis } from '#core/training';
import { letterName } from './order/model';

/** A question that somebody says is wrong: what was asked, what it was, what was answered. */
export function disputeWords(task: DrillTask): string {
  const { tea, vessel } = task.given.cup;
  if (task.drill === 'order') {
    const { shuffle } = task.given;
    const wanted = [...shuffle.keys()].sort((a, b) => (shuffle[a] ?? 0) - (shuffle[b] ?? 0));
    const named = (letters: readonly number[]) => letters.map(letterName).join(' ');
    return `order of ${tea}. It was ${named(wanted)}; answered ${named(task.answer.letters)}.`;
  }
  const diagnosis = workDiagnosis(task.given);
  const was = diagnosis.right.map(causeWords).join(' or ');
  return `${tea}, ${vessel}. ${cupSentence(diagnosis)} It was ${was}; answered ${causeWords(task.answer.cause)}.`;
}

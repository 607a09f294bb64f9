import { causeWords, cupFound, cupSentence, type DrillTask, houseCupOf } from '#core/training';
import { letterName } from './order/model';

const named = (letters: readonly number[]): string => letters.map(letterName).join(' ');
/** A question that somebody reported as wrong: what was asked, the right answer, and the answer given. */
export function disputeWords(task: DrillTask): string {
  const { cup } = task.given;
  if (task.drill === 'order') {
    const { shuffle } = task.given;
    const right = [...shuffle.keys()].sort((a, b) => (shuffle[a] ?? 0) - (shuffle[b] ?? 0));
    return `order of ${cup.tea}. Right answer: ${named(right)}. Given answer: ${named(task.answer.letters)}.`;
  }
  const { faults } = task.given;
  const said = cupSentence(cupFound(houseCupOf(cup), faults));
  const right = faults.map((f) => causeWords(f.id)).join(' and ');
  return `${cup.tea}, ${cup.vessel}. ${said} Right answer: ${right}. Given answer: ${causeWords(task.answer.cause)}.`;
}

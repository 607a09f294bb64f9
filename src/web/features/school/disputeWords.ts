import { quartersText } from '#core/recipes';
import {
  causeWords,
  cupFound,
  cupSentence,
  type DrillTask,
  houseCupOf,
  scaleFigure,
  scaleQuestion,
  spoonsFigure,
  spoonsQuestion,
} from '#core/training';
import { numberText } from '#core/units';
import { letterName } from './order/model';

const named = (letters: readonly number[]): string => letters.map(letterName).join(' ');
const grams = (value: number): string => `${numberText(value, 1)} g`;
const spoons = (quarters: number): string => `${quartersText(quarters)} spoons`;
const answersOf = (right: string, given: string): string =>
  `Right answer: ${right}. Given answer: ${given}.`;

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
    case 'scale': {
      const { known, asked } = scaleQuestion(task.given);
      const right = scaleFigure(task.given).shown;
      return `${task.given.tea}. ${known} ${asked} ${answersOf(grams(right), grams(task.answer.value))}`;
    }
    case 'spoons': {
      const { known, asked } = spoonsQuestion(task.given);
      const { quarters } = spoonsFigure(task.given);
      return `${task.given.tea}. ${known} ${asked} ${answersOf(spoons(quarters), spoons(task.answer.value))}`;
    }
  }
}

import { pick, type Random } from '#core/numeric';
import type { Learner } from './diagnosis/learner';
import { choicesOf, type Figure, type FigureAnswer } from './figure/figures';
import type { PickAnswer, PickWorked } from './pick/drill';
import { handsThrough } from './shift/hands';
import type { ShiftGiven } from './shift/orders';
import type { ShiftAnswer } from './shift/play';

// How somebody made up answers: right as often as they see what it is, else by a mistake that people make.

/** A figure as such a learner gives it. */
export function learnerFigure(
  figure: Figure,
  level: number,
  { sees, sizeOff }: Learner,
  random: Random,
): FigureAnswer {
  if (figure.impossible) return { value: random() < sees ? 'cannot' : 10 };
  const choices = choicesOf(figure, level);
  const isSeen = random() < sees;
  if (choices) {
    const others = choices.filter((c) => c !== figure.shown);
    return { value: isSeen ? figure.shown : pick(random, others) };
  }
  if (!isSeen && figure.mistakes.length > 0)
    return { value: Math.max(0.1, pick(random, figure.mistakes).value) };
  // A hand is off by a tenth of what it is off in sizes.
  const off = (random() - 0.5) * 0.2 * sizeOff;
  return { value: Math.max(0.1, figure.shown * (1 + off)) };
}
/** What such a learner picks. */
export function learnerPicks(
  { parts }: Pick<PickWorked, 'parts'>,
  { sees }: Learner,
  random: Random,
): PickAnswer {
  return {
    picks: parts.map((part) => (random() < sees ? part.right : [pick(random, part.options).id])),
  };
}

/** A whole shift of such a learner: who sees less is later at the leaf, and does not see a lid. */
export function learnerShift(
  given: ShiftGiven,
  { sees, sizeOff }: Learner,
  random: Random,
): ShiftAnswer {
  const late = given.orders.map(() => Math.round(60 * sizeOff * random()));
  return handsThrough(given, { lateBy: (order) => late[order] ?? 0, seesLid: random() < sees });
}

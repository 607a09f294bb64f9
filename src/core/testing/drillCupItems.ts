import { seeded } from '#core/numeric';
import {
  type Cause,
  type Diagnosis,
  drawDiagnosis,
  drawOrder,
  drawTurns,
  type DrillFacts,
  DrillHouse,
  GIVEN_BYTES,
  isPair,
  judgeTask,
  type Level,
  partsOf,
  scoreDiagnosis,
  type Turn,
  workDiagnosis,
  workOrder,
} from '#core/training';
import type { Found } from './drillItems';

// What every drawn cup to diagnose, order of cups and vessel to pour has to keep: used by the tests and by the long run.

/** Other causes that fit worse than this are told from the truth. */
const TOLD_APART = 3;
/** Neighbours of an order are at least so far apart on a screen, as a share of what the level asks. */
const LEAST_SHARE = 0.8;
const FEWEST_CUPS = 5;

const partsOfCause = (cause: Cause) => (isPair(cause) ? partsOf(cause) : [cause]);
/** What somebody who knows it answers. */
function rightTurns({ brackets, levers, faults }: Diagnosis): Turn[] {
  const sized = brackets.filter((b) => levers[b.lever] === 'right');
  const turns = sized.map((b): Turn => ({ lever: b.lever, size: b.best }));
  return turns.slice(0, faults.length);
}
/** A choice beside the truth is wrong: it fits worse, or a stated fact rules it out. */
function faultOfChoice(d: Diagnosis, choice: Cause): string | null {
  if (d.right.includes(choice) || isPair(choice) || d.faults.length > 1) return null;
  const fits = d.rivals.get(choice) ?? Infinity;
  const isDoubtful = d.open.includes(choice) && fits < TOLD_APART;
  return isDoubtful ? `${choice} fits as well: ${fits.toFixed(2)}` : null;
}
function faultOfDiagnosis(d: Diagnosis): string | null {
  if (d.unfair !== null) return `not fair: ${d.unfair}`;
  if (new Set(d.choices).size !== d.choices.length) return 'a choice comes twice';
  if (d.right.some((cause) => !d.choices.includes(cause))) return 'what is right is not offered';
  if (d.right.length - d.ties.length !== 1) return 'not one right answer beside its ties';
  const doubtful = d.choices.flatMap((choice) => faultOfChoice(d, choice) ?? []);
  if (doubtful[0] !== undefined) return doubtful[0];
  const turns = rightTurns(d);
  const isWhole = turns.length === d.faults.length;
  for (const cause of d.choices) {
    const { judged } = scoreDiagnosis(d, { cause, turns });
    const isRight = d.right.includes(cause);
    if (isRight && isWhole && judged !== 'right')
      return `${cause} is right and is judged ${judged}`;
    const shares = partsOfCause(cause).some((part) => d.right.flatMap(partsOfCause).includes(part));
    if (!isRight && !shares && judged === 'right') return `${cause} is judged right too`;
  }
  return null;
}

/** The cups of a house with what their faults come to, kept from one check to the next. */
export const drillHouseOf = ({ cups }: Pick<DrillFacts, 'cups'>): DrillHouse =>
  new DrillHouse(cups);

/** What is wrong with the cup to diagnose that a chance draws; null: nothing. */
export function checkDrawnDiagnosis(house: DrillHouse, level: Level, seed: number): Found {
  const given = drawDiagnosis(house, level, seeded(seed));
  if (JSON.stringify(given).length > GIVEN_BYTES) return { fault: 'too many bytes', level };
  const fault = faultOfDiagnosis(workDiagnosis(given, house.rivals(given.cup)));
  return { fault, level: given.level };
}
/** What is wrong with the order of cups that a chance draws; null: nothing. */
export function checkDrawnOrder({ cups }: DrillFacts, level: Level, seed: number): Found {
  const given = drawOrder(cups, level, seeded(seed));
  const { strengths, leastApart, shown } = workOrder(given);
  const found = (fault: string | null): Found => ({ fault, level: given.level });
  if (strengths.length < FEWEST_CUPS) return found(`${strengths.length} cups`);
  if (leastApart < LEAST_SHARE * given.apart) return found(`${leastApart.toFixed(2)} apart`);
  if (new Set(shown).size !== shown.length) return found('two cups look the same');
  const letters = [...given.shuffle.keys()].sort(
    (a, b) => (given.shuffle[a] ?? 0) - (given.shuffle[b] ?? 0),
  );
  const judged = (order: readonly number[]) =>
    judgeTask({ drill: 'order', given, answer: { letters: order } });
  if (judged(letters)?.credit !== 1) return found('the right order is not judged right');
  if (judged([...letters].reverse()) !== null) return found('darkest first is judged');
  const [first = 0, second = 0, ...rest] = letters;
  const oneOff = judged([second, first, ...rest])?.judged;
  return found(oneOff === undefined ? 'two neighbours changed are not judged' : null);
}
/** What is wrong with the vessel to pour that a chance draws; null: nothing. */
export function checkDrawnTurns(facts: DrillFacts, level: Level, seed: number): Found {
  const given = drawTurns(facts, level, seeded(seed));
  const found = (fault: string | null): Found => ({ fault, level: given.level });
  const half = given.liquorMl / given.cups / 2;
  const there = Array.from({ length: given.cups }, (_, cup) => ({ cup, ml: half }));
  const judged = (pours: typeof there) =>
    judgeTask({ drill: 'turns', given, answer: { pours } })?.judged;
  if (judged([...there, ...[...there].reverse()]) !== 'right')
    return found('there and back is not judged right');
  const straight = there.map((pour) => ({ ...pour, ml: 2 * half }));
  return found(judged(straight) === 'right' ? 'one cup after the other is judged right' : null);
}

import { expose } from 'comlink';
import { type Random, seeded } from '#core/numeric';
import {
  type Diagnosis,
  type DiagnosisGiven,
  drawDiagnosis,
  drawOrder,
  drawScale,
  drawSpoons,
  type DrillCup,
  type DrillFacts,
  DrillHouse,
  type Level,
  type OrderGiven,
  type OrderQuestion,
  type ScaleFigure,
  scaleFigure,
  type ScaleGiven,
  type SpoonsFigure,
  spoonsFigure,
  type SpoonsGiven,
  workDiagnosis,
  workOrder,
} from '#core/training';

/** A cup to diagnose, with its answer worked out. */
export type CupAsked = {
  readonly seed: number;
  readonly given: DiagnosisGiven;
  readonly diagnosis: Diagnosis;
};
/** Cups to set in order. */
export type OrderAsked = {
  readonly seed: number;
  readonly given: OrderGiven;
  readonly order: OrderQuestion;
};
/** A figure to work out: so much leaf, so many spoons. */
export type FigureAsked = { readonly seed: number } & (
  | { readonly drill: 'scale'; readonly given: ScaleGiven; readonly figure: ScaleFigure }
  | { readonly drill: 'spoons'; readonly given: SpoonsGiven; readonly figure: SpoonsFigure }
);

/** What a house's faults come to is kept from one question to the next. */
let house = new DrillHouse([]);
let known = '';
function houseOf(cups: readonly DrillCup[]): DrillHouse {
  const key = JSON.stringify(cups);
  if (key !== known) [house, known] = [new DrillHouse(cups), key];
  return house;
}
/** Draws by a chance; null: the house has no cup to ask about. */
function drawn<T>(seed: number, draw: (random: Random) => T): T | null {
  try {
    return draw(seeded(seed));
  } catch (e) {
    if (e instanceof RangeError) return null;
    throw e;
  }
}

const worker = {
  /** The same chance draws the same question. */
  diagnose: ({ cups }: DrillFacts, level: Level, seed: number): CupAsked | null =>
    drawn(seed, (random) => {
      const given = drawDiagnosis(houseOf(cups), level, random);
      return { seed, given, diagnosis: workDiagnosis(given) };
    }),
  order: ({ cups }: DrillFacts, level: Level, seed: number): OrderAsked | null =>
    drawn(seed, (random) => {
      const given = drawOrder(cups, level, random);
      return { seed, given, order: workOrder(given) };
    }),
  scale: ({ cups }: DrillFacts, level: Level, seed: number): FigureAsked | null =>
    drawn(seed, (random) => {
      const given = drawScale(cups, level, random);
      return { seed, drill: 'scale', given, figure: scaleFigure(given) };
    }),
  spoons: ({ cups, weighed }: DrillFacts, level: Level, seed: number): FigureAsked | null =>
    drawn(seed, (random) => {
      const given = drawSpoons(cups, weighed, level, random);
      return { seed, drill: 'spoons', given, figure: spoonsFigure(given) };
    }),
};
export type DrillWorker = typeof worker;
expose(worker);

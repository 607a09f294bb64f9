import { expose } from 'comlink';
import { type Random, seeded } from '#core/numeric';
import {
  type Diagnosis,
  type DiagnosisGiven,
  drawDiagnosis,
  drawOrder,
  type DrillCup,
  DrillHouse,
  type Level,
  type OrderGiven,
  type OrderQuestion,
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
  diagnose: (cups: readonly DrillCup[], level: Level, seed: number): CupAsked | null =>
    drawn(seed, (random) => {
      const given = drawDiagnosis(houseOf(cups), level, random);
      return { seed, given, diagnosis: workDiagnosis(given) };
    }),
  order: (cups: readonly DrillCup[], level: Level, seed: number): OrderAsked | null =>
    drawn(seed, (random) => {
      const given = drawOrder(cups, level, random);
      return { seed, given, order: workOrder(given) };
    }),
};
export type DrillWorker = typeof worker;
expose(worker);

import { expose } from 'comlink';
import { seeded } from '#core/numeric';
import {
  type Diagnosis,
  type DiagnosisGiven,
  drawDiagnosis,
  type DrillCup,
  DrillHouse,
  type Level,
  workDiagnosis,
} from '#core/training';

/** A question with its answer worked out. */
export type Question = {
  readonly seed: number;
  readonly given: DiagnosisGiven;
  readonly diagnosis: Diagnosis;
};

/** What a house's faults come to is kept from one question to the next. */
let house = new DrillHouse([]);
let known = '';

const worker = {
  /** Draws a question: the same chance draws the same one. Null: the house has no cup to ask about. */
  draw(cups: readonly DrillCup[], level: Level, seed: number): Question | null {
    const key = JSON.stringify(cups);
    if (key !== known) [house, known] = [new DrillHouse(cups), key];
    try {
      const given = drawDiagnosis(house, level, seeded(seed));
      return { seed, given, diagnosis: workDiagnosis(given) };
    } catch (e) {
      if (e instanceof RangeError) return null;
      throw e;
    }
  },
};
export type DrillWorker = typeof worker;
expose(worker);

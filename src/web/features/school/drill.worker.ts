import { expose } from 'comlink';
import { type Random, seeded } from '#core/numeric';
import {
  type Diagnosis,
  type DiagnosisGiven,
  drawDiagnosis,
  drawFigure,
  drawOrder,
  drawPick,
  drawShift,
  drawTurns,
  type DrillCup,
  type DrillFacts,
  DrillHouse,
  type Figure,
  type FigureDrillName,
  type FigureQuestion,
  type Level,
  type OrderGiven,
  type OrderQuestion,
  type PickDrillName,
  type PickQuestion,
  type ShiftGiven,
  type TurnsGiven,
  workFigure,
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
/** A figure to work out: so much leaf, so many spoons, so hot. */
export type FigureAsked = {
  readonly seed: number;
  readonly question: FigureQuestion;
  readonly figure: Figure;
};
/** Something to pick. */
export type PickAsked = { readonly seed: number; readonly question: PickQuestion };
/** Orders that come to the bar. */
export type ShiftAsked = { readonly seed: number; readonly given: ShiftGiven };
/** A vessel to pour out into several cups. */
export type TurnsAsked = { readonly seed: number; readonly given: TurnsGiven };

/** What a house's faults come to is kept from one question to the next. */
let house = new DrillHouse([]);
let known = '';
function houseOf(cups: readonly DrillCup[]): DrillHouse {
  const key = JSON.stringify(cups);
  if (key !== known) [house, known] = [new DrillHouse(cups), key];
  return house;
}
/** Draws by a chance; null: the house has nothing to ask about. */
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
      const here = houseOf(cups);
      const given = drawDiagnosis(here, level, random);
      return { seed, given, diagnosis: here.work(given) };
    }),
  order: ({ cups }: DrillFacts, level: Level, seed: number): OrderAsked | null =>
    drawn(seed, (random) => {
      const given = drawOrder(cups, level, random);
      return { seed, given, order: workOrder(given) };
    }),
  shift: ({ shift }: DrillFacts, level: Level, seed: number): ShiftAsked | null =>
    drawn(seed, (random) => ({ seed, given: drawShift(shift, level, random) })),
  turns: (facts: DrillFacts, level: Level, seed: number): TurnsAsked | null =>
    drawn(seed, (random) => ({ seed, given: drawTurns(facts, level, random) })),
  figure: (
    drill: FigureDrillName,
    facts: DrillFacts,
    level: Level,
    seed: number,
  ): FigureAsked | null =>
    drawn(seed, (random) => {
      const question = drawFigure(drill, facts, level, random);
      const figure = workFigure(question);
      if (!figure) throw new RangeError('no fair question');
      return { seed, question, figure };
    }),
  pick: (drill: PickDrillName, facts: DrillFacts, level: Level, seed: number): PickAsked | null =>
    drawn(seed, (random) => ({ seed, question: drawPick(drill, facts, level, random) })),
};
export type DrillWorker = typeof worker;
expose(worker);

import type { Random } from '#core/numeric';
import type { Level } from '../diagnosis/diagnosis';
import type { DrillFacts } from '../drillCups';
import { type CausesGiven, drawCauses, workCauses } from './causes';
import type { PickWorked } from './drill';
import { drawFair, type FairGiven, workFair } from './fair';
import { drawHolding, type HoldingGiven, workHolding } from './holding';
import { drawWhich, type WhichGiven, workWhich } from './which';

/** A drill whose answer is picked. */
type PickDrill<Given> = {
  /** The chance of a blind answer to a usual question: the level follows from it. */
  readonly guess: number;
  /** Raised whenever the same given would come to another question. */
  readonly version: number;
  /** @throws {RangeError} when the house has nothing to ask about */
  readonly draw: (facts: DrillFacts, level: Level, random: Random) => Given;
  /** The question worked out; null: it is no fair one. */
  readonly work: (given: Given) => PickWorked | null;
};

/** What each drill of picks asks about, in plain numbers. */
export type PickGivens = {
  words: CausesGiven;
  which: WhichGiven;
  holding: HoldingGiven;
  fair: FairGiven;
};
export type PickDrillName = keyof PickGivens;
/** A question as it was drawn. */
export type PickQuestion<D extends PickDrillName = PickDrillName> = {
  [K in D]: { readonly drill: K; readonly given: PickGivens[K] };
}[D];

export const PICK_DRILLS: { readonly [K in PickDrillName]: PickDrill<PickGivens[K]> } = {
  words: {
    ...{ version: 1, guess: 1 / 6 },
    draw: (_facts, level, random) => drawCauses(level, random),
    work: workCauses,
  },
  which: {
    ...{ version: 1, guess: 1 / 8 },
    draw: ({ cups }, level, random) => drawWhich(cups, level, random),
    work: workWhich,
  },
  holding: {
    ...{ version: 1, guess: 1 / 3 },
    draw: ({ cold }, level, random) => drawHolding(cold, level, random),
    work: workHolding,
  },
  fair: {
    ...{ version: 1, guess: 1 / 32 },
    draw: ({ cups }, level, random) => drawFair(cups, level, random),
    work: workFair,
  },
};
export const PICK_DRILL_NAMES = Object.keys(PICK_DRILLS) as readonly PickDrillName[];
export const isPickDrill = (drill: string): drill is PickDrillName => drill in PICK_DRILLS;

/** A drill as one that takes any given: a question holds a given of its own drill, so the two always fit. */
const byName = (drill: PickDrillName) => PICK_DRILLS[drill] as PickDrill<PickQuestion['given']>;
/** The question worked out; null: it is no fair one. */
export const workPick = ({ drill, given }: PickQuestion): PickWorked | null =>
  byName(drill).work(given);
/** Draws a question. @throws {RangeError} when the house has nothing to ask about */
export const drawPick = (
  drill: PickDrillName,
  ...asked: Parameters<PickDrill<unknown>['draw']>
): PickQuestion => ({ drill, given: byName(drill).draw(...asked) }) as PickQuestion;

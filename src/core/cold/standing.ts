import { type Celsius, celsius, type EpochMs } from '#core/units';
import {
  type BatchEvent,
  type BatchNow,
  type BatchState,
  foldBatch,
  isStanding,
  readyAt,
  type Shelved,
  windowOf,
} from './batch';
import {
  type AirReading,
  type FridgeAir,
  type Keeping,
  type KeepingLimits,
  keepingOf,
  type Kept,
  type OutOfFridge,
  withChosenEnd,
} from './keeping';
import { type HouseLimits, limitsFor, stricterOf } from './limits';
import type { BatchPlan } from './planBatch';

const DAY_MS = 86_400_000;
const DAYS_OF_AIR = 7;
/** A fridge nobody has read yet, C. */
const USUAL_FRIDGE = celsius(4);

/** The fridge's air: the mean of the last seven days' readings; 4 C where there is none. */
export function fridgeAir(readings: readonly AirReading[], now: EpochMs): Celsius {
  const recent = readings.filter((r) => r.at <= now && r.at > now - DAYS_OF_AIR * DAY_MS);
  if (recent.length === 0) return USUAL_FRIDGE;
  return celsius(recent.reduce((sum, r) => sum + r.celsius, 0) / recent.length);
}

/** A batch as it is recorded: what it was begun with, and what was done to it. */
export type RecordedBatch = {
  readonly id: string;
  readonly plan: BatchPlan;
  readonly leafIn: EpochMs;
  readonly events: readonly BatchEvent[];
};
/** How a batch stands. */
export const nowOf = ({ id, plan, leafIn, events }: RecordedBatch): BatchNow =>
  foldBatch(id, plan, leafIn, events);

/** The stretches in which a batch stood on the counter. */
const outOfFridge = (shelved: readonly Shelved[]): OutOfFridge[] =>
  shelved.flatMap(({ place, at, air }, i) =>
    place === 'counter' ? [{ from: at, to: shelved[i + 1]?.at ?? null, air }] : [],
  );
/** A batch as its keeping is walked: lifted at its best where its leaf is still in. */
export function keptOf(
  { plan, leafIn, events }: RecordedBatch,
  { undone, shelved }: BatchNow,
  { readings, gaps }: FridgeAir,
): Kept {
  const lift = events.find((e) => e.kind === 'lift' && !undone.has(e.id));
  return {
    method: plan.place,
    startAt: leafIn,
    start: plan.start,
    liftAt: lift?.at ?? windowOf(plan.window, leafIn).best,
    tau: plan.tau,
    fridge: plan.air,
    // A reading before it began says how the fridge stood as it began: the last of them.
    readings: [
      ...readings.filter((r) => r.at <= leafIn).slice(-1),
      ...readings.filter((r) => r.at > leafIn),
    ],
    answered: gaps,
    out: outOfFridge(shelved),
  };
}
/** The limits that hold for a batch now. */
export const limitsOf = (plan: BatchPlan, state: BatchState, house: HouseLimits): KeepingLimits =>
  isStanding(state)
    ? stricterOf(plan.keeping, limitsFor(house, plan.hotFirst !== null))
    : plan.keeping;
/**
 * Until when a batch is kept: of one still infusing, were it lifted at its best. While it stands a limit that was made
 * shorter since holds for it too.
 */
export const keptUntil = (
  batch: RecordedBatch,
  now: BatchNow,
  air: FridgeAir,
  limits: HouseLimits,
): Keeping => {
  const kept = keptOf(batch, now, air);
  const keeping = keepingOf(kept, limitsOf(batch.plan, now.state, limits));
  return withChosenEnd(keeping, now.chosenEnd, kept.liftAt);
};

/** What the order in which batches are used looks at. */
export type KeptBatch = {
  readonly id: string;
  readonly plan: BatchPlan;
  readonly now: BatchNow;
  readonly discardAt: EpochMs;
};
const HOUR_MS = 3_600_000;
/**
 * What is poured first: the earliest to be thrown out, then the earliest ready; of two within the hour the one that is
 * open already.
 */
export function useFirst(a: KeptBatch, b: KeptBatch): number {
  const apart = a.discardAt - b.discardAt;
  const open = (x: KeptBatch) => (x.now.openedAt === null ? 1 : 0);
  if (Math.abs(apart) < HOUR_MS && open(a) !== open(b)) return open(a) - open(b);
  const ready = (x: KeptBatch) => readyAt(x.plan, x.now.state) ?? Infinity;
  return apart || ready(a) - ready(b) || (a.id < b.id ? -1 : 1);
}

import { nowOf, type RecordedBatch, windowOf } from '#core/cold';
import type { Skill } from './skills';
import { wilson } from './wilson';

// What was seen of somebody's skills in the shop itself, beside what the drills say. A sign to look, no verdict.

/** Of the last so many, so many were good. */
export type Seen = {
  readonly skill: Skill;
  readonly good: number;
  readonly n: number;
  /** As good as a lead looks for. */
  readonly holds: boolean;
};
/** The last pulls that count. */
export const PULLS_SEEN = 40;
const PULLS_HOLD = 0.8;
/** The last readings that count, how many have to be good, and how near to the card they are then, °C. */
export const HEAT_SEEN = 10;
const HEAT_GOOD = 8;
const HEAT_NEAR_C = 3;

/** Steep: pulls in their window; the least share that the last forty can mean is four in five. Null: none was seen. */
export function pullsSeen(inWindow: readonly boolean[]): Seen | null {
  const last = inWindow.slice(-PULLS_SEEN);
  if (last.length === 0) return null;
  const good = last.filter(Boolean).length;
  const holds = wilson(good, last.length).low >= PULLS_HOLD;
  return { skill: 'steep', good, n: last.length, holds };
}
/** Heat: what was read on the leaf against its card, °C apart. Null: none was read. */
export function heatSeen(gaps: readonly number[]): Seen | null {
  const last = gaps.slice(-HEAT_SEEN);
  if (last.length === 0) return null;
  const good = last.filter((gap) => Math.abs(gap) <= HEAT_NEAR_C).length;
  return { skill: 'heat', good, n: last.length, holds: good >= HEAT_GOOD };
}

/** The last ladders that count, and how near to the true order each has to come: Kendall's tau. */
export const LADDERS_SEEN = 2;
const TAU_HOLDS = 0.86;
/** See: the order of the cups at the last ladders of a table. Null: none was tasted. */
export function laddersSeen(taus: readonly number[]): Seen | null {
  const last = taus.slice(-LADDERS_SEEN);
  if (last.length === 0) return null;
  const good = last.filter((tau) => tau >= TAU_HOLDS).length;
  return { skill: 'see', good, n: last.length, holds: good === LADDERS_SEEN };
}
/** Taste: attributes of the last calibration without a flag: half a mark off the others, one mark between bowls. */
export function calibrationSeen(flagged: readonly boolean[]): Seen | null {
  if (flagged.length === 0) return null;
  const good = flagged.filter((isFlagged) => !isFlagged).length;
  return { skill: 'taste', good, n: flagged.length, holds: good === flagged.length };
}
/** A table is led with so many tasters at the least. */
export const TASTERS_LED = 2;
/** The tables that are looked for, and of how many kinds. */
export const TABLES_LED = 3;
const KINDS_LED = 2;
/** Teach: tables that were led, by their kinds. Null: none was. */
export function tablesLedSeen(kinds: readonly string[]): Seen | null {
  if (kinds.length === 0) return null;
  const good = Math.min(kinds.length, TABLES_LED);
  const holds = good === TABLES_LED && new Set(kinds).size >= KINDS_LED;
  return { skill: 'teach', good, n: TABLES_LED, holds };
}

/** The last cold batches that count. */
export const BATCHES_SEEN = 5;
/** Lifted in its window, labelled, and not kept until its time had ended. Null: it was taken back. */
export function isBatchRight(batch: RecordedBatch): boolean | null {
  const { state, printed, undone } = nowOf(batch);
  if (state.kind === 'cancelled' || state.kind === 'void') return null;
  const lift = batch.events.find((e) => e.kind === 'lift' && !undone.has(e.id));
  const { earliest, latest } = windowOf(batch.plan.window, batch.leafIn);
  const inWindow = lift !== undefined && lift.at >= earliest && lift.at <= latest;
  const isPast = state.kind === 'discarded' && state.reason === 'past';
  return inWindow && printed !== null && !isPast;
}
/** Cold: the last batches that ended. Null: none did. */
export function batchesSeen(right: readonly boolean[]): Seen | null {
  const last = right.slice(-BATCHES_SEEN);
  if (last.length === 0) return null;
  const good = last.filter(Boolean).length;
  return { skill: 'cold', good, n: last.length, holds: good === BATCHES_SEEN };
}

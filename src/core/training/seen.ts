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

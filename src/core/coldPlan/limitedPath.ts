import TinyQueue from 'tinyqueue';
import type { Network, Step } from './network';
import {
  beginning,
  type Begun,
  costsToGo,
  inOrder,
  isUsed,
  isWhole,
  less,
  onward,
  pathOf,
  pricedStep,
  stateOf,
  stepsFrom,
  takenOf,
  type Weights,
  type Work,
} from './paths';
import type { Between, Room } from './room';

/** At one moment a line takes no more than so much of one row. */
export type Limit = { readonly row: number; readonly moment: number; readonly most: number };

const within = (moment: number, { first, end }: Between): boolean =>
  first <= moment && moment < end;
/** What a step takes of a row at a moment. */
export function takes(step: Step, room: Room, { row, moment }: Omit<Limit, 'most'>): number {
  const taken = takenOf(step);
  if (!taken) return 0;
  if (row === taken.vessel) return within(moment, taken.inVessel) ? 1 : 0;
  if (row < room.rows - 2 || !within(moment, taken.inFridge)) return 0;
  return row === room.rows - 2 ? taken.places : taken.water;
}

/** The cheapest way that keeps its limits; null when there is none. */
export function limitedPath(
  net: Network,
  room: Room,
  limits: readonly Limit[],
  weights: Weights | null,
  work: Work,
): { path: Step[]; cost: { lost: number; effort: number } } | null {
  const toGo = costsToGo(net, room.rows, weights, work);
  const kept = new Map<number, Begun[]>();
  const queue = new TinyQueue<Begun>(
    [
      beginning(
        net,
        toGo,
        limits.map(() => 0),
      ),
    ],
    inOrder,
  );
  for (let best = queue.pop(); best; best = queue.pop()) {
    if (isWhole(net, best)) {
      const { lost, effort } = best.spent;
      return { path: pathOf(best), cost: { lost, effort } };
    }
    for (const step of stepsFrom(net, best.at, best.used)) {
      work.steps += 1;
      if (isUsed(step, best.used)) continue;
      const { uses } = best;
      const after = limits.map((limit, i) => (uses[i] ?? 0) + takes(step, room, limit));
      if (after.some((use, i) => use > (limits[i]?.most ?? 0))) continue;
      const next = onward(net, toGo, best, step, pricedStep(step, weights, room.rows), after);
      if (next.lost === Infinity) continue;
      const state = stateOf(net, next.at, next.used);
      const others = kept.get(state) ?? [];
      const beaten = others.some(
        (o) => !less(next.spent, o.spent) && o.uses.every((use, i) => use <= (after[i] ?? 0)),
      );
      if (beaten) continue;
      kept.set(state, [...others, next]);
      queue.push(next);
    }
  }
  return null;
}

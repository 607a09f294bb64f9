import { type Cost, sumOfCosts } from './cost';
import { networkOf } from './line';
import { type Network, type Step } from './network';
import { type Weights, weightsOf } from './paths';
import type { PlanProblem } from './problem';
import { addTaken, fitsWithin, type Room, roomOf } from './room';
import { pourStanding, type StandingPoured } from './standing';

/** One way for every line, in the order of the lines. */
export type Paths = readonly (readonly Step[])[];

/** What the search works on. */
export type House = {
  readonly standing: StandingPoured;
  readonly room: Room;
  readonly nets: readonly Network[];
  /** What the pins of each line take while they serve nobody, and of all lines together. */
  readonly idle: readonly Float64Array[];
  readonly pinned: Float64Array;
};

/** What ways take, at every place of the room. */
export function usesOf(room: Room, paths: Paths): Float64Array {
  const uses = new Float64Array(room.free.length);
  for (const path of paths)
    for (const { batch } of path) if (batch) addTaken(uses, room, batch.taken, 1);
  return uses;
}
/** Places where more is used than there is. */
export function overfull(room: Room, uses: Float64Array): number[] {
  const cells: number[] = [];
  for (let i = 0; i < uses.length; i++) if ((uses[i] ?? 0) > (room.free[i] ?? 0)) cells.push(i);
  return cells;
}
export const costOfPath = (path: readonly Step[]): Cost => sumOfCosts(path);
export const costOfPaths = (paths: Paths): Cost => sumOfCosts(paths.map(costOfPath));
/** Weights that part equal ways by how much they meet what others take. */
export const meeting = (room: Room, others: Float64Array): Weights =>
  weightsOf(
    room,
    'rank',
    others.map((use, i) => (use > 0 && use >= (room.free[i] ?? 0) ? 1 : 0)),
  );

export function houseOf(p: PlanProblem): House {
  const standing = pourStanding(p);
  const room = roomOf(p, standing);
  const nets = p.lines.map((_, k) => networkOf(p, room, standing, k));
  const idle = nets.map((net) => usesOf(room, [net.idle]));
  const pinned = usesOf(
    room,
    nets.map((net) => net.idle),
  );
  // Pins are sure to stand: what finds no room beside those of the other lines is not looked at again.
  const fitting = nets.map((net, k) => {
    const free = room.free.map((f, i) => f - (pinned[i] ?? 0) + (idle[k]?.[i] ?? 0));
    const fitsAlone = fitsWithin(free, room);
    const fitsIn = (s: Step) => !s.batch || fitsAlone(s.batch.taken);
    return { ...net, steps: net.steps.map((steps) => steps.filter(fitsIn)) };
  });
  return { standing, room, nets: fitting, idle, pinned };
}

import { compareCosts } from './cost';
import { costOfPaths, meeting, overfull, type Paths, usesOf } from './house';
import type { Known } from './known';
import { cheapestPath, costsToGo, fittingPath, type Weights } from './paths';
import type { Room } from './room';

/** So often are equal ways parted again by what the others take. */
const PARTINGS = 3;

/** Each line as if it were alone, which is a bound; of equal ways those that meet the others least. */
export function alone(known: Known): Paths {
  const { nets, room } = known.house;
  let paths: Paths = nets.map(
    (net) => cheapestPath(net, costsToGo(net, room.rows, null, known.work)).path,
  );
  known.raise(costOfPaths(paths));
  const isOverfull = () => overfull(room, usesOf(room, paths)).length > 0;
  for (let round = 0; round < PARTINGS && isOverfull(); round++)
    paths = nets.map((net, k) => {
      const others = usesOf(
        room,
        paths.filter((_, i) => i !== k),
      );
      const toGo = costsToGo(net, room.rows, meeting(room, others), known.work);
      return cheapestPath(net, toGo).path;
    });
  if (!isOverfull()) known.take(paths);
  return paths;
}

/** Lines one after another into what is left beside those that are kept; pins of the rest keep their room. */
function inOrder(
  known: Pick<Known, 'house' | 'work'>,
  order: readonly number[],
  kept: Paths,
  weights: Weights | null = null,
): Paths | null {
  const { nets, room, idle, pinned } = known.house;
  const paths = kept.map((path) => [...path]);
  const free = room.free.map((f, i) => f - (pinned[i] ?? 0));
  const add = (uses: Float64Array | undefined, factor: number) => {
    if (uses) for (let i = 0; i < free.length; i++) free[i]! += factor * uses[i]!;
  };
  paths.forEach((path, k) => {
    if (order.includes(k)) return;
    add(idle[k], 1);
    add(usesOf(room, [path]), -1);
  });
  for (const k of order) {
    const net = nets[k];
    if (!net) continue;
    add(idle[k], 1);
    const path = fittingPath(net, room, free, weights, known.work);
    if (!path) return null;
    add(usesOf(room, [path]), -1);
    paths[k] = path;
  }
  return paths;
}
/** Each line again beside the others, while it helps. */
function improved(known: Known, from: Paths): Paths {
  let paths = from;
  for (let helped = true; helped;) {
    helped = false;
    for (const k of paths.keys()) {
      const again = inOrder(known, [k], paths);
      if (again && compareCosts(costOfPaths(again), costOfPaths(paths)) < 0) {
        paths = again;
        helped = true;
      }
    }
  }
  return paths;
}
const rankOf = (paths: Paths): number => paths.flat().reduce((sum, step) => sum + step.rank, 0);
/** A plan as good as this one that has more of the plan before, each line looked at once beside the others. */
export function steadied(known: Pick<Known, 'house' | 'work'>, from: Paths): Paths {
  const { room } = known.house;
  const byRank = meeting(room, new Float64Array(room.free.length));
  let paths = from;
  for (const k of paths.keys()) {
    const again = inOrder(known, [k], paths, byRank);
    if (!again || compareCosts(costOfPaths(again), costOfPaths(paths)) > 0) continue;
    if (rankOf(again) < rankOf(paths)) paths = again;
  }
  return paths;
}
/** Lines that use any of those places. */
const linesAt = (room: Room, paths: Paths, cells: readonly number[]): boolean[] =>
  paths.map((path) => {
    const uses = usesOf(room, [path]);
    return cells.some((i) => (uses[i] ?? 0) > 0);
  });
/** The lines by how much they are to serve, the largest first. */
function bySize({ house: { nets } }: Known): number[] {
  const size = (k: number) => (nets[k]?.glasses ?? 0) * (nets[k]?.line.serving ?? 0);
  return [...nets.keys()].sort((a, b) => size(b) - size(a) || a - b);
}

/** The lines that do not fit together planned one after another, the others as they are. */
export function repair(known: Known, relaxed: Paths, weights: Weights | null): void {
  const { room } = known.house;
  const inConflict = linesAt(room, relaxed, overfull(room, usesOf(room, relaxed)));
  const order = bySize(known).filter((k) => inConflict[k]);
  const paths = inOrder(known, order, relaxed, weights);
  if (paths) known.take(improved(known, paths));
}
/**
 * Three ways to a first plan: the largest lines first, the smallest first, only those in conflict. Each is a plan before it
 * is improved.
 */
export function* firstPlans(known: Known, relaxed: Paths): Generator<void, void> {
  const none = known.house.nets.map(() => []);
  const order = bySize(known);
  for (const way of [order, [...order].reverse()]) {
    const paths = inOrder(known, way, none);
    if (!paths) continue;
    known.take(paths);
    yield;
    known.take(improved(known, paths));
  }
  repair(known, relaxed, null);
}

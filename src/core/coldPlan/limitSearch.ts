import TinyQueue from 'tinyqueue';
import { compareCosts, type Cost, sumOfCosts } from './cost';
import { costOfPath, meeting, overfull, type Paths, usesOf } from './house';
import type { Found, Known } from './known';
import { type Limit, limitedPath, takes } from './limitedPath';
import type { Step } from './network';
import type { Room } from './room';

/** Ways of all lines, each the cheapest within its limits. */
type Limited = {
  readonly paths: Paths;
  readonly costs: readonly Cost[];
  readonly cost: Cost;
  readonly limits: readonly (readonly Limit[])[];
  readonly uses: Float64Array;
  /** Places where they do not fit together. */
  readonly cells: readonly number[];
};
function limited(
  room: Room,
  paths: Paths,
  costs: readonly Cost[],
  limits: readonly (readonly Limit[])[],
): Limited {
  const uses = usesOf(room, paths);
  return { paths, costs, cost: sumOfCosts(costs), limits, uses, cells: overfull(room, uses) };
}
/** Where it is most too much; of equal places the middle one. */
function worstCell(room: Room, { uses, cells }: Limited): number {
  const over = (i: number) => (uses[i] ?? 0) - (room.free[i] ?? 0);
  const most = Math.max(...cells.map(over));
  const worst = cells.filter((i) => over(i) === most);
  return worst[worst.length >> 1] ?? 0;
}

/** One of the lines that meet in a place has to use less of it: a way of each to be. */
function children(known: Known, node: Limited): Limited[] {
  const { room, nets } = known.house;
  const size = room.moments.length;
  const cell = worstCell(room, node);
  const [row, moment] = [Math.floor(cell / size), cell % size];
  const found: Limited[] = [];
  for (const [k, path] of node.paths.entries()) {
    const net = nets[k];
    const use = path.reduce((sum, s) => sum + takes(s, room, { row, moment }), 0);
    if (use === 0 || !net) continue;
    const limits = [...(node.limits[k] ?? []), { row, moment, most: use - 1 }];
    const others = usesOf(
      room,
      node.paths.filter((_, i) => i !== k),
    );
    const way = limitedPath(net, room, limits, meeting(room, others), known.work);
    if (!way) continue;
    const replace = <T>(list: readonly T[], by: T) => list.map((x, i) => (i === k ? by : x));
    const paths = replace<readonly Step[]>(node.paths, way.path);
    const instead = limited(room, paths, replace(node.costs, way.cost), node.limits);
    // As good with fewer conflicts: the way is taken without its limit, and nothing is branched.
    if (compareCosts(instead.cost, node.cost) === 0 && instead.cells.length < node.cells.length)
      return [instead];
    found.push({ ...instead, limits: replace(node.limits, limits) });
  }
  return found;
}

/**
 * Best first: where the lines together use more than there is, one of them has to use less. The first ways that fit
 * together are the best there are. Returns how it is gone on with.
 */
export function limitSearch(known: Known, alone: Paths) {
  const { room } = known.house;
  const open = new TinyQueue<Limited>(
    [
      limited(
        room,
        alone,
        alone.map(costOfPath),
        alone.map(() => []),
      ),
    ],
    (a, b) => compareCosts(a.cost, b.cost) || a.cells.length - b.cells.length,
  );
  return function* (upTo: number): Generator<Found> {
    while (known.work.steps < upTo && !known.proven) {
      const node = open.pop();
      if (!node) {
        known.raise(known.best.cost);
        return;
      }
      known.raise(node.cost);
      if (node.cells.length === 0) known.take(node.paths);
      else for (const child of children(known, node)) open.push(child);
      yield known.found();
    }
  };
}

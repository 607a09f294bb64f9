import { type Cost, meritOf } from './cost';
import { steadied } from './fitting';
import { type House, houseOf } from './house';
import type { Found } from './known';
import type { Step, StepBatch } from './network';
import type { PlannedBatch, PlanProblem, Unmet, WeekPlan } from './problem';
import type { VesselClass } from './room';
import { search } from './search';
import { endOfBatch } from './standing';

/** Looked at for an answer that is not asked to go on: 100 to 300 ms. One that is gone on with may take fifteen times that. */
export const FIRST_STEPS = 400_000;

type Placed = { readonly line: string; readonly batch: StepBatch };
/**
 * Each batch into a vessel of its class that is free, in the order in which they begin: the one it had in the plan before,
 * else one that no other batch of that plan is to have back.
 */
function named(p: PlanProblem, { room, standing }: House, batches: readonly Placed[]) {
  const freeFrom = new Map<string, number>(
    standing.held.map((s) => [s.vessel, s.to + p.wash] as const),
  );
  const before = p.before ?? [];
  const ownBefore = (line: string, start: number) =>
    before.find((b) => b.line === line && b.start === start)?.vessel;
  const isOthers = new Set(batches.flatMap((b) => ownBefore(b.line, b.batch.start) ?? []));
  const inTurn = [...batches].sort((a, b) => a.batch.start - b.batch.start);
  return inTurn.map(({ line, batch }): PlannedBatch => {
    const { vessels }: VesselClass = room.classes[batch.taken.vessel]!;
    const free = vessels.filter((v) => (freeFrom.get(v.id) ?? 0) <= Math.max(0, batch.start));
    const own = ownBefore(line, batch.start);
    const vessel =
      free.find((v) => v.id === own) ?? free.find((v) => !isOthers.has(v.id)) ?? free[0];
    if (!vessel) throw new Error(`no vessel is free for ${line} at ${batch.start}`);
    freeFrom.set(vessel.id, endOfBatch(p, { line, ...batch }) + p.wash);
    const { start, lift, pours, fill } = batch;
    return {
      pin: batch.pin?.id ?? null,
      line,
      vessel: vessel.id,
      ...{ water: fill.water, glasses: fill.glasses, start, lift, pours },
    };
  });
}

function unmetOf(house: House, line: string, k: number, path: readonly Step[]): Unmet[] {
  const poured = new Map<number, number>();
  for (const { service, glasses } of path.flatMap((s) => s.batch?.pours ?? []))
    poured.set(service, (poured.get(service) ?? 0) + glasses);
  return (house.standing.rest[k] ?? []).flatMap((wanted, service) => {
    const glasses = wanted - (poured.get(service) ?? 0);
    return glasses > 0 ? [{ line, service, glasses }] : [];
  });
}

function planOf(p: PlanProblem, house: House, found: Found): WeekPlan {
  const withStanding = (cost: Cost): Cost => ({ ...cost, lost: cost.lost + house.standing.thrown });
  const batches = found.paths.flatMap((path, k) =>
    path.flatMap(({ batch }) => (batch ? [{ line: p.lines[k]?.id ?? '', batch }] : [])),
  );
  return {
    merit: meritOf(withStanding(found.cost)),
    bound: meritOf(withStanding(found.bound)),
    proven: found.proven,
    batches: named(p, house, batches),
    standing: house.standing.poured,
    unmet: found.paths.flatMap((path, k) => unmetOf(house, p.lines[k]?.id ?? '', k, path)),
  };
}

/** A search that is under way: it may be gone on with, and holds the best plan it knows. */
export type Planning = {
  readonly plan: () => WeekPlan;
  /** The same, or one as good that has more of the plan before. It takes a while: for the end of a search. */
  readonly settled: () => WeekPlan;
  /** Steps looked at so far. */
  readonly steps: () => number;
  /** Goes on until so many steps were looked at in all, or until the plan is proven. */
  readonly goOn: (upTo: number) => void;
};
/** Begins to plan; the first plan is there at once. */
export function beginPlan(p: PlanProblem): Planning {
  const house = houseOf(p);
  const searching = search(house, FIRST_STEPS);
  const next = () => searching.next().value ?? null;
  let found = next();
  if (!found) throw new Error('no first plan');
  let known = found;
  return {
    plan: () => planOf(p, house, known),
    settled: () => {
      const paths = steadied({ house, work: { steps: 0 } }, known.paths);
      return planOf(p, house, { ...known, paths });
    },
    steps: () => known.steps,
    goOn: (upTo) => {
      while (!known.proven && known.steps < upTo) {
        found = next();
        if (!found) return;
        known = found;
      }
    },
  };
}
/** The best plan found within so many steps: the same problem gives the same plan. */
export function planWeek(p: PlanProblem, steps = FIRST_STEPS): WeekPlan {
  const planning = beginPlan(p);
  planning.goOn(steps);
  return planning.settled();
}

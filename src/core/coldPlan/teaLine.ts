import { type BatchPlan, planBatch } from '#core/cold';
import { millilitres } from '#core/units';
import {
  type ColdHouse,
  type ColdTea,
  type ColdVessel,
  kindOf,
  type StandingBatch,
} from './coldHouse';
import type { Minute, PlanFill, PlanLine } from './problem';

/** Shares of the full mark that are filled. */
const FILLS = [0.5, 0.75, 1];

/**
 * Fills that were worked out before, by tea, kind of vessel and water; null where the leaf is not covered. To be kept as
 * long as recipes, vessels, fridge, water and limits are the same: what is wanted does not matter.
 */
export type WorkedFills = Map<string, BatchPlan | null>;

/** The fills of a tea in one kind of vessel, each worked out; none where its leaf is not covered. */
function fillsIn(house: ColdHouse, tea: ColdTea, vessel: ColdVessel, worked: WorkedFills) {
  return FILLS.flatMap((share) => {
    const water = millilitres(Math.round((vessel.mark * share) / 10) * 10);
    const key = `${tea.id} ${kindOf(vessel)} ${water}`;
    let plan = worked.get(key);
    if (plan === undefined) {
      const found = planBatch({ ...house, ...tea, vessel, water });
      plan = found.kind === 'plan' ? found.plan : null;
      worked.set(key, plan);
    }
    const glasses = plan ? Math.floor(plan.liquor / tea.serving) : 0;
    return plan && glasses > 0 ? [{ plan, fill: { water, glasses } }] : [];
  });
}
const minutesOf = (seconds: number): Minute => Math.round(seconds / 60);

/** One tea as a line: its hours are those that are right in every vessel it may be in. */
export function lineOf(
  house: ColdHouse,
  tea: ColdTea,
  kinds: ReadonlyMap<string, ColdVessel>,
  asked: { demand: readonly number[]; own: readonly StandingBatch[]; fills: WorkedFills },
): PlanLine {
  const worked = [...kinds].map(([kind, vessel]) => ({
    kind,
    fills: fillsIn(house, tea, vessel, asked.fills),
  }));
  const plans = worked.flatMap((w) => w.fills.map((f) => f.plan));
  const { window } = tea.recipe;
  const each = (of: (p: BatchPlan) => number, pick: (...xs: number[]) => number, usual: number) =>
    plans.length > 0 ? minutesOf(pick(...plans.map(of))) : minutesOf(usual);
  const earliest = each((p) => p.window.earliest, Math.max, window.earliest);
  const latest = Math.max(
    earliest,
    each((p) => p.window.latest, Math.min, window.latest),
  );
  const best = Math.min(
    latest,
    Math.max(
      earliest,
      each((p) => p.window.best, Math.max, window.best),
    ),
  );
  const cold = each((p) => p.coldAfter ?? 0, Math.max, 0);
  const keepHours = Math.min(house.limits.keepHours, ...plans.map((p) => p.keeping.keepHours));
  const fills = new Map<string, PlanFill[]>(
    worked.map((w) => [w.kind, w.fills.map((f) => f.fill)] as const),
  );
  // What is in already is a fill of its own.
  for (const batch of asked.own.filter((b) => b.now.state.kind === 'infusing')) {
    const vessel = house.vessels.find((v) => v.id === batch.vesselId);
    if (!vessel) continue;
    const there = fills.get(kindOf(vessel)) ?? [];
    const { water, liquor } = batch.plan;
    if (there.some((f) => f.water === water)) continue;
    const glasses = Math.max(1, Math.floor(liquor / tea.serving));
    fills.set(kindOf(vessel), [...there, { water, glasses }]);
  }
  return {
    id: tea.id,
    serving: Math.round(tea.serving),
    earliest,
    latest,
    goodFrom: Math.round((earliest + best) / 2),
    goodTo: Math.round((best + latest) / 2),
    chill: Math.max(0, cold - earliest),
    keep: keepHours * 60,
    keepFrom: 'lift',
    fresh: (keepHours * 60) / 2,
    fridge: 'all',
    fills: Object.fromEntries(fills),
    demand: asked.demand,
  };
}

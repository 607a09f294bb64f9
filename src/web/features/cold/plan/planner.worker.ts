import { expose } from 'comlink';
import {
  beginPlan,
  type ColdHouse,
  FIRST_STEPS,
  type PinsRefused,
  pinsRefused,
  type PlanAsked,
  type Planning,
  problemOf,
  reasonsOf,
  type UnmetBecause,
  type WeekPlan,
  type WorkedFills,
} from '#core/coldPlan';

/** What was asked, and a plan as it stands while it is looked for, or why the batches placed by hand cannot be. */
export type PlanFound = { readonly asked: PlanAsked } & (
  | {
      readonly kind: 'plan';
      readonly plan: WeekPlan;
      /** Only at the end. */
      readonly because: readonly UnmetBecause[];
      /** Share of what will be looked at. */
      readonly share: number;
    }
  | { readonly kind: 'refused'; readonly refused: PinsRefused }
);

/** So much is looked at before what was asked meanwhile is heard. */
const STEPS_BETWEEN = 20_000;
const breathe = () => new Promise<void>((r) => setTimeout(r, 0));
let stopped = 0;
let current: { asked: PlanAsked; planning: Planning } | null = null;

/** What is wanted is typed often; the fills of a house are worked out once. */
let worked: { key: string; fills: WorkedFills } = { key: '', fills: new Map() };
function fillsOf({ teas, vessels, air, ambient, waterAt, limits }: ColdHouse): WorkedFills {
  const key = JSON.stringify({ teas, vessels, air, ambient, waterAt, limits });
  if (worked.key !== key) worked = { key, fills: new Map() };
  return worked.fills;
}

/**
 * Looks on until so many steps: says what is known at once, as it goes on, and at the end, or when it is stopped, with
 * the reasons of what is short.
 */
async function lookOn(id: number, upTo: number, onFound: (f: PlanFound) => void): Promise<void> {
  if (!current) return;
  const { asked, planning } = current;
  let plan = planning.plan();
  onFound({ kind: 'plan', asked, plan, because: [], share: 0 });
  await breathe();
  while (stopped < id && planning.steps() < upTo && !plan.proven) {
    const steps = planning.steps();
    planning.goOn(Math.min(upTo, steps + STEPS_BETWEEN));
    if (planning.steps() === steps) break;
    plan = planning.plan();
    onFound({ kind: 'plan', asked, plan, because: [], share: planning.steps() / upTo });
    await breathe();
  }
  plan = planning.settled();
  onFound({ kind: 'plan', asked, plan, because: reasonsOf(asked.problem, plan), share: 1 });
}

const worker = {
  /** Plans a week; `id` grows with each, and a later one or a stop ends those before. */
  async plan(id: number, house: ColdHouse, onFound: (f: PlanFound) => void): Promise<void> {
    const asked = problemOf(house, fillsOf(house));
    const refused = pinsRefused(asked.problem);
    if (refused) return onFound({ kind: 'refused', asked, refused });
    current = { asked, planning: beginPlan(asked.problem) };
    await lookOn(id, FIRST_STEPS, onFound);
  },
  /** Goes on with the one that was planned last. */
  async goOn(id: number, onFound: (f: PlanFound) => void): Promise<void> {
    await lookOn(id, (current?.planning.steps() ?? 0) + 15 * FIRST_STEPS, onFound);
  },
  stop(upTo: number): void {
    stopped = Math.max(stopped, upTo);
  },
};
export type PlannerWorker = typeof worker;
expose(worker);

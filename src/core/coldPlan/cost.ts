import type { Merit } from './problem';

/**
 * What a plan costs, exact in two doubles that are compared one after the other: glasses unmet before ml thrown out, then
 * minutes off before batches before hands. Each part has room under the next (2^20 ml, 2^10 batches, 2^11 hands).
 */
export type Cost = { readonly lost: number; readonly effort: number };

const UNMET = 2 ** 20;
const OFF = 2 ** 21;
const BATCH = 2 ** 11;

export const NO_COST: Cost = { lost: 0, effort: 0 };
export const costOf = (m: Merit): Cost => ({
  lost: m.unmet * UNMET + m.thrown,
  effort: m.off * OFF + m.batches * BATCH + m.hands,
});
export const meritOf = ({ lost, effort }: Cost): Merit => {
  const unmet = Math.floor(lost / UNMET);
  const off = Math.floor(effort / OFF);
  const rest = effort - off * OFF;
  const batches = Math.floor(rest / BATCH);
  return { unmet, thrown: lost - unmet * UNMET, off, batches, hands: rest - batches * BATCH };
};
export const sumOfCosts = (costs: readonly Cost[]): Cost => ({
  lost: costs.reduce((sum, c) => sum + c.lost, 0),
  effort: costs.reduce((sum, c) => sum + c.effort, 0),
});
/** Less than 0 when the first is the better one. */
export const compareCosts = (a: Cost, b: Cost): number => a.lost - b.lost || a.effort - b.effort;

/** What no plan can go over; what a bound says beyond it must lie one level up. */
export type Most = { readonly thrown: number; readonly batches: number };

/**
 * The least whole cost that is no less than a bound found with prices (which has fractions, and parts that no plan can
 * have).
 */
export function roundedUp(bound: Cost, most: Most): Cost {
  const lost = Math.ceil(bound.lost - 1e-6);
  if (lost > bound.lost + 1e-3) return upToWhole({ lost, effort: 0 }, most);
  return upToWhole({ lost, effort: Math.max(0, Math.ceil(bound.effort - 1e-3)) }, most);
}
function upToWhole({ lost, effort }: Cost, most: Most): Cost {
  const unmet = Math.floor(lost / UNMET);
  if (lost - unmet * UNMET > most.thrown) return { lost: (unmet + 1) * UNMET, effort: 0 };
  const off = Math.floor(effort / OFF);
  const rest = effort - off * OFF;
  const batches = Math.floor(rest / BATCH);
  const hands = rest - batches * BATCH;
  // A batch has two hands at most.
  const needed = hands > 2 * batches ? batches + 1 : batches;
  if (needed > most.batches) return { lost, effort: (off + 1) * OFF };
  return { lost, effort: off * OFF + needed * BATCH + (needed > batches ? 0 : hands) };
}

import { ExchangeSpoon } from '#contracts/exchange';
import { spoonRecord } from '../records';
import type { JsonPlan } from './plan';

/** Reads the spoons. @returns the ids of all spoons there will be: those here, and those of the file. */
export function readSpoons(plan: JsonPlan, list: readonly unknown[]): ReadonlySet<string> {
  const spoonIds = new Set(plan.here.spoons.map((s) => s.id));
  list.forEach((given, i) => {
    const s = plan.entry(ExchangeSpoon, given, i, 'spoons');
    if (!s) return;
    if (plan.isTwice(i + 1, 'spoons.id', s.id)) return;
    const { id, ...record } = s;
    const found = plan.here.spoons.find((x) => x.id === id && x.own);
    plan.put(
      'spoon',
      i + 1,
      id,
      s.name,
      found ? { rev: found.rev, record: spoonRecord(found) } : null,
      record,
    );
    spoonIds.add(id);
  });
  return spoonIds;
}

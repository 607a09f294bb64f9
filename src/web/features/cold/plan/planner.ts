import { proxy, type Remote, wrap } from 'comlink';
import type { ColdHouse } from '#core/coldPlan';
import type { PlanFound, PlannerWorker } from './planner.worker';

let remote: Remote<PlannerWorker> | null = null;
const worker = (): Remote<PlannerWorker> => {
  remote ??= wrap<PlannerWorker>(
    new Worker(new URL('./planner.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
};
let asked = 0;

type Run = { readonly ended: Promise<void>; readonly stop: () => void };
const stopOf = (id: number) => () => void worker().stop(id);
const heard = (id: number, onFound: (f: PlanFound) => void) =>
  proxy((f: PlanFound) => {
    if (id === asked) onFound(f);
  });
/** Plans in the worker; whatever was under way before is stopped. */
export function planInWorker(house: ColdHouse, onFound: (f: PlanFound) => void): Run {
  const id = ++asked;
  void worker().stop(id - 1);
  return { ended: worker().plan(id, house, heard(id, onFound)), stop: stopOf(id) };
}
/** Looks for a better one than it came to. */
export function goOnInWorker(onFound: (f: PlanFound) => void): Run {
  const id = ++asked;
  void worker().stop(id - 1);
  return { ended: worker().goOn(id, heard(id, onFound)), stop: stopOf(id) };
}

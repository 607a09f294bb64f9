import { proxy, type Remote, wrap } from 'comlink';
import type { Brewing } from '#core/cup';
import type { Errors, Study } from '#core/tolerance';
import type { ToleranceWorker } from './tolerance.worker';

let remote: Remote<ToleranceWorker> | null = null;
const worker = (): Remote<ToleranceWorker> => {
  remote ??= wrap<ToleranceWorker>(
    new Worker(new URL('./tolerance.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
};
let asked = 0;

/** A study in the worker: its result (null when stopped), and the way to stop it. */
export function studyTolerance(
  brew: Brewing,
  errors: Errors,
  seed: number,
  onShare: (share: number) => void,
): { result: Promise<Study | null>; stop: () => void } {
  const id = ++asked;
  return {
    result: worker().study(id, brew, errors, seed, proxy(onShare)),
    stop: () => void worker().stop(id),
  };
}

import { type Remote, wrap } from 'comlink';
import type { DrillCup, Level } from '#core/training';
import type { CupAsked, DrillWorker, OrderAsked } from './drill.worker';

let remote: Remote<DrillWorker> | null = null;
const worker = (): Remote<DrillWorker> => {
  remote ??= wrap<DrillWorker>(
    new Worker(new URL('./drill.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
};
/** Draws a question; null: the house has no cup to ask about. */
export type Draw<Q> = (cups: readonly DrillCup[], level: Level, seed: number) => Promise<Q | null>;
/** Both draw in the worker: the page is never held up. */
export const drawCup: Draw<CupAsked> = (...asked) => worker().diagnose(...asked);
export const drawCups: Draw<OrderAsked> = (...asked) => worker().order(...asked);

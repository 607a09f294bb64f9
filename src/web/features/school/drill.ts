import { type Remote, wrap } from 'comlink';
import type { DrillFacts, Level } from '#core/training';
import type { CupAsked, DrillWorker, FigureAsked, OrderAsked } from './drill.worker';

let remote: Remote<DrillWorker> | null = null;
const worker = (): Remote<DrillWorker> => {
  remote ??= wrap<DrillWorker>(
    new Worker(new URL('./drill.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
};
/** Draws a question; null: the house has nothing to ask about. */
export type Draw<Q> = (facts: DrillFacts, level: Level, seed: number) => Promise<Q | null>;
/** Each draws in the worker: the page is never held up. */
export const drawCup: Draw<CupAsked> = (...asked) => worker().diagnose(...asked);
export const drawCups: Draw<OrderAsked> = (...asked) => worker().order(...asked);
export const drawScaled: Draw<FigureAsked> = (...asked) => worker().scale(...asked);
export const drawSpooned: Draw<FigureAsked> = (...asked) => worker().spoons(...asked);

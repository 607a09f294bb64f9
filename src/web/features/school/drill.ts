import { type Remote, wrap } from 'comlink';
import {
  type DrillFacts,
  FIGURE_DRILL_NAMES,
  type FigureDrillName,
  type Level,
  PICK_DRILL_NAMES,
  type PickDrillName,
} from '#core/training';
import type {
  CupAsked,
  DrillWorker,
  FigureAsked,
  OrderAsked,
  PickAsked,
  ShiftAsked,
  TurnsAsked,
} from './drill.worker';

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
export const drawVessel: Draw<TurnsAsked> = (...asked) => worker().turns(...asked);
export const drawOrders: Draw<ShiftAsked> = (...asked) => worker().shift(...asked);

/** One for each drill: a question is drawn anew when its draw is another. */
const drawsOf = <D extends string, Q>(
  drills: readonly D[],
  draw: (drill: D) => Draw<Q>,
): Readonly<Record<D, Draw<Q>>> =>
  Object.fromEntries(drills.map((drill) => [drill, draw(drill)])) as Record<D, Draw<Q>>;
export const FIGURE_DRAWS = drawsOf<FigureDrillName, FigureAsked>(
  FIGURE_DRILL_NAMES,
  (drill) =>
    (...asked) =>
      worker().figure(drill, ...asked),
);
export const PICK_DRAWS = drawsOf<PickDrillName, PickAsked>(
  PICK_DRILL_NAMES,
  (drill) =>
    (...asked) =>
      worker().pick(drill, ...asked),
);

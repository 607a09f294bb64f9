import { useEffect, useReducer, useRef } from 'react';
import type { ColdHouse } from '#core/coldPlan';
import { goOnInWorker, planInWorker } from './planner';
import type { PlanFound } from './planner.worker';

/** What the planner is at: nothing asked, looking for a plan (with the best so far, if any), or done. */
export type PlannerState = {
  readonly stage: 'idle' | 'looking' | 'done' | 'failed';
  readonly found: PlanFound | null;
  /** What it came to last: what is drawn at length, so that nothing moves while it looks. */
  readonly ended: PlanFound | null;
};
type Told =
  | { readonly kind: 'begun' }
  | { readonly kind: 'found'; readonly found: PlanFound }
  | { readonly kind: 'ended' }
  | { readonly kind: 'failed' };

/** A plan that was there stays in sight while the next is looked for. */
export function plannerAfter(state: PlannerState, told: Told): PlannerState {
  switch (told.kind) {
    case 'begun':
      return { ...state, stage: 'looking' };
    case 'found':
      return { ...state, found: told.found };
    case 'ended':
      return { ...state, stage: 'done', ended: state.found };
    case 'failed':
      return { ...state, stage: 'failed' };
  }
}

/** Plans whenever what is asked changes; null: nothing is. */
export function usePlanner(house: ColdHouse | null) {
  const [state, tell] = useReducer(plannerAfter, {
    ...{ stage: 'idle', found: null, ended: null },
  });
  const stop = useRef<() => void>(() => undefined);
  const follow = (run: ReturnType<typeof planInWorker>) => {
    stop.current = run.stop;
    run.ended.then(
      () => tell({ kind: 'ended' }),
      () => tell({ kind: 'failed' }),
    );
  };
  const onFound = (found: PlanFound) => tell({ kind: 'found', found });
  useEffect(() => {
    if (!house) return;
    tell({ kind: 'begun' });
    follow(planInWorker(house, onFound));
    return () => stop.current();
  }, [house]);
  return {
    ...state,
    stop: () => stop.current(),
    goOn: () => {
      tell({ kind: 'begun' });
      follow(goOnInWorker(onFound));
    },
  };
}

import { barPrefetch } from '../features/bar';
import { judgePrefetch } from '../features/judge';
import { startPrefetch } from '../features/start';

/**
 * What the bar needs next and does not need at once: fetched in a quiet moment, so that it is there without a server.
 */
const NEXT: readonly (() => Promise<unknown>)[] = [
  startPrefetch,
  judgePrefetch,
  () => import('../entities/brews/proposal'),
  ...barPrefetch,
  () => import('../entities/brews/BrewWorking'),
  () => import('./Device'),
  () => import('../ui/DialogSheet'),
];
const WAIT_MS = 3000;

/** After what is being drawn; a browser that cannot tell does it in its next task. */
export function inAQuietMoment(run: () => void): void {
  if ('requestIdleCallback' in window) window.requestIdleCallback(run, { timeout: WAIT_MS });
  else setTimeout(run);
}

export function prefetch(): void {
  const go = () =>
    void NEXT.reduce(
      (before, next) => before.then(next, next).catch(() => undefined),
      Promise.resolve<unknown>(undefined),
    );
  setTimeout(() => inAQuietMoment(go), WAIT_MS);
}

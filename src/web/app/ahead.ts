/**
 * What the bar needs next and does not need at once: fetched in a quiet moment, so that it is there without a server.
 */
const NEXT: readonly (() => Promise<unknown>)[] = [
  () => import('../features/start'),
  () => import('../features/judge'),
  () => import('./proposal'),
  () => import('../features/bar/MoreMenu'),
  () => import('../features/bar/Steps'),
  () => import('../features/bar/Queue'),
  () => import('../features/bar/Working'),
  () => import('./Device'),
  () => import('../ui/DialogSheet'),
];
const WAIT_MS = 3000;

export function fetchAhead(): void {
  const go = () =>
    void NEXT.reduce(
      (before, next) => before.then(next, next).catch(() => undefined),
      Promise.resolve<unknown>(undefined),
    );
  setTimeout(
    () => ('requestIdleCallback' in window ? window.requestIdleCallback(go) : go()),
    WAIT_MS,
  );
}

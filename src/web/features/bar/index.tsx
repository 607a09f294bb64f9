import type { RouteObject } from 'react-router';
import { BarPage } from './Page';

export { BarWatch } from './Watch';
export { ScannerWedge } from './wedge';

/** Not lazy: it is what a tablet opens with. */
export const barRoutes: RouteObject[] = [{ path: '/', element: <BarPage /> }];

/** Parts of the bar that open on a touch: fetched in a quiet moment, so that they open without a server. */
export const barPrefetch: readonly (() => Promise<unknown>)[] = [
  () => import('./MoreMenu'),
  () => import('./Steps'),
  () => import('./Queue'),
];

import { lazy } from 'react';
import type { RouteObject } from 'react-router';

/** Fetched in a quiet moment, so that it opens without a server. */
export const startPrefetch = () => import('./Page');
const StartPage = lazy(() => startPrefetch().then((m) => ({ default: m.StartPage })));

export const startRoutes: RouteObject[] = [{ path: '/start', element: <StartPage /> }];

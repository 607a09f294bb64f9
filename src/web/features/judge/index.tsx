import { lazy } from 'react';
import type { RouteObject } from 'react-router';

/** Fetched in a quiet moment, so that it opens without a server. */
export const judgePrefetch = () => import('./Page');
const JudgePage = lazy(() => judgePrefetch().then((m) => ({ default: m.JudgePage })));

export const judgeRoutes: RouteObject[] = [{ path: '/judge/:id', element: <JudgePage /> }];

import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const AdvicePage = lazy(() => import('./Page').then((m) => ({ default: m.AdvicePage })));

export const adviceRoutes: RouteObject[] = [{ path: '/book/:id/advice', element: <AdvicePage /> }];

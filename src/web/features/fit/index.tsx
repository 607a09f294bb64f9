import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const FitPage = lazy(() => import('./Page').then((m) => ({ default: m.FitPage })));
const ColoursPage = lazy(() => import('./Colours').then((m) => ({ default: m.ColoursPage })));

export const fitRoutes: RouteObject[] = [
  { path: '/book/:id/fit', element: <FitPage /> },
  { path: '/book/:id/colours', element: <ColoursPage /> },
];

import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const LogPage = lazy(() => import('./Page').then((m) => ({ default: m.LogPage })));
const TrendPage = lazy(() => import('./TrendPage').then((m) => ({ default: m.TrendPage })));
const CorrectionsPage = lazy(() =>
  import('./CorrectionsPage').then((m) => ({ default: m.CorrectionsPage })),
);
const TasteAgainPage = lazy(() =>
  import('./TasteAgainPage').then((m) => ({ default: m.TasteAgainPage })),
);
const BrewPage = lazy(() => import('./BrewPage').then((m) => ({ default: m.BrewPage })));

export const logRoutes: RouteObject[] = [
  { path: '/log', element: <LogPage /> },
  { path: '/log/trends', element: <TrendPage /> },
  { path: '/log/corrections', element: <CorrectionsPage /> },
  { path: '/log/:id', element: <BrewPage /> },
  { path: '/log/:id/taste', element: <TasteAgainPage /> },
];

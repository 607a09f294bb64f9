import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const ColdPage = lazy(() => import('./Page').then((m) => ({ default: m.ColdPage })));
const StartPage = lazy(() => import('./StartPage').then((m) => ({ default: m.StartPage })));
const PlanPage = lazy(() => import('./plan/PlanPage').then((m) => ({ default: m.PlanPage })));
const JudgeBatchPage = lazy(() =>
  import('./JudgePage').then((m) => ({ default: m.JudgeBatchPage })),
);
const FridgePage = lazy(() => import('./fridge/Page').then((m) => ({ default: m.FridgePage })));
const BatchPage = lazy(() => import('./BatchPage').then((m) => ({ default: m.BatchPage })));

/** What of the cold wants hands now; fetched once what the bar needs is there. Fails where there is no server. */
export const loadDueLine = () => import('./DueLine').then((m) => m.DueLine);

/** Rings when the cold water of a hot stage is due, in every place; fetched as late. */
export const loadHotBell = () => import('./HotBell').then((m) => m.HotBell);

export const coldRoutes: RouteObject[] = [
  { path: '/cold', element: <ColdPage /> },
  { path: '/cold/start', element: <StartPage /> },
  { path: '/cold/plan', element: <PlanPage /> },
  { path: '/cold/fridge', element: <FridgePage /> },
  { path: '/cold/:id', element: <BatchPage /> },
  { path: '/cold/:id/judge', element: <JudgeBatchPage /> },
];

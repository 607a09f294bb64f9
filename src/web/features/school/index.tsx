import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const SchoolPage = lazy(() => import('./Page').then((m) => ({ default: m.SchoolPage })));
const BoardPage = lazy(() => import('./BoardPage').then((m) => ({ default: m.BoardPage })));
const SessionPage = lazy(() => import('./SessionPage').then((m) => ({ default: m.SessionPage })));
const DrillSitting = lazy(() =>
  import('./DrillSitting').then((m) => ({ default: m.DrillSitting })),
);

export const schoolRoutes: RouteObject[] = [
  { path: '/school', element: <SchoolPage /> },
  { path: '/school/board', element: <BoardPage /> },
  { path: '/school/today', element: <SessionPage /> },
  // Named one by one: what the drills work out is not part of the first page.
  { path: '/school/diagnose', element: <DrillSitting key="diagnose" drill="diagnose" /> },
  { path: '/school/order', element: <DrillSitting key="order" drill="order" /> },
  { path: '/school/scale', element: <DrillSitting key="scale" drill="scale" /> },
  { path: '/school/spoons', element: <DrillSitting key="spoons" drill="spoons" /> },
];

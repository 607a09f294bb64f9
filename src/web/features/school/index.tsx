import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const SchoolPage = lazy(() => import('./Page').then((m) => ({ default: m.SchoolPage })));
const BoardPage = lazy(() => import('./BoardPage').then((m) => ({ default: m.BoardPage })));
const DiagnosePage = lazy(() =>
  import('./diagnose/DiagnosePage').then((m) => ({ default: m.DiagnosePage })),
);

export const schoolRoutes: RouteObject[] = [
  { path: '/school', element: <SchoolPage /> },
  { path: '/school/board', element: <BoardPage /> },
  { path: '/school/diagnose', element: <DiagnosePage /> },
];

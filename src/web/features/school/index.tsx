import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const SchoolPage = lazy(() => import('./Page').then((m) => ({ default: m.SchoolPage })));
const BoardPage = lazy(() => import('./BoardPage').then((m) => ({ default: m.BoardPage })));
const DiagnosePage = lazy(() =>
  import('./diagnose/DiagnosePage').then((m) => ({ default: m.DiagnosePage })),
);

const OrderPage = lazy(() => import('./order/OrderPage').then((m) => ({ default: m.OrderPage })));
const ScalePage = lazy(() =>
  import('./figure/FigurePages').then((m) => ({ default: m.ScalePage })),
);
const SpoonsPage = lazy(() =>
  import('./figure/FigurePages').then((m) => ({ default: m.SpoonsPage })),
);

export const schoolRoutes: RouteObject[] = [
  { path: '/school', element: <SchoolPage /> },
  { path: '/school/board', element: <BoardPage /> },
  { path: '/school/diagnose', element: <DiagnosePage /> },
  { path: '/school/order', element: <OrderPage /> },
  { path: '/school/scale', element: <ScalePage /> },
  { path: '/school/spoons', element: <SpoonsPage /> },
];

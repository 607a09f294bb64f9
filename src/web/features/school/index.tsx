import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const SchoolPage = lazy(() => import('./Page').then((m) => ({ default: m.SchoolPage })));
const BoardPage = lazy(() => import('./BoardPage').then((m) => ({ default: m.BoardPage })));
const DiagnosePage = lazy(() =>
  import('./diagnose/DiagnosePage').then((m) => ({ default: m.DiagnosePage })),
);

const OrderPage = lazy(() => import('./order/OrderPage').then((m) => ({ default: m.OrderPage })));

export const schoolRoutes: RouteObject[] = [
  { path: '/school', element: <SchoolPage /> },
  { path: '/school/board', element: <BoardPage /> },
  { path: '/school/diagnose', element: <DiagnosePage /> },
  { path: '/school/order', element: <OrderPage /> },
];

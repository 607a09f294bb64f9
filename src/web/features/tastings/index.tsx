import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const TablePage = lazy(() => import('./ListPage').then((m) => ({ default: m.TablePage })));
const SetUpPage = lazy(() => import('./setUp/SetUpPage').then((m) => ({ default: m.SetUpPage })));
const ColourPage = lazy(() =>
  import('./colour/ColourPage').then((m) => ({ default: m.ColourPage })),
);
const ScreenPage = lazy(() => import('./ScreenPage').then((m) => ({ default: m.ScreenPage })));
const TastingPage = lazy(() => import('./TastingPage').then((m) => ({ default: m.TastingPage })));
const TasterPage = lazy(() => import('./TasterPage').then((m) => ({ default: m.TasterPage })));
const TastePage = lazy(() => import('./sheet/TastePage').then((m) => ({ default: m.TastePage })));

/** For guests: no part of the house's own places. */
export const GuestPage = lazy(() =>
  import('./guest/GuestPage').then((m) => ({ default: m.GuestPage })),
);

export const tastingsRoutes: RouteObject[] = [
  { path: '/table', element: <TablePage /> },
  { path: '/table/new', element: <SetUpPage /> },
  { path: '/table/colour', element: <ColourPage /> },
  { path: '/table/screen', element: <ScreenPage /> },
  { path: '/table/:id', element: <TastingPage /> },
  { path: '/table/:id/tasters/:taster', element: <TasterPage /> },
  { path: '/table/:id/taste', element: <TastePage /> },
];

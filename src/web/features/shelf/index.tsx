import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const ShelfPage = lazy(() => import('./Page').then((m) => ({ default: m.ShelfPage })));
const KettlePage = lazy(() => import('./KettlePage').then((m) => ({ default: m.KettlePage })));
const VesselPage = lazy(() => import('./VesselPage').then((m) => ({ default: m.VesselPage })));

export const shelfRoutes: RouteObject[] = [
  { path: '/shelf', element: <ShelfPage /> },
  { path: '/shelf/kettles/:id', element: <KettlePage /> },
  { path: '/shelf/:id', element: <VesselPage /> },
];

import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const HousePage = lazy(() => import('./Page').then((m) => ({ default: m.HousePage })));
const ExchangePage = lazy(() =>
  import('./exchange/ExchangePage').then((m) => ({ default: m.ExchangePage })),
);

export const houseRoutes: RouteObject[] = [
  { path: '/house', element: <HousePage /> },
  { path: '/house/exchange', element: <ExchangePage /> },
];

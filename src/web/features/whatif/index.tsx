import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const WhatIfPage = lazy(() => import('./Page').then((m) => ({ default: m.WhatIfPage })));

export const whatifRoutes: RouteObject[] = [
  { path: '/book/:teaId/whatif', element: <WhatIfPage /> },
];

import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const SchoolRoutes = lazy(() =>
  import('./SchoolRoutes').then((m) => ({ default: m.SchoolRoutes })),
);

// One entry for all of its pages: their list is not part of the first page.
export const schoolRoutes: RouteObject[] = [{ path: '/school/*', element: <SchoolRoutes /> }];

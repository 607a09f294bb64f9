import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const HousePage = lazy(() => import('./Page').then((m) => ({ default: m.HousePage })));
const ExchangePage = lazy(() =>
  import('./exchange/ExchangePage').then((m) => ({ default: m.ExchangePage })),
);

const HoursPage = lazy(() => import('./HoursPage').then((m) => ({ default: m.HoursPage })));
const CalendarPage = lazy(() =>
  import('./CalendarPage').then((m) => ({ default: m.CalendarPage })),
);
const AuditPage = lazy(() => import('./audit/AuditPage').then((m) => ({ default: m.AuditPage })));
const BackupsPage = lazy(() =>
  import('./backups/BackupsPage').then((m) => ({ default: m.BackupsPage })),
);
const DevicesPage = lazy(() =>
  import('./devices/DevicesPage').then((m) => ({ default: m.DevicesPage })),
);
const ProgramsPage = lazy(() =>
  import('./programs/ProgramsPage').then((m) => ({ default: m.ProgramsPage })),
);
const AttachedPage = lazy(() =>
  import('./attached/AttachedPage').then((m) => ({ default: m.AttachedPage })),
);
const LimitsPage = lazy(() => import('./LimitsPage').then((m) => ({ default: m.LimitsPage })));

export const houseRoutes: RouteObject[] = [
  { path: '/house', element: <HousePage /> },
  { path: '/house/hours', element: <HoursPage /> },
  { path: '/house/limits', element: <LimitsPage /> },
  { path: '/house/calendar', element: <CalendarPage /> },
  { path: '/house/devices', element: <DevicesPage /> },
  { path: '/house/audit', element: <AuditPage /> },
  { path: '/house/programs', element: <ProgramsPage /> },
  { path: '/house/attached', element: <AttachedPage /> },
  { path: '/house/backups', element: <BackupsPage /> },
  { path: '/house/exchange', element: <ExchangePage /> },
];

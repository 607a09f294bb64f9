import { lazy } from 'react';
import { createBrowserRouter, Navigate } from 'react-router';
import { BarPage } from '../features/bar';
import { Note } from '../ui/Note';
import { Shell } from './Shell';

const StartPage = lazy(() => import('../features/start').then((m) => ({ default: m.StartPage })));
const JudgePage = lazy(() => import('../features/judge').then((m) => ({ default: m.JudgePage })));
const BookPage = lazy(() => import('../features/book').then((m) => ({ default: m.BookPage })));
const BoardPage = lazy(() => import('../features/book').then((m) => ({ default: m.BoardPage })));
const VersionsPage = lazy(() =>
  import('../features/book').then((m) => ({ default: m.VersionsPage })),
);
const ColoursPage = lazy(() => import('../features/fit').then((m) => ({ default: m.ColoursPage })));
const FitPage = lazy(() => import('../features/fit').then((m) => ({ default: m.FitPage })));
const WhatIfPage = lazy(() =>
  import('../features/whatif').then((m) => ({ default: m.WhatIfPage })),
);
const ShelfPage = lazy(() => import('../features/shelf').then((m) => ({ default: m.ShelfPage })));
const VesselPage = lazy(() => import('../features/shelf').then((m) => ({ default: m.VesselPage })));
const KettlePage = lazy(() => import('../features/shelf').then((m) => ({ default: m.KettlePage })));
const TablePage = lazy(() => import('../features/table').then((m) => ({ default: m.TablePage })));
const SetUpPage = lazy(() => import('../features/table').then((m) => ({ default: m.SetUpPage })));
const TastingPage = lazy(() =>
  import('../features/table').then((m) => ({ default: m.TastingPage })),
);
const ScreenPage = lazy(() => import('../features/table').then((m) => ({ default: m.ScreenPage })));
const TasterPage = lazy(() => import('../features/table').then((m) => ({ default: m.TasterPage })));
const RescuePage = lazy(() => import('../features/table').then((m) => ({ default: m.RescuePage })));
const ColourPage = lazy(() =>
  import('../features/table/ColourPage').then((m) => ({ default: m.ColourPage })),
);
const TastePage = lazy(() => import('../features/table').then((m) => ({ default: m.TastePage })));
const LogPage = lazy(() => import('../features/log').then((m) => ({ default: m.LogPage })));
const TrendPage = lazy(() => import('../features/log').then((m) => ({ default: m.TrendPage })));
const CorrectionsPage = lazy(() =>
  import('../features/log').then((m) => ({ default: m.CorrectionsPage })),
);
const BrewPage = lazy(() => import('../features/log').then((m) => ({ default: m.BrewPage })));
const ExchangePage = lazy(() =>
  import('../features/house/Exchange').then((m) => ({ default: m.ExchangePage })),
);
const HousePage = lazy(() => import('../features/house').then((m) => ({ default: m.HousePage })));

/** A part that did not load, or broke: what was started is on the server or in the outbox, and stays. */
function Broken() {
  return (
    <main className="page p-8" style={{ alignContent: 'start' }}>
      <Note
        bad
        action={
          <button type="button" className="btn" onClick={() => location.reload()}>
            Load again
          </button>
        }
      >
        <b>This page did not load.</b> Brews go on and nothing is lost. Load it again.
      </Note>
    </main>
  );
}

export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Broken />,
    children: [
      { path: '/', element: <BarPage /> },
      { path: '/start', element: <StartPage /> },
      { path: '/judge/:id', element: <JudgePage /> },
      { path: '/book', element: <BookPage /> },
      { path: '/book/:teaId', element: <BookPage /> },
      { path: '/book/:teaId/board', element: <BoardPage /> },
      { path: '/book/:teaId/versions', element: <VersionsPage /> },
      { path: '/book/:teaId/whatif', element: <WhatIfPage /> },
      { path: '/book/:id/fit', element: <FitPage /> },
      { path: '/book/:id/colours', element: <ColoursPage /> },
      { path: '/shelf', element: <ShelfPage /> },
      { path: '/shelf/kettles/:id', element: <KettlePage /> },
      { path: '/shelf/:id', element: <VesselPage /> },
      { path: '/table', element: <TablePage /> },
      { path: '/table/new', element: <SetUpPage /> },
      { path: '/table/colour', element: <ColourPage /> },
      { path: '/table/screen', element: <ScreenPage /> },
      { path: '/table/rescue', element: <RescuePage /> },
      { path: '/table/:id', element: <TastingPage /> },
      { path: '/table/:id/tasters/:taster', element: <TasterPage /> },
      { path: '/table/:id/taste', element: <TastePage /> },
      { path: '/log', element: <LogPage /> },
      { path: '/log/trends', element: <TrendPage /> },
      { path: '/log/corrections', element: <CorrectionsPage /> },
      { path: '/log/:id', element: <BrewPage /> },
      { path: '/house/exchange', element: <ExchangePage /> },
      { path: '/house', element: <HousePage /> },
      { path: '*', element: <Navigate to="/" replace /> },
    ],
  },
]);

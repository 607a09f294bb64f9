import { createBrowserRouter, Navigate } from 'react-router';
import { barRoutes } from '../features/bar';
import { bookRoutes } from '../features/book';
import { coldRoutes } from '../features/cold';
import { fitRoutes } from '../features/fit';
import { houseRoutes } from '../features/house';
import { judgeRoutes } from '../features/judge';
import { logRoutes } from '../features/log';
import { schoolRoutes } from '../features/school';
import { shelfRoutes } from '../features/shelf';
import { startRoutes } from '../features/start';
import { tastingsRoutes } from '../features/tastings';
import { whatifRoutes } from '../features/whatif';
import { Note } from '../ui/Note';
import { Shell } from './Shell';

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
      ...barRoutes,
      ...startRoutes,
      ...judgeRoutes,
      ...bookRoutes,
      ...whatifRoutes,
      ...fitRoutes,
      ...shelfRoutes,
      ...coldRoutes,
      ...tastingsRoutes,
      ...schoolRoutes,
      ...logRoutes,
      ...houseRoutes,
      { path: '*', element: <Navigate to="/" replace /> },
    ],
  },
]);

import { createBrowserRouter, Navigate } from 'react-router';
import { adviceRoutes } from '../features/advice';
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
import { Broken } from './Broken';
import { Shell } from './Shell';

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
      ...adviceRoutes,
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

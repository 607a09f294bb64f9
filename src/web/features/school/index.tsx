import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const SchoolPage = lazy(() => import('./Page').then((m) => ({ default: m.SchoolPage })));
const BoardPage = lazy(() => import('./BoardPage').then((m) => ({ default: m.BoardPage })));
const SessionPage = lazy(() => import('./SessionPage').then((m) => ({ default: m.SessionPage })));
const LessonPage = lazy(() =>
  import('./lessons/LessonPage').then((m) => ({ default: m.LessonPage })),
);
const CoursesPage = lazy(() =>
  import('./lessons/CoursesPage').then((m) => ({ default: m.CoursesPage })),
);
const LeafPage = lazy(() => import('./leaf/LeafPage').then((m) => ({ default: m.LeafPage })));
const WeighPage = lazy(() => import('./weigh/WeighPage').then((m) => ({ default: m.WeighPage })));
const DrillSitting = lazy(() =>
  import('./DrillSitting').then((m) => ({ default: m.DrillSitting })),
);

export const schoolRoutes: RouteObject[] = [
  { path: '/school', element: <SchoolPage /> },
  { path: '/school/board', element: <BoardPage /> },
  { path: '/school/today', element: <SessionPage /> },
  { path: '/school/courses', element: <CoursesPage /> },
  { path: '/school/lesson/:id', element: <LessonPage /> },
  { path: '/school/weigh', element: <WeighPage /> },
  { path: '/school/leaf/:id', element: <LeafPage /> },
  // Named one by one: what the drills work out is not part of the first page.
  { path: '/school/spoons', element: <DrillSitting key="spoons" drill="spoons" /> },
  { path: '/school/fillLine', element: <DrillSitting key="fillLine" drill="fillLine" /> },
  { path: '/school/scale', element: <DrillSitting key="scale" drill="scale" /> },
  { path: '/school/packet', element: <DrillSitting key="packet" drill="packet" /> },
  { path: '/school/splash', element: <DrillSitting key="splash" drill="splash" /> },
  { path: '/school/wait', element: <DrillSitting key="wait" drill="wait" /> },
  { path: '/school/landing', element: <DrillSitting key="landing" drill="landing" /> },
  { path: '/school/again', element: <DrillSitting key="again" drill="again" /> },
  { path: '/school/turns', element: <DrillSitting key="turns" drill="turns" /> },
  { path: '/school/shift', element: <DrillSitting key="shift" drill="shift" /> },
  { path: '/school/order', element: <DrillSitting key="order" drill="order" /> },
  { path: '/school/match', element: <DrillSitting key="match" drill="match" /> },
  { path: '/school/words', element: <DrillSitting key="words" drill="words" /> },
  { path: '/school/which', element: <DrillSitting key="which" drill="which" /> },
  { path: '/school/diagnose', element: <DrillSitting key="diagnose" drill="diagnose" /> },
  { path: '/school/rescue', element: <DrillSitting key="rescue" drill="rescue" /> },
  { path: '/school/plan', element: <DrillSitting key="plan" drill="plan" /> },
  { path: '/school/holding', element: <DrillSitting key="holding" drill="holding" /> },
  { path: '/school/fair', element: <DrillSitting key="fair" drill="fair" /> },
];

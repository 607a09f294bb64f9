import { lazy } from 'react';
import { type RouteObject, useRoutes } from 'react-router';

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

const PLACES: RouteObject[] = [
  { index: true, element: <SchoolPage /> },
  { path: 'board', element: <BoardPage /> },
  { path: 'today', element: <SessionPage /> },
  { path: 'courses', element: <CoursesPage /> },
  { path: 'lesson/:id', element: <LessonPage /> },
  { path: 'weigh', element: <WeighPage /> },
  { path: 'leaf/:id', element: <LeafPage /> },
  { path: 'spoons', element: <DrillSitting key="spoons" drill="spoons" /> },
  { path: 'fillLine', element: <DrillSitting key="fillLine" drill="fillLine" /> },
  { path: 'scale', element: <DrillSitting key="scale" drill="scale" /> },
  { path: 'packet', element: <DrillSitting key="packet" drill="packet" /> },
  { path: 'splash', element: <DrillSitting key="splash" drill="splash" /> },
  { path: 'wait', element: <DrillSitting key="wait" drill="wait" /> },
  { path: 'landing', element: <DrillSitting key="landing" drill="landing" /> },
  { path: 'again', element: <DrillSitting key="again" drill="again" /> },
  { path: 'turns', element: <DrillSitting key="turns" drill="turns" /> },
  { path: 'shift', element: <DrillSitting key="shift" drill="shift" /> },
  { path: 'order', element: <DrillSitting key="order" drill="order" /> },
  { path: 'match', element: <DrillSitting key="match" drill="match" /> },
  { path: 'words', element: <DrillSitting key="words" drill="words" /> },
  { path: 'which', element: <DrillSitting key="which" drill="which" /> },
  { path: 'diagnose', element: <DrillSitting key="diagnose" drill="diagnose" /> },
  { path: 'rescue', element: <DrillSitting key="rescue" drill="rescue" /> },
  { path: 'plan', element: <DrillSitting key="plan" drill="plan" /> },
  { path: 'holding', element: <DrillSitting key="holding" drill="holding" /> },
  { path: 'fair', element: <DrillSitting key="fair" drill="fair" /> },
];

/** The pages of the school, and its drills. */
export const SchoolRoutes = () => useRoutes(PLACES);

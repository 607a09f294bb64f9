import { lazy } from 'react';
import type { RouteObject } from 'react-router';

const BookPage = lazy(() => import('./Page').then((m) => ({ default: m.BookPage })));
const BoardPage = lazy(() => import('./Board').then((m) => ({ default: m.BoardPage })));
const StockPage = lazy(() => import('./stock/StockPage').then((m) => ({ default: m.StockPage })));
const VersionsPage = lazy(() => import('./Versions').then((m) => ({ default: m.VersionsPage })));

export const bookRoutes: RouteObject[] = [
  { path: '/book', element: <BookPage /> },
  { path: '/book/stock', element: <StockPage /> },
  { path: '/book/:teaId', element: <BookPage /> },
  { path: '/book/:teaId/board', element: <BoardPage /> },
  { path: '/book/:teaId/versions', element: <VersionsPage /> },
];

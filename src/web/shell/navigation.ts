export const NAVIGATION = [
  { path: '/', name: 'Bar', also: ['/start', '/judge'] },
  { path: '/book', name: 'Book', also: [] },
  { path: '/shelf', name: 'Shelf', also: [] },
  { path: '/cold', name: 'Cold', also: [] },
  { path: '/table', name: 'Table', also: [] },
  { path: '/school', name: 'School', also: [] },
  { path: '/log', name: 'Log', also: [] },
  { path: '/house', name: 'House', also: [] },
] as const;

export const isAt = (p: (typeof NAVIGATION)[number], path: string) =>
  (p.path === '/' ? path === '/' : path.startsWith(p.path)) ||
  p.also.some((a) => path.startsWith(a));

/** Where the plain figures are the page’s own: they pick a vessel on the bar, and answer the question of a drill. */
export const ownsFigures = (path: string): boolean =>
  path === '/' || (path.startsWith('/school/') && path !== '/school/board');

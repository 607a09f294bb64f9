import { ownsFigures } from './navigation';

test.each([
  ['/', true],
  ['/school/scale', true],
  ['/school/today', true],
  ['/school', false],
  ['/school/board', false],
  ['/book', false],
])('figure keys on %s are the page’s own: %s', (path, own) => expect(ownsFigures(path)).toBe(own));

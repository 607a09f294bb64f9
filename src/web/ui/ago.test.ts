import { agoText } from './ago';

const NOW = Date.UTC(2026, 2, 11, 14, 20);
const [MINUTE, HOUR, DAY] = [60_000, 3_600_000, 86_400_000];

test.each([
  [0, 'just now'],
  [59_000, 'just now'],
  [MINUTE, '1 minute ago'],
  [59 * MINUTE, '59 minutes ago'],
  [HOUR, '1 hour ago'],
  [47 * HOUR, '47 hours ago'],
  [2 * DAY, '2 days ago'],
  [40 * DAY, '40 days ago'],
  // A clock that is a little ahead.
  [-5000, 'just now'],
])('%d ms back is %s', (back, words) => expect(agoText(NOW - back, NOW)).toBe(words));

import { USUAL_REGION } from '#core/time';
import {
  agoText,
  clockSecondsText,
  clockText,
  dateText,
  dayText,
  weekdayText,
  writeDatesAs,
} from './days';

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

describe('as a region writes them', () => {
  afterEach(() => writeDatesAs(USUAL_REGION));
  const at = new Date(2026, 10, 3, 14, 5, 9).getTime();
  const all = () => [
    dayText(at),
    weekdayText(at),
    dateText('2026-11-03'),
    clockText(at),
    clockSecondsText(at),
  ];
  test('day first and 24 hours, until something else is chosen', () =>
    expect(all()).toEqual(['3 Nov', 'Tue 3 Nov', '3 Nov 2026', '14:05', '14:05:09']));
  test('month first and twelve hours', () => {
    writeDatesAs({ dates: 'monthDay', hours: 12, weekBegins: 'sunday' });
    expect(all()).toEqual(['Nov 3', 'Tue, Nov 3', 'Nov 3, 2026', '2:05 pm', '2:05:09 pm']);
  });
});

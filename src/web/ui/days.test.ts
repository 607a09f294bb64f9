import { USUAL_REGION } from '#core/time';
import { clockSecondsText, clockText, dateText, dayText, weekdayText, writeDatesAs } from './days';

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

import { Duration } from 'luxon';
import type { Seconds } from '#core/units';
import { isoDuration } from './recipeJsonLd';

test('durations are read by a general library as they were', () => {
  for (const seconds of [0, 1, 40, 59, 60, 61, 195, 3600, 7262])
    expect(Duration.fromISO(isoDuration(seconds as Seconds)).as('seconds')).toBe(seconds);
  expect(isoDuration(59.6 as Seconds)).toBe('PT1M');
});

import type { Region } from '#core/time';
import { SiteHours } from '#contracts/sites';
import { dayOnPaper } from './page';

// A Wednesday afternoon in London is Thursday in Auckland already.
const AT = Date.parse('2026-03-11T14:20:00Z');
const never = Array.from({ length: 7 }, () => []);
const hours = (zone: string) =>
  SiteHours.parse({ zone, open: never, preferred: never, services: never });
const MONTH_FIRST: Region = { dates: 'monthDay', hours: 12, weekBegins: 'sunday' };

test.each([
  ['Europe/London', null, '11 March 2026'],
  ['Pacific/Auckland', null, '12 March 2026'],
  ['Pacific/Auckland', MONTH_FIRST, 'March 12, 2026'],
  ['America/Los_Angeles', MONTH_FIRST, 'March 11, 2026'],
])('a paper of a site in %s, dates written as %o: %s', (zone, region, day) => {
  expect(dayOnPaper(AT, { hours: hours(zone), region })).toBe(day);
});

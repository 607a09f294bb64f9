import type { SiteWeek, WallRange } from '#core/time';
import { epochMs, seconds } from '#core/units';
import { inTheWay } from './index';

const HOUR = 3_600_000;
/** A Wednesday evening in summer. */
const START = epochMs(Date.UTC(2026, 5, 17, 21, 0));
const after = (hours: number) => epochMs(START + hours * HOUR);
const batch = { start: START, lift: after(10) };
const EARLIEST = seconds(8 * 3600);
const days = (ranges: WallRange[]): SiteWeek['open'] => [
  ranges,
  ranges,
  ranges,
  ranges,
  ranges,
  ranges,
  ranges,
];
const weekOf = (ranges: WallRange[], exceptions: SiteWeek['exceptions'] = {}): SiteWeek => ({
  open: days(ranges),
  preferred: days([]),
  services: days([]),
  exceptions,
});
const site = (ranges: WallRange[], exceptions?: SiteWeek['exceptions']) => ({
  zone: 'UTC',
  week: weekOf(ranges, exceptions),
});
const OPEN = site([['06:00', '22:00']]);

test('before its time and a few minutes after, nothing is in the way', () => {
  for (const h of [-5, 0, 4 / 60]) expect(inTheWay(batch, after(h), EARLIEST, OPEN)).toBeNull();
  expect(inTheWay(batch, after(-5), EARLIEST, null)).toBeNull();
});
test('late, but still right by the planned lift; too late once its earliest hour is past that', () => {
  expect(inTheWay(batch, after(1), EARLIEST, OPEN)).toEqual({ kind: 'late', minutes: 60 });
  expect(inTheWay(batch, after(2), EARLIEST, OPEN)).toEqual({ kind: 'late', minutes: 120 });
  expect(inTheWay(batch, after(2.5), EARLIEST, OPEN)).toEqual({
    kind: 'tooLate',
    minutes: 150,
    liftFrom: after(10.5),
  });
});
test('hours that were cut: who is not there is named, start before lift', () => {
  expect(inTheWay(batch, after(-5), EARLIEST, site([['08:00', '22:00']]))).toEqual({
    kind: 'nobodyThere',
    what: 'lift',
    at: after(10),
  });
  expect(inTheWay(batch, after(-5), EARLIEST, site([['06:00', '20:00']]))).toEqual({
    kind: 'nobodyThere',
    what: 'start',
    at: START,
  });
});
test('a day closed by its date, and a night that is open past midnight', () => {
  const closed = site([['06:00', '22:00']], { '2026-06-18': { open: [] } });
  expect(inTheWay(batch, after(-5), EARLIEST, closed)).toMatchObject({ what: 'lift' });
  const night = { start: epochMs(Date.UTC(2026, 5, 18, 0, 30)), lift: after(10) };
  expect(inTheWay(night, after(-5), EARLIEST, site([['06:00', '01:00']]))).toBeNull();
});

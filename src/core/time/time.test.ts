import { DateTime } from 'luxon';
import { seeded } from '#core/numeric';
import { epochMs } from '#core/units';
import {
  clockChangeWords,
  clockTime,
  dayAndTime,
  handMoments,
  instantOfIso,
  isoAt,
  isZone,
  servicesFrom,
  type SiteClock,
  siteDate,
  stretches,
  USUAL_REGION,
  wallMoment,
  type WallRange,
  type Week,
} from './index';

const ZONES = ['Europe/Lisbon', 'America/New_York', 'Australia/Lord_Howe'] as const;
/** The days around both changes of a year, by zone. */
const CHANGES: Record<(typeof ZONES)[number], string[]> = {
  'Europe/Lisbon': ['2026-03-29', '2026-10-25'],
  'America/New_York': ['2026-03-08', '2026-11-01'],
  'Australia/Lord_Howe': ['2026-04-05', '2026-10-04'],
};
const every = (day: WallRange[]): Week => [day, day, day, day, day, day, day];
const in24 = (zone: string): SiteClock => ({ zone, region: USUAL_REGION });
const two = (n: number) => String(n).padStart(2, '0');

test.each(ZONES)('an instant written by the clock of %s is read again to the second', (zone) => {
  const random = seeded(31);
  for (let i = 0; i < 200; i++) {
    const at = epochMs(Math.floor(random() * 2e9) * 1000);
    expect(instantOfIso(isoAt(zone, at))).toBe(at);
    expect(instantOfIso(isoAt(zone, at))).toBe(DateTime.fromISO(isoAt(zone, at)).toMillis());
  }
});
test.each([
  '',
  'yesterday',
  '2026-03-01',
  '2026-03-01T08:00',
  '2026-02-30T08:00Z',
  '2026-03-01T25:00Z',
])('“%s” is no instant', (text) => expect(instantOfIso(text)).toBeNull());

describe.each(ZONES)('the clock of %s against luxon', (zone) => {
  test('every quarter of an hour around both changes is the same instant, and shows the same', () => {
    for (const date of CHANGES[zone])
      for (let minute = 0; minute < 24 * 60; minute += 15) {
        const time = `${two(Math.floor(minute / 60))}:${two(minute % 60)}`;
        const { at, said } = wallMoment(zone, date, time);
        const outside = DateTime.fromISO(`${date}T${time}`, { zone });
        const all = outside.getPossibleOffsets().map((d) => d.toMillis());
        if (said === null) expect([date, time, at]).toEqual([date, time, outside.toMillis()]);
        if (said === 'first') {
          expect(at).toBe(Math.min(...all));
          expect(wallMoment(zone, date, time, 'end')).toEqual({
            at: Math.max(...all),
            said: 'second',
          });
          expect(clockTime(in24(zone), at)).toBe(`${time} (first)`);
        }
        const shown = DateTime.fromMillis(at, { zone }).toFormat('ccc d LLL HH:mm', {
          locale: 'en',
        });
        expect(dayAndTime(in24(zone), at)).toContain(shown);
        // What is skipped is not there; everything else is shown as it was asked for.
        expect(shown.endsWith(time)).toBe(said !== 'skipped');
      }
  });
  test('a change of the clocks between two instants is said, by its way', () => {
    for (const date of CHANGES[zone]) {
      const noon = DateTime.fromISO(`${date}T12:00`, { zone });
      const [evening, before] = [noon.minus({ hours: 16 }), noon.minus({ hours: 40 })];
      const way = noon.offset < evening.offset ? ' (clocks went back)' : ' (clocks went forward)';
      const words = (from: DateTime, to: DateTime) =>
        clockChangeWords(zone, epochMs(from.toMillis()), epochMs(to.toMillis()));
      expect(noon.offset).not.toBe(evening.offset);
      expect(words(evening, noon)).toBe(way);
      expect(words(before, evening)).toBe('');
    }
  });
  test('ten hours are ten hours in the night the clocks change', () => {
    for (const date of CHANGES[zone]) {
      const begins = DateTime.fromISO(`${date}T00:00`, { zone }).minus({ hours: 2 }).toMillis();
      const ends = epochMs(begins + 36_000_000);
      expect(dayAndTime(in24(zone), ends)).toContain(
        DateTime.fromMillis(begins, { zone })
          .plus({ hours: 10 })
          .toFormat('d LLL HH:mm', { locale: 'en' }),
      );
      expect(siteDate(zone, ends)).toBe(DateTime.fromMillis(ends, { zone }).toISODate());
    }
  });
});

test('a range that does not end after it begins ends on the next day, and the day before counts', () => {
  const week = { open: every([['22:00', '02:00']]), preferred: every([]), services: every([]) };
  const found = stretches('UTC', week, 'open', '2026-05-04', 1);
  expect(found.map((s) => [s.from, s.to].map((t) => new Date(t).toISOString()))).toEqual([
    ['2026-05-03T22:00:00.000Z', '2026-05-04T02:00:00.000Z'],
    ['2026-05-04T22:00:00.000Z', '2026-05-05T02:00:00.000Z'],
  ]);
});
test('a day that is otherwise has its own hours; hands step from each opening, and none lies before now', () => {
  const week = {
    open: every([['08:00', '12:00']]),
    preferred: every([['08:00', '09:00']]),
    services: every([['11:00', '12:00']]),
    exceptions: { '2026-05-05': { open: [], services: [] } },
  };
  const asked = { now: epochMs(Date.UTC(2026, 4, 4, 9)), from: '2026-05-04', days: 3 };
  const hands = handMoments('UTC', week, { ...asked, stepMinutes: 60 });
  expect(hands.map((h) => `${dayAndTime(in24('UTC'), h.at)}${h.preferred ? ' *' : ''}`)).toEqual([
    'Mon 4 May 09:00 *',
    'Mon 4 May 10:00',
    'Mon 4 May 11:00',
    'Mon 4 May 12:00',
    'Wed 6 May 08:00 *',
    'Wed 6 May 09:00 *',
    'Wed 6 May 10:00',
    'Wed 6 May 11:00',
    'Wed 6 May 12:00',
  ]);
  expect(servicesFrom('UTC', week, asked)).toHaveLength(2);
});
test('every wall time of a year is found again from its instant', () => {
  const random = seeded(8);
  for (let i = 0; i < 500; i++) {
    const at = epochMs(Date.UTC(2026, 0, 1) + Math.floor(random() * 365 * 96) * 900_000);
    const zone = ZONES[i % 3] ?? 'UTC';
    const shown = clockTime(in24(zone), at);
    const edge = shown.endsWith('(second)') ? 'end' : 'beginning';
    expect(wallMoment(zone, siteDate(zone, at), shown.slice(0, 5), edge).at).toBe(at);
  }
});
test('as a record has it: with the offset of that moment', () => {
  const at = epochMs(Date.UTC(2026, 9, 25, 0, 30));
  expect(isoAt('Europe/Lisbon', at)).toBe('2026-10-25T01:30:00+01:00');
  expect(isoAt('Europe/Lisbon', epochMs(at + 3_600_000))).toBe('2026-10-25T01:30:00+00:00');
});
test('an instant between two milliseconds is shown as any other', () => {
  expect(clockTime(in24('UTC'), epochMs(Date.UTC(2026, 4, 4, 9, 30) + 0.4))).toBe('09:30');
});
test('zones: known, unknown', () => {
  expect(['Europe/Lisbon', 'UTC', 'Mars/Base', ''].map(isZone)).toEqual([true, true, false, false]);
});

import { DateTime } from 'luxon';
import { epochMs } from '#core/units';
import {
  clockTime,
  dayAndTime,
  hourText,
  parseRanges,
  parseWallTime,
  rangesText,
  type Region,
  weekdayAndTime,
  weekOrder,
} from './index';

const MONTH_FIRST: Region = { dates: 'monthDay', hours: 12, weekBegins: 'sunday' };
const MINUTES = Array.from({ length: 24 * 60 }, (_, i) => [Math.floor(i / 60), i % 60] as const);

test('every minute of a day on both clocks as luxon writes it, and read again', () => {
  for (const [hour, minute] of MINUTES) {
    const outside = DateTime.fromObject({ hour, minute });
    const of24 = outside.toFormat('HH:mm');
    expect(hourText(hour, minute, 24)).toBe(of24);
    expect(hourText(hour, minute, 12)).toBe(
      outside.toFormat('h:mm a', { locale: 'en-US' }).toLowerCase(),
    );
    for (const hours of [12, 24] as const)
      expect(parseWallTime(hourText(hour, minute, hours))).toBe(of24);
  }
});
test.each([
  ['8 am', '08:00'],
  ['8PM', '20:00'],
  ['12 am', '00:00'],
  ['12.30pm', '12:30'],
  ['0830', '08:30'],
  ['13 pm', null],
  ['0 am', null],
  ['8:60 am', null],
  ['8 ap', null],
  ['noon', null],
])('“%s” is read as %s', (text, time) => expect(parseWallTime(text)).toBe(time));

test('ranges with am and pm say what those of 24 hours say', () => {
  const read = parseRanges('8am-12pm, 2:30 pm to 6 pm, 10pm-2am');
  expect(read).toEqual(parseRanges('8-12, 14:30-18, 22-2'));
  if (read.kind !== 'ok') throw new Error(read.why);
  const text = rangesText(read.ranges, 12);
  expect(text).toBe('8 am-12 pm, 2:30 pm-6 pm, 10 pm-2 am');
  expect(parseRanges(text)).toEqual(read);
});

test('a moment as a site reads it, also in the hour that comes twice', () => {
  const clock = { zone: 'America/New_York', region: MONTH_FIRST };
  const first = epochMs(Date.parse('2026-11-01T05:30:00Z'));
  expect(dayAndTime(clock, first)).toBe('Sun Nov 1 1:30 am (first)');
  expect(clockTime(clock, epochMs(first + 3_600_000))).toBe('1:30 am (second)');
  expect(weekdayAndTime(clock, epochMs(first + 12 * 3_600_000))).toBe('Sun 12:30 pm');
});

test.each([
  ['monday', [0, 1, 2, 3, 4, 5, 6]],
  ['sunday', [6, 0, 1, 2, 3, 4, 5]],
  ['saturday', [5, 6, 0, 1, 2, 3, 4]],
] as const)('a week that begins on %s', (weekBegins, order) =>
  expect(weekOrder({ ...MONTH_FIRST, weekBegins })).toEqual(order),
);

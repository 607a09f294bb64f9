import { type SiteClock, USUAL_REGION } from '#core/time';
import { hoursOf, type HoursTyped, typedOf } from './hoursTyped';

const LONDON: SiteClock = { zone: 'Europe/London', region: USUAL_REGION };
const usual = typedOf(null, LONDON);
const other = (over: Partial<HoursTyped['others'][number]> = {}) => ({
  ...{ id: 'a', date: '2026-12-25', open: '', services: '' },
  ...over,
});

test('where people read twelve hours, they are shown and typed with am and pm, and kept as any other', () => {
  const region = { dates: 'monthDay', hours: 12, weekBegins: 'sunday' } as const;
  const clock = { zone: 'America/Chicago', region };
  const shown = typedOf(null, clock);
  expect(shown.preferred[0]).toBe('8 am-10 am, 9 pm-10 pm');
  expect(hoursOf(shown)).toEqual(hoursOf({ ...usual, zone: 'America/Chicago' }));
});
test('a shop begins with usual hours; read and typed again they are the same', () => {
  const hours = hoursOf(usual);
  expect(hours?.open).toEqual(Array(7).fill([['08:00', '22:00']]));
  expect(hours).not.toHaveProperty('exceptions');
  expect(typedOf(hours, LONDON)).toEqual(usual);
});

test('days that are otherwise: closed, or with hours of their own, earliest first when read again', () => {
  const hours = hoursOf({
    ...usual,
    others: [other({ id: 'b', date: '2026-12-31', open: '8-15', services: '11-14' }), other()],
  });
  expect(hours?.exceptions).toEqual({
    '2026-12-31': { open: [['08:00', '15:00']], services: [['11:00', '14:00']] },
    '2026-12-25': { open: [], services: [] },
  });
  expect(typedOf(hours, LONDON).others.map((o) => [o.date, o.open, o.services])).toEqual([
    ['2026-12-25', '', ''],
    ['2026-12-31', '08:00-15:00', '11:00-14:00'],
  ]);
});

test('nothing is read while a day has no date, is there twice, or its hours are no hours', () => {
  const readWith = (...others: HoursTyped['others']) => hoursOf({ ...usual, others });
  expect(readWith(other({ date: '' }))).toBeNull();
  expect(readWith(other(), other({ id: 'b' }))).toBeNull();
  expect(readWith(other({ open: 'noon' }))).toBeNull();
  expect(readWith(other({ services: '11-25' }))).toBeNull();
});

import { hoursOf, type HoursTyped, typedOf } from './hoursTyped';

const usual = typedOf(null, 'Europe/London');
const other = (over: Partial<HoursTyped['others'][number]> = {}) => ({
  ...{ id: 'a', date: '2026-12-25', open: '', services: '' },
  ...over,
});

test('a shop begins with usual hours; read and typed again they are the same', () => {
  const hours = hoursOf(usual);
  expect(hours?.open).toEqual(Array(7).fill([['08:00', '22:00']]));
  expect(hours).not.toHaveProperty('exceptions');
  expect(typedOf(hours, 'Europe/London')).toEqual(usual);
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
  expect(typedOf(hours, 'Europe/London').others.map((o) => [o.date, o.open, o.services])).toEqual([
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

import { DateTime } from 'luxon';
import { epochMs } from '#core/units';
import {
  backupDue,
  backupOld,
  type BackupPlan,
  lastPlanned,
  nextPlanned,
  USUAL_BACKUP_PLAN,
} from './plan';

const plan = (over: Partial<BackupPlan> = {}): BackupPlan => ({
  ...USUAL_BACKUP_PLAN,
  zone: 'Europe/Lisbon',
  ...over,
});
const at = (text: string, zone = 'Europe/Lisbon') =>
  epochMs(DateTime.fromISO(text, { zone }).toMillis());

test('the planned instants around a moment, by an independent clock, over both changes of the year', () => {
  for (const [now, last, next] of [
    ['2026-03-11T03:59', '2026-03-10T04:00', '2026-03-11T04:00'],
    ['2026-03-11T04:00', '2026-03-11T04:00', '2026-03-12T04:00'],
    ['2026-03-28T12:00', '2026-03-28T04:00', '2026-03-29T04:00'],
    ['2026-10-25T03:00', '2026-10-24T04:00', '2026-10-25T04:00'],
  ] as const) {
    expect(lastPlanned(plan(), at(now))).toBe(at(last));
    expect(nextPlanned(plan(), at(now))).toBe(at(next));
  }
  // Nights of 23 and of 25 hours.
  const spring = nextPlanned(plan(), at('2026-03-28T12:00')) ?? 0;
  expect(spring - (lastPlanned(plan(), at('2026-03-28T12:00')) ?? 0)).toBe(23 * 3_600_000);
  const autumn = nextPlanned(plan(), at('2026-10-24T12:00')) ?? 0;
  expect(autumn - (lastPlanned(plan(), at('2026-10-24T12:00')) ?? 0)).toBe(25 * 3_600_000);
});
test('due when the newest is of before the last planned instant; by hand only: never', () => {
  const now = at('2026-03-11T09:00');
  expect(backupDue(plan(), null, now)).toBe(true);
  expect(backupDue(plan(), at('2026-03-11T03:59'), now)).toBe(true);
  expect(backupDue(plan(), at('2026-03-11T04:00'), now)).toBe(false);
  expect(backupDue(plan({ time: null }), null, now)).toBe(false);
  expect([lastPlanned(plan({ time: null }), now), nextPlanned(plan({ time: null }), now)]).toEqual([
    null,
    null,
  ]);
});
test('old after two days, or when there is none', () => {
  const now = at('2026-03-11T09:00');
  expect(backupOld(null, now)).toBe(true);
  expect(backupOld(at('2026-03-09T09:00'), now)).toBe(false);
  expect(backupOld(at('2026-03-09T08:59'), now)).toBe(true);
});

import type { EpochMs } from '#core/units';

/** "3 Nov" */
export const dayText = (at: number): string =>
  new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
/** "Tue, 3 Nov" */
export const weekdayText = (at: number): string =>
  new Date(at).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });

/** A calendar day, "2027-09-21", as it is read: "21 Sept 2027". */
export const dateText = (day: string): string =>
  new Date(`${day}T12:00:00`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  });
const CLOCK = new Intl.DateTimeFormat('en-GB', {
  hour: '2-digit',
  minute: '2-digit',
  hourCycle: 'h23',
});
/** The zone of this device: a shop's tablets stand in the shop. */
export const deviceZone = (): string => CLOCK.resolvedOptions().timeZone;
/** "14:05" */
export const clockText = (at: EpochMs | number): string => CLOCK.format(at);

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const AGO = new Intl.RelativeTimeFormat('en-GB', { numeric: 'always' });

/** "3 days ago", "5 hours ago", "just now" */
export function agoText(at: number, now: number): string {
  const passed = Math.max(0, now - at);
  if (passed >= 2 * DAY_MS) return AGO.format(-Math.floor(passed / DAY_MS), 'day');
  if (passed >= HOUR_MS) return AGO.format(-Math.floor(passed / HOUR_MS), 'hour');
  const minutes = Math.floor(passed / 60_000);
  return minutes === 0 ? 'just now' : AGO.format(-minutes, 'minute');
}

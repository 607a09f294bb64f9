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

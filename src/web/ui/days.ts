import { hourText, type Region, USUAL_REGION } from '#core/time';
import type { EpochMs } from '#core/units';

// How this device writes dates and times: one setting of the whole page, as a language is. The site says it, and who
// changes it has the page drawn anew (`shell/App`).
let region: Region = USUAL_REGION;
/** From now on dates and times are written as that region does. */
export function writeDatesAs(as: Region): void {
  region = as;
}
/** The language in which month and day come in the region's order. */
const language = (): string => (region.dates === 'dayMonth' ? 'en-GB' : 'en-US');

/** "3 Nov", "Nov 3" */
export const dayText = (at: number): string =>
  new Date(at).toLocaleDateString(language(), { day: 'numeric', month: 'short' });
/** "Tue 3 Nov", "Tue, Nov 3" */
export const weekdayText = (at: number): string =>
  new Date(at).toLocaleDateString(language(), { weekday: 'short', day: 'numeric', month: 'short' });

/** A calendar day, "2027-09-21", as it is read: "21 Sept 2027", "Sep 21, 2027". */
export const dateText = (day: string): string =>
  new Date(`${day}T12:00:00`).toLocaleDateString(language(), {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  });
/** The zone of this device: a shop's tablets stand in the shop. */
export const deviceZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;
/** "14:05", "2:05 pm" */
export const clockText = (at: EpochMs | number): string => {
  const shown = new Date(at);
  return hourText(shown.getHours(), shown.getMinutes(), region.hours);
};
/** Such as a time is typed: "15:00", "3:00 pm". */
export const exampleTime = (): string => hourText(15, 0, region.hours);
/** "14:05:09", "2:05:09 pm" */
export const clockSecondsText = (at: EpochMs | number): string =>
  clockText(at).replace(
    /:\d\d/,
    (minutes) => `${minutes}:${String(new Date(at).getSeconds()).padStart(2, '0')}`,
  );

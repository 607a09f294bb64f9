/** A name of the IANA zone database: "Europe/Lisbon". */
export type Zone = string;

/** Which comes first in a written date: "3 Nov" or "Nov 3". */
export const DATE_ORDERS = ['dayMonth', 'monthDay'] as const;
/** The day a week begins with. */
export const WEEK_BEGINS = ['monday', 'sunday', 'saturday'] as const;
/** How a place writes dates and times. */
export type Region = {
  readonly dates: (typeof DATE_ORDERS)[number];
  /** "14:05" or "2:05 pm". */
  readonly hours: 12 | 24;
  readonly weekBegins: (typeof WEEK_BEGINS)[number];
};
/** As ISO 8601 counts hours and weeks: what a site reads until its own is chosen. */
export const USUAL_REGION: Region = { dates: 'dayMonth', hours: 24, weekBegins: 'monday' };

/** The clock on the wall of a site: its zone, and how it is read there. */
export type SiteClock = { readonly zone: Zone; readonly region: Region };

const FIRST: Readonly<Record<Region['weekBegins'], number>> = { monday: 0, saturday: 5, sunday: 6 };
/**
 * The weekdays in the order of a region's week, as `weekdayOf` counts them (0 is Monday).
 *
 * @example
 * weekOrder({ dates: 'monthDay', hours: 12, weekBegins: 'sunday' }) // [6, 0, 1, 2, 3, 4, 5]
 */
export const weekOrder = ({ weekBegins }: Region): number[] =>
  Array.from({ length: 7 }, (_, i) => (FIRST[weekBegins] + i) % 7);

const two = (n: number): string => String(n).padStart(2, '0');
/**
 * A time of day as a region reads it. Twelve hours: midnight is 12:00 am, noon 12:00 pm.
 *
 * @param hour - 0 to 23
 * @param minute - 0 to 59
 * @example
 * hourText(0, 5, 12) // '12:05 am'
 * @example
 * hourText(14, 5, 24) // '14:05'
 */
export function hourText(hour: number, minute: number, hours: Region['hours']): string {
  if (hours === 24) return `${two(hour)}:${two(minute)}`;
  return `${hour % 12 === 0 ? 12 : hour % 12}:${two(minute)} ${hour < 12 ? 'am' : 'pm'}`;
}
/**
 * Day and month as a region writes them.
 *
 * @example
 * dayMonthText(3, 'Nov', 'monthDay') // 'Nov 3'
 */
export const dayMonthText = (day: number, month: string, dates: Region['dates']): string =>
  dates === 'dayMonth' ? `${day} ${month}` : `${month} ${day}`;

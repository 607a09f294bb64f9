import { type SiteDate, weekdayOf } from '#core/time';

/** What is wanted of a tea: glasses of each weekday, service by service, and of days that are otherwise. */
export type Wanted = {
  readonly week: readonly (readonly number[])[];
  readonly days: Readonly<Record<SiteDate, readonly number[]>>;
};
/** Glasses wanted on a day, service by service. */
export const wantedOn = (w: Wanted, date: SiteDate): readonly number[] =>
  w.days[date] ?? w.week[weekdayOf(date)] ?? [];

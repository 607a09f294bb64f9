import { Temporal } from 'temporal-polyfill';
import { type EpochMs, epochMs } from '#core/units';
import { dayMonthText, hourText, type SiteClock, type Zone } from './region';

/** A day of a site's calendar: "2026-10-25". */
export type SiteDate = string;
/** A time as its clock shows it: "22:30". */
export type WallTime = string;

export const MINUTE_MS = 60_000;

/** True for a zone this machine knows. */
export function isZone(zone: string): boolean {
  try {
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(zone);
    return true;
  } catch {
    return false;
  }
}

/**
 * What a clock time means on a night the clocks change: one that is skipped moves on by the gap; of one that comes
 * twice a beginning is the first, an end the second.
 */
export type Edge = 'beginning' | 'end';
export type WallMoment = {
  readonly at: EpochMs;
  /** What is to be said of it: it was skipped, or it is the first or second of two; null: it comes once. */
  readonly said: 'skipped' | 'first' | 'second' | null;
};

/** The instant of a clock time at a site. @throws {RangeError} on a date, time or zone that is none. */
export function wallMoment(
  zone: Zone,
  date: SiteDate,
  time: WallTime,
  edge: Edge = 'beginning',
): WallMoment {
  const wall = Temporal.PlainDate.from(date).toPlainDateTime(Temporal.PlainTime.from(time));
  const first = wall.toZonedDateTime(zone, { disambiguation: 'earlier' }).epochMilliseconds;
  const second = wall.toZonedDateTime(zone, { disambiguation: 'later' }).epochMilliseconds;
  if (first === second) return { at: epochMs(first), said: null };
  const shown = Temporal.Instant.fromEpochMilliseconds(first).toZonedDateTimeISO(zone);
  if (!shown.toPlainDateTime().equals(wall)) return { at: epochMs(second), said: 'skipped' };
  return edge === 'beginning'
    ? { at: epochMs(first), said: 'first' }
    : { at: epochMs(second), said: 'second' };
}

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');

const shownAt = (zone: Zone, at: EpochMs): Temporal.ZonedDateTime =>
  // A device's clock has parts of a millisecond.
  Temporal.Instant.fromEpochMilliseconds(Math.floor(at)).toZonedDateTimeISO(zone);
const two = (n: number): string => String(n).padStart(2, '0');

/** The date at a site at that instant. */
export const siteDate = (zone: Zone, at: EpochMs): SiteDate => {
  const { year, month, day } = shownAt(zone, at);
  return `${year}-${two(month)}-${two(day)}`;
};
/** The day so many days after that one. */
export const daysAfter = (date: SiteDate, days: number): SiteDate =>
  Temporal.PlainDate.from(date).add({ days }).toString();
/** Whole days from the first date to the second. */
export const daysBetween = (first: SiteDate, second: SiteDate): number =>
  Temporal.PlainDate.from(first).until(Temporal.PlainDate.from(second)).days;
/** 0 is Monday. */
export const weekdayOf = (date: SiteDate): number => Temporal.PlainDate.from(date).dayOfWeek - 1;

/** Which of two equal clock times this instant is; empty when it comes once. */
function whichOfTwo(shown: Temporal.ZonedDateTime): '' | ' (first)' | ' (second)' {
  const wall = shown.toPlainDateTime();
  const [first, second] = (['earlier', 'later'] as const).map(
    (disambiguation) =>
      wall.toZonedDateTime(shown.timeZoneId, { disambiguation }).epochMilliseconds,
  );
  if (first === second) return '';
  return shown.epochMilliseconds === first ? ' (first)' : ' (second)';
}
/** The clock at a site: "01:30" or "1:30 am", and "01:30 (second)" in the night it shows that twice. */
export function clockTime({ zone, region }: SiteClock, at: EpochMs): string {
  const shown = shownAt(zone, at);
  return `${hourText(shown.hour, shown.minute, region.hours)}${whichOfTwo(shown)}`;
}
/** The weekday at a site: "Sun". */
export const dayName = (zone: Zone, at: EpochMs): string =>
  DAYS[shownAt(zone, at).dayOfWeek - 1] ?? '';
/** Day and clock: "Sun 25 Oct 01:30 (second)". */
export function dayAndTime(clock: SiteClock, at: EpochMs): string {
  const { day, month } = shownAt(clock.zone, at);
  const date = dayMonthText(day, MONTHS[month - 1] ?? '', clock.region.dates);
  return `${dayName(clock.zone, at)} ${date} ${clockTime(clock, at)}`;
}
/** ISO 8601 with the site's offset: "2026-10-25T01:30:00+01:00". */
export const isoAt = (zone: Zone, at: EpochMs): string =>
  shownAt(zone, at).toString({ timeZoneName: 'never', smallestUnit: 'second' });
/** The instant of an ISO 8601 time with its offset, "2026-10-25T01:30+01:00"; null: there is no such time. */
export function instantOfIso(text: string): EpochMs | null {
  try {
    return epochMs(Temporal.Instant.from(text).epochMilliseconds);
  } catch {
    return null;
  }
}
/** Weekday and clock, as batches say it: "Fri 08:00". */
export const weekdayAndTime = (clock: SiteClock, at: EpochMs): string =>
  `${dayName(clock.zone, at)} ${clockTime(clock, at)}`;

const offsetAt = (zone: Zone, at: EpochMs): number =>
  Temporal.Instant.fromEpochMilliseconds(at).toZonedDateTimeISO(zone).offsetNanoseconds;
/** What is said beside a time when the clocks were changed between two instants: else an hour seems to lack, or to be too much. */
export function clockChangeWords(zone: Zone, from: EpochMs, to: EpochMs): string {
  const by = offsetAt(zone, to) - offsetAt(zone, from);
  if (by === 0) return '';
  return by < 0 ? ' (clocks went back)' : ' (clocks went forward)';
}

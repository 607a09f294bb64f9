import { type EpochMs, epochMs } from '#core/units';
import { hourText, type Region, type Zone } from './region';
import {
  daysAfter,
  MINUTE_MS,
  type SiteDate,
  wallMoment,
  type WallTime,
  weekdayOf,
} from './siteTime';

/** The weekdays by name, Monday first, as `weekdayOf` counts them. */
export const WEEKDAYS = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const;
/** From one clock time to another; one that does not end after it begins ends on the next day. */
export type WallRange = readonly [from: WallTime, to: WallTime];
/** Ranges of each weekday, Monday first. */
export type Week = readonly [
  WallRange[],
  WallRange[],
  WallRange[],
  WallRange[],
  WallRange[],
  WallRange[],
  WallRange[],
];
/** What a site keeps of its week: when hands are there, when they would rather be, when it serves. */
export type SiteWeek = {
  readonly open: Week;
  readonly preferred: Week;
  readonly services: Week;
  /** Days that are otherwise: holidays, a private evening. */
  readonly exceptions?: Readonly<
    Record<SiteDate, Partial<Record<'open' | 'preferred' | 'services', WallRange[]>>>
  >;
};
export type Stretch = { readonly from: EpochMs; readonly to: EpochMs };
export type Hand = { readonly at: EpochMs; readonly preferred: boolean };

/** The instants of a range that begins on `date`. */
function stretchOf(zone: Zone, date: SiteDate, [from, to]: WallRange): Stretch {
  const ends = to > from ? date : daysAfter(date, 1);
  return { from: wallMoment(zone, date, from).at, to: wallMoment(zone, ends, to, 'end').at };
}
/** The stretches of a part of the week on the days from `date` on, the day before counted with them. */
export function stretches(
  zone: Zone,
  week: SiteWeek,
  part: 'open' | 'preferred' | 'services',
  date: SiteDate,
  days: number,
): Stretch[] {
  return Array.from({ length: days + 1 }, (_, i) => daysAfter(date, i - 1))
    .flatMap((day) =>
      (week.exceptions?.[day]?.[part] ?? week[part][weekdayOf(day)] ?? []).map((range) =>
        stretchOf(zone, day, range),
      ),
    )
    .sort((a, b) => a.from - b.from);
}

/** The moments at which somebody's hands are there: every `stepMinutes` from each opening on, from `now` on. */
export function handMoments(
  zone: Zone,
  week: SiteWeek,
  asked: { now: EpochMs; from: SiteDate; days: number; stepMinutes: number },
): Hand[] {
  const { now, from, days, stepMinutes } = asked;
  const rather = stretches(zone, week, 'preferred', from, days);
  const moments = stretches(zone, week, 'open', from, days).flatMap((s) => {
    const steps = Math.floor((s.to - s.from) / (stepMinutes * MINUTE_MS));
    return Array.from({ length: steps + 1 }, (_, i) => s.from + i * stepMinutes * MINUTE_MS);
  });
  return [...new Set(moments)]
    .filter((at) => at >= now)
    .sort((a, b) => a - b)
    .map((at) => ({
      at: epochMs(at),
      preferred: rather.some((s) => s.from <= at && at <= s.to),
    }));
}
/** The services that begin from `now` on. */
export const servicesFrom = (
  zone: Zone,
  week: SiteWeek,
  asked: { now: EpochMs; from: SiteDate; days: number },
): Stretch[] =>
  stretches(zone, week, 'services', asked.from, asked.days).filter((s) => s.from >= asked.now);

/**
 * Ranges as they are typed: "08:00-12:00, 14:00-18:00", with twelve hours "8 am-12 pm"; nothing: closed.
 *
 * @example
 * rangesText([['08:00', '14:30']], 12) // '8 am-2:30 pm'
 */
export const rangesText = (ranges: readonly WallRange[], hours: Region['hours'] = 24): string =>
  ranges.map((ends) => ends.map((time) => wallTimeText(time, hours)).join('-')).join(', ');
/** "22:30" as a region reads it; whole hours of twelve are short: "10 pm". */
function wallTimeText(time: WallTime, hours: Region['hours']): string {
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  return hourText(hour, minute, hours).replace(/:00(?= )/, '');
}
/** "8", "8:30", "0830", "8.30", "8:30 pm" as a clock shows it; null: none of those. */
export function parseWallTime(text: string): WallTime | null {
  const found = /^(\d{1,2})(?:[:.]?(\d{2}))?\s?(am|pm)?$/i.exec(text.trim());
  const [hour, minute] = [Number(found?.[1]), Number(found?.[2] ?? 0)];
  const half = found?.[3]?.toLowerCase();
  if (!found || hour > 23 || minute > 59) return null;
  if (half !== undefined && (hour < 1 || hour > 12)) return null;
  const of24 = half === undefined ? hour : (hour % 12) + (half === 'pm' ? 12 : 0);
  return `${String(of24).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
}
/**
 * Reads the ranges of a day: "8-12, 14-18"; nothing, or "closed": none. The parts of a range may meet the next day.
 *
 * @example
 * parseRanges('8-12, 14:30-18') // { kind: 'ok', ranges: [['08:00', '12:00'], ['14:30', '18:00']] }
 */
export function parseRanges(
  text: string,
):
  | { readonly kind: 'ok'; readonly ranges: WallRange[] }
  | { readonly kind: 'bad'; readonly why: string } {
  if (/^\s*(?:(closed)\s*)?$/i.test(text)) return { kind: 'ok', ranges: [] };
  const ranges: WallRange[] = [];
  for (const part of text.split(/[,;]/)) {
    const ends = part.split(/-|–|to/).map(parseWallTime);
    const [from, to] = ends;
    if (ends.length !== 2 || !from || !to)
      return { kind: 'bad', why: `“${part.trim()}” is no range of times. Type 08:00-18:00.` };
    const before = ranges.at(-1);
    if (before && from < before[1])
      return { kind: 'bad', why: `${part.trim()} begins before ${before[1]}.` };
    ranges.push([from, to]);
  }
  return { kind: 'ok', ranges };
}

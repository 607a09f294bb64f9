import {
  parseRanges,
  rangesText,
  type SiteClock,
  type SiteDate,
  type WallRange,
  type Week,
  WEEKDAYS,
} from '#core/time';
import type { SiteHours } from '#contracts/sites';

export const PARTS = ['open', 'preferred', 'services'] as const;
export type Part = (typeof PARTS)[number];
function everyDay(ranges: WallRange[]): Week {
  return [ranges, ranges, ranges, ranges, ranges, ranges, ranges];
}
/** What a shop begins with until its own hours are typed. */
const USUAL: Readonly<Record<Part, Week>> = {
  open: everyDay([['08:00', '22:00']]),
  preferred: everyDay([
    ['08:00', '10:00'],
    ['21:00', '22:00'],
  ]),
  services: everyDay([
    ['11:00', '14:00'],
    ['14:00', '18:00'],
  ]),
};

/** A day that is unlike its weekday, as typed; an empty text: closed, or nothing served. */
export type OtherDay = {
  readonly id: string;
  readonly date: SiteDate;
  readonly open: string;
  readonly services: string;
};
/** Hours as typed: a text for each day of each part, and the days that are otherwise. */
export type HoursTyped = Readonly<Record<Part, readonly string[]>> & {
  readonly zone: string;
  readonly others: readonly OtherDay[];
};

/** The hours of a site as its people read times. */
export const typedOf = (hours: SiteHours | null, { zone, region }: SiteClock): HoursTyped => {
  const text = (ranges: readonly WallRange[]) => rangesText(ranges, region.hours);
  const week = (part: Part) => WEEKDAYS.map((_, i) => text((hours ?? USUAL)[part][i] ?? []));
  return {
    zone,
    open: week('open'),
    preferred: week('preferred'),
    services: week('services'),
    others: Object.entries(hours?.exceptions ?? {})
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([date, day]) => ({
        id: date,
        date,
        open: text(day.open),
        services: text(day.services),
      })),
  };
};

/** What is wrong with typed ranges; null: nothing. */
export const faultIn = (text: string): string | null => {
  const read = parseRanges(text);
  return read.kind === 'bad' ? read.why : null;
};
/** What is wrong with the date of another day; null: nothing. */
export function dateFault(day: OtherDay, others: readonly OtherDay[]): string | null {
  if (day.date === '') return 'Choose the date.';
  return others.some((o) => o.id !== day.id && o.date === day.date)
    ? 'This date is there twice.'
    : null;
}

const rangesOf = (text: string): WallRange[] => {
  const read = parseRanges(text);
  return read.kind === 'ok' ? read.ranges : [];
};
/** The hours that were typed; null while something of them is wrong. */
export function hoursOf(typed: HoursTyped): SiteHours | null {
  const texts = [
    ...PARTS.flatMap((part) => typed[part]),
    ...typed.others.flatMap((o) => [o.open, o.services]),
  ];
  if (texts.some((text) => faultIn(text) !== null)) return null;
  if (typed.others.some((o) => dateFault(o, typed.others) !== null)) return null;
  const week = (part: Part) => typed[part].map(rangesOf) as unknown as Week;
  const exceptions = typed.others.map(
    (o) => [o.date, { open: rangesOf(o.open), services: rangesOf(o.services) }] as const,
  );
  return {
    zone: typed.zone,
    open: week('open'),
    preferred: week('preferred'),
    services: week('services'),
    ...(exceptions.length > 0 && { exceptions: Object.fromEntries(exceptions) }),
  };
}

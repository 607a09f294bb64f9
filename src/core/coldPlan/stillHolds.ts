import { MINUTE_MS, siteDate, type SiteWeek, stretches, type Zone } from '#core/time';
import { type EpochMs, epochMs, type Seconds } from '#core/units';

/** A batch that is to be begun, as it was planned. */
export type DueBatch = { readonly start: EpochMs; readonly lift: EpochMs };
/** What has come in the way of a planned batch; null: nothing. */
export type InTheWay =
  /** The hours of the site changed: nobody is there then. */
  | { readonly kind: 'nobodyThere'; readonly what: 'start' | 'lift'; readonly at: EpochMs }
  /** Its leaf is not in yet; it can still be lifted as planned. */
  | { readonly kind: 'late'; readonly minutes: number }
  /** Its leaf is not in yet, and is right only after the planned lift. */
  | { readonly kind: 'tooLate'; readonly minutes: number; readonly liftFrom: EpochMs };

/** Somebody is a little late without being late: min. */
const ON_TIME_MINUTES = 5;

const isSomebodyThere = (zone: Zone, week: SiteWeek, at: EpochMs): boolean =>
  stretches(zone, week, 'open', siteDate(zone, at), 1).some((s) => s.from <= at && at <= s.to);

/**
 * What has come in the way of a planned batch since it was planned. Nothing is moved: it is said.
 * @param earliest how long its leaf takes at least, s
 */
export function inTheWay(
  { start, lift }: DueBatch,
  now: EpochMs,
  earliest: Seconds,
  site: { readonly zone: Zone; readonly week: SiteWeek } | null,
): InTheWay | null {
  const minutes = Math.floor((now - start) / MINUTE_MS);
  if (minutes >= ON_TIME_MINUTES) {
    const liftFrom = epochMs(now + earliest * 1000);
    return liftFrom <= lift ? { kind: 'late', minutes } : { kind: 'tooLate', minutes, liftFrom };
  }
  if (!site) return null;
  for (const [what, at] of [
    ['start', start],
    ['lift', lift],
  ] as const)
    if (!isSomebodyThere(site.zone, site.week, at)) return { kind: 'nobodyThere', what, at };
  return null;
}

import {
  daysAfter,
  type SiteDate,
  siteDate,
  type WallMoment,
  wallMoment,
  type WallTime,
  type Zone,
} from '#core/time';
import { type EpochMs, epochMs } from '#core/units';

/** When a house backs itself up, and which backups stay. */
export type BackupPlan = {
  /** Of every day, on the clock of `zone`; null: only by hand. */
  readonly time: WallTime | null;
  readonly zone: Zone;
  /** The newest of so many days, weeks and months stay. */
  readonly days: number;
  readonly weeks: number;
  readonly months: number;
};
/** Before a shop opens; a week, a month and a year to go back to (common practice). */
export const USUAL_BACKUP_PLAN: Omit<BackupPlan, 'zone'> = {
  time: '04:00',
  days: 7,
  weeks: 5,
  months: 12,
};
/** Most of each that can be kept. */
export const MOST_KEPT = 60;
/** A backup older than this is too old: a lead is warned. */
export const OLD_BACKUP_MS = 2 * 86_400_000;

const plannedOn = (plan: BackupPlan, date: SiteDate): EpochMs | null => {
  if (plan.time === null) return null;
  const moment: WallMoment = wallMoment(plan.zone, date, plan.time);
  return moment.at;
};
/**
 * The last planned instant at or before `now`; null when nothing is planned.
 * @example lastPlanned({ time: '04:00', zone: 'UTC', days: 7, weeks: 5, months: 12 }, epochMs(1_773_203_000_000)) // 1773201600000
 */
export function lastPlanned(plan: BackupPlan, now: EpochMs): EpochMs | null {
  const today = siteDate(plan.zone, now);
  const planned = plannedOn(plan, today);
  if (planned === null || planned <= now) return planned;
  return plannedOn(plan, daysAfter(today, -1));
}
/** The first planned instant after `now`; null when nothing is planned. */
export function nextPlanned(plan: BackupPlan, now: EpochMs): EpochMs | null {
  const today = siteDate(plan.zone, now);
  const planned = plannedOn(plan, today);
  if (planned === null || planned > now) return planned;
  return plannedOn(plan, daysAfter(today, 1));
}
/**
 * True when a planned backup has not been made: the newest is of before the last planned instant.
 * @param newest ms since 1970; null: there is none
 */
export function backupDue(plan: BackupPlan, newest: number | null, now: EpochMs): boolean {
  const planned = lastPlanned(plan, now);
  return planned !== null && (newest ?? 0) < planned;
}
/** True when the newest backup is too old, or there is none. */
export const backupOld = (newest: number | null, now: EpochMs): boolean =>
  newest === null || now - epochMs(newest) > OLD_BACKUP_MS;

/** The newest that was restored once and found whole; one that nobody checked is none. @param backups the newest first */
export const newestWhole = <
  T extends { readonly checked: number | null; readonly faults: readonly string[] },
>(
  backups: readonly T[],
): T | undefined => backups.find((b) => b.checked !== null && b.faults.length === 0);

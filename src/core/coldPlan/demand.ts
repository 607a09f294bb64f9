import { type DayForecast, type DayServed, forecastOf, partedBy } from '#core/cold';
import {
  daysAfter,
  daysBetween,
  type SiteDate,
  siteDate,
  type SiteWeek,
  weekdayOf,
  type Zone,
} from '#core/time';
import type { EpochMs } from '#core/units';
import { type PlanService, servicesOf } from './coldHouse';

/** Glasses of a day parted among its services by their lengths, or as they were parted before. */
export function partedAsBefore(
  glasses: number,
  services: readonly Pick<PlanService, 'from' | 'to'>[],
  before: readonly number[],
): number[] {
  if (services.length === 0) return [];
  const poured = services.map((_, i) => before[i] ?? 0);
  const weights = poured.some((g) => g > 0) ? poured : services.map((s) => s.to - s.from);
  const all = weights.reduce((sum, w) => sum + w, 0);
  return partedBy(
    glasses,
    weights.map((w) => w / all),
  );
}

/**
 * Glasses served on each past day, from the first that anything was poured on to yesterday. What is poured between two
 * services counts to the one before it, and before the first to the first.
 */
export function servedByDay(
  poured: readonly { readonly at: EpochMs; readonly glasses: number }[],
  site: { readonly zone: Zone; readonly week: SiteWeek },
  today: SiteDate,
): DayServed[] {
  const dated = poured.map((p) => ({ ...p, date: siteDate(site.zone, p.at) }));
  const first = dated.map((p) => p.date).sort()[0];
  if (first === undefined || first >= today) return [];
  return Array.from({ length: daysBetween(first, today) }, (_, i) => daysAfter(first, i)).flatMap(
    (date): DayServed[] => {
      const services = servicesOf(site.zone, site.week, date, 1).filter((s) => s.date === date);
      if (services.length === 0) return [];
      const served = services.map(() => 0);
      for (const { at, glasses } of dated.filter((p) => p.date === date)) {
        const index = Math.max(
          0,
          services.findLastIndex((s) => s.from <= at),
        );
        served[index] = (served[index] ?? 0) + glasses;
      }
      return [{ date, served, soldOut: false }];
    },
  );
}

/** A forecast of a day, and how many such weekdays it was learnt from. */
export type Learnt = DayForecast & { readonly weekdays: number };
/** What is to be had on those days, learnt from what was poured; null: nothing was yet. */
export function learntFor(
  history: readonly DayServed[],
  days: readonly SiteDate[],
): Learnt[] | null {
  const forecast = forecastOf(history, days);
  return (
    forecast &&
    forecast.days.map((day) => ({
      ...day,
      weekdays: history.filter((h) => weekdayOf(h.date) === weekdayOf(day.date)).length,
    }))
  );
}

import { countQuantile } from '#core/numeric';
import { daysBetween, type SiteDate, weekdayOf } from '#core/time';

/** Glasses served on a past day, service by service. */
export type DayServed = {
  readonly date: SiteDate;
  readonly served: readonly number[];
  /** More would have been drunk. */
  readonly soldOut: boolean;
};
/** How demand is learnt; the house's own figures until it says otherwise. */
export type Learning = {
  /** A day counts half after so many days. */
  readonly halfLifeDays: number;
  /** Days of the mean of all that every weekday starts with. */
  readonly kappa: number;
  /** Glasses of the share of all days that every weekday's services start with. */
  readonly kappaShare: number;
  /** What a missed glass costs against a thrown one. */
  readonly missed: number;
  readonly thrown: number;
  /** Days ahead that are stocked by that; later ones are planned again before they begin. */
  readonly nearDays: number;
};
export const USUAL_LEARNING: Learning = {
  halfLifeDays: 28,
  kappa: 3,
  kappaShare: 20,
  missed: 4,
  thrown: 1,
  nearDays: 2,
};

export type DayForecast = {
  readonly date: SiteDate;
  readonly mean: number;
  readonly sd: number;
  readonly alpha: number;
  readonly glasses: number;
  /** Between these in eight days of ten. */
  readonly low: number;
  readonly high: number;
  readonly services: readonly number[];
};
export type Forecast = { readonly dispersion: number; readonly days: readonly DayForecast[] };

const [LOW, HIGH, MIDDLE] = [0.1, 0.9, 0.5];
/** A mean below this is not divided by. */
const LEAST_MEAN = 0.5;
const WEEKDAYS = [0, 1, 2, 3, 4, 5, 6];
const sumOf = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0);

type Day = { readonly weekday: number; readonly weight: number; readonly glasses: number };

/** Means of the weekdays: each begins with `kappa` days of the mean of all. */
function weekdayMeans(days: readonly Day[], kappa: number) {
  const weights = sumOf(days.map((d) => d.weight));
  const all = weights > 0 ? sumOf(days.map((d) => d.weight * d.glasses)) / weights : 0;
  return WEEKDAYS.map((weekday) => {
    const own = days.filter((d) => d.weekday === weekday);
    const n = sumOf(own.map((d) => d.weight));
    return { n, mean: (sumOf(own.map((d) => d.weight * d.glasses)) + kappa * all) / (n + kappa) };
  });
}

/** So many glasses parted by shares: largest remainders first, of equal ones the earlier. */
export function partedBy(glasses: number, shares: readonly number[]): number[] {
  const exact = shares.map((s) => s * glasses);
  const whole = exact.map((x) => Math.floor(x + 1e-9));
  const rest = glasses - sumOf(whole);
  const order = exact
    .map((x, i) => ({ i, remainder: x - (whole[i] ?? 0) }))
    .sort((a, b) => b.remainder - a.remainder || a.i - b.i);
  for (const { i } of order.slice(0, rest)) whole[i] = (whole[i] ?? 0) + 1;
  return whole;
}

/** Shares of the services of a weekday: each begins with `kappaShare` glasses parted as on all days. */
function serviceShares(days: readonly (Day & DayServed)[], kappaShare: number) {
  const services = Math.max(...days.map((d) => d.served.length));
  const eachService = Array.from({ length: services }, (_, j) => j);
  const servedIn = (of: readonly (Day & DayServed)[], j: number) =>
    sumOf(of.map((d) => d.weight * (d.served[j] ?? 0)));
  const everyDay = eachService.map((j) => servedIn(days, j));
  const allServed = sumOf(everyDay);
  return (weekday: number): number[] => {
    const own = days.filter((d) => d.weekday === weekday);
    const total = sumOf(own.map((d) => d.weight * d.glasses));
    return eachService.map((j) => {
      const share = allServed > 0 ? (everyDay[j] ?? 0) / allServed : 1 / services;
      return (servedIn(own, j) + kappaShare * share) / (total + kappaShare);
    });
  };
}

/**
 * Glasses to have on each day of a plan, learnt from what was served: recent days count more, weekdays are drawn to
 * the mean of all while few are known, and the spread is at least that of chance. Null without history: nothing is
 * guessed.
 */
export function forecastOf(
  history: readonly DayServed[],
  plan: readonly SiteDate[],
  learning: Learning = USUAL_LEARNING,
): Forecast | null {
  const [first] = plan;
  if (history.length === 0 || first === undefined) return null;
  const { halfLifeDays, kappa, kappaShare, missed, thrown, nearDays } = learning;
  const days = history.map((h) => ({
    ...h,
    weekday: weekdayOf(h.date),
    weight: 2 ** (-daysBetween(h.date, first) / halfLifeDays),
    glasses: sumOf(h.served),
  }));
  const without = days.filter((d) => !d.soldOut);
  const before = weekdayMeans(without.length > 0 ? without : days, kappa);
  const counted = days.map((d) =>
    d.soldOut ? { ...d, glasses: Math.max(d.glasses, before[d.weekday]?.mean ?? 0) } : d,
  );
  const means = weekdayMeans(counted, kappa);
  const meanOf = (weekday: number) => means[weekday] ?? { n: 0, mean: 0 };
  const squares = counted.map((d) => {
    const { mean } = meanOf(d.weekday);
    return (d.weight * (d.glasses - mean) ** 2) / Math.max(mean, LEAST_MEAN);
  });
  const weights = sumOf(counted.map((d) => d.weight));
  const dispersion = Math.max(1, (1.5 * kappa + sumOf(squares)) / (kappa + weights));

  const shares = serviceShares(days, kappaShare);
  return {
    dispersion,
    days: plan.map((date, i) => {
      const weekday = weekdayOf(date);
      const { n, mean } = meanOf(weekday);
      const variance = dispersion * mean * (1 + 1 / (n + kappa));
      const alpha = i < nearDays ? missed / (missed + thrown) : MIDDLE;
      const glasses = countQuantile(mean, variance, alpha);
      return {
        date,
        mean,
        sd: Math.sqrt(variance),
        alpha,
        glasses,
        low: countQuantile(mean, variance, LOW),
        high: countQuantile(mean, variance, HIGH),
        services: partedBy(glasses, shares(weekday)),
      };
    }),
  };
}

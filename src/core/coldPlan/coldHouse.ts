import type { BatchNow, BatchPlan, HouseLimits } from '#core/cold';
import type { Method, Recipe, TeaFacts } from '#core/recipes';
import {
  daysAfter,
  type SiteDate,
  siteDate,
  type SiteWeek,
  stretches,
  type Zone,
} from '#core/time';
import type { Celsius, EpochMs, Millilitres } from '#core/units';
import type { VesselFacts } from '#core/vessels';
import type { PlanProblem } from './problem';
import type { Wanted } from './wanted';

/** Tea and method as one word, and back. */
export const coldTeaId = (teaId: string, method: Method): string => `${teaId} ${method}`;
export function coldTeaOf(id: string): { teaId: string; method: Method } {
  const [teaId = '', method = 'fridge'] = id.split(' ') as [string, Method];
  return { teaId, method };
}

/** A cold tea that may be planned: as its house recipe stands. */
export type ColdTea = {
  /** See `coldTeaId`. */
  readonly id: string;
  readonly tea: TeaFacts;
  readonly recipe: Recipe;
  readonly method: Method;
  /** Liquor of it in one glass: the whole glass, or an extract's part. */
  readonly serving: Millilitres;
};
export type ColdVessel = VesselFacts & { readonly id: string };
/** A batch that stands, as far as a plan cares. */
export type StandingBatch = {
  readonly id: string;
  readonly coldTea: string;
  readonly vesselId: string;
  readonly plan: BatchPlan;
  readonly now: BatchNow;
  readonly window: { readonly earliest: EpochMs; readonly best: EpochMs; readonly latest: EpochMs };
  readonly ready: EpochMs | null;
  readonly discardAt: EpochMs;
};
/** A batch that is to be begun, put there by hand. */
export type PinnedBatch = {
  readonly id: string;
  readonly coldTea: string;
  readonly vesselId: string;
  readonly water: Millilitres;
  readonly start: EpochMs;
  readonly lift: EpochMs;
};
/** What a week of a site is planned from. */
export type ColdHouse = {
  readonly now: EpochMs;
  readonly zone: Zone;
  readonly week: SiteWeek;
  readonly days: number;
  readonly teas: readonly ColdTea[];
  readonly vessels: readonly ColdVessel[];
  /** Pitchers the fridge has room for; null: as many as there are. */
  readonly places: number | null;
  readonly air: Celsius;
  readonly ambient: Celsius;
  readonly waterAt: Celsius;
  readonly limits: HouseLimits;
  readonly standing: readonly StandingBatch[];
  readonly pinned: readonly PinnedBatch[];
  /** Vessels that are not to be had for a while. */
  readonly leftFree: readonly {
    readonly vesselId: string;
    readonly from: EpochMs;
    readonly to: EpochMs;
  }[];
  /** The plan before: of plans that are as good as each other the one that has most of it is taken. */
  readonly before: readonly {
    readonly coldTea: string;
    readonly vesselId: string;
    readonly start: EpochMs;
    readonly lift: EpochMs;
  }[];
  /** What is wanted of each tea, by its `coldTeaId`; of one that is not there nothing is. */
  readonly wanted: Readonly<Record<string, Wanted>>;
};

/** One service of the plan: the day it begins on, and which of that day it is. */
export type PlanService = {
  readonly date: SiteDate;
  readonly index: number;
  readonly from: EpochMs;
  readonly to: EpochMs;
};
export type PlanAsked = {
  readonly problem: PlanProblem;
  readonly begins: EpochMs;
  readonly services: readonly PlanService[];
};

/** The services of the days from `date` on, in order, numbered within each day. */
export function servicesOf(
  zone: Zone,
  week: SiteWeek,
  date: SiteDate,
  days: number,
): PlanService[] {
  const counted = new Map<SiteDate, number>();
  return stretches(zone, week, 'services', date, days).map((s) => {
    const day = siteDate(zone, s.from);
    const index = counted.get(day) ?? 0;
    counted.set(day, index + 1);
    return { date: day, index, from: s.from, to: s.to };
  });
}

/** Vessels are of a kind when the same fills come out the same in them. */
export const kindOf = (v: ColdVessel): string =>
  [v.kind, v.mark, v.brim, v.material, v.basket, v.dead ?? 0, v.lid].join(' ');
/** The days that a plan covers whose first day is `first`. */
export const planDays = (first: SiteDate, days: number): SiteDate[] =>
  Array.from({ length: days }, (_, i) => daysAfter(first, i));

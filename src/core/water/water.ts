import type { Day } from '#core/teas';
import { daysAfter, daysBetween } from '#core/time';

// The water that tea is made with at a site: what comes from the tap, and the filter before the kettle.

export const HARDNESS = ['unknown', 'soft', 'medium', 'hard'] as const;
export type Hardness = (typeof HARDNESS)[number];
/** When the filter was changed last, and how many days it is used. */
export type WaterFilter = { readonly changed: Day; readonly everyDays: number };
export type SiteWater = {
  readonly hardness: Hardness;
  readonly filtered: boolean;
  /** Absent or null: nobody keeps its date here. */
  readonly filter?: WaterFilter | null | undefined;
};
/** A filter is used for so many days where nobody says otherwise (from memory: the maker's paper says its own). */
export const USUAL_FILTER_DAYS = 60;
/** A filter is used no longer and no shorter than this, days. */
export const FILTER_DAYS = { least: 7, most: 730 } as const;
/** Days before the end of a filter in which a new one is asked for (from memory). */
const SOON = 7;
/** A filter on a day: `days` until it is due, or since it was. */
export type FilterNow =
  { readonly kind: 'fine' } | { readonly kind: 'soon' | 'due'; readonly days: number };
/** The day a site's filter is due; null where there is none, or nobody keeps its date. */
export const filterDue = ({ filtered, filter }: SiteWater): Day | null =>
  filtered && filter ? daysAfter(filter.changed, filter.everyDays) : null;
/** How a site's filter is on a day; fine where there is none, or nobody keeps its date. */
export function filterNow({ filtered, filter }: SiteWater, today: Day): FilterNow {
  if (!filtered || !filter) return { kind: 'fine' };
  const left = filter.everyDays - daysBetween(filter.changed, today);
  if (left <= 0) return { kind: 'due', days: -left };
  return left <= SOON ? { kind: 'soon', days: left } : { kind: 'fine' };
}
export const daysWords = (days: number): string => `${days} ${days === 1 ? 'day' : 'days'}`;
/**
 * The reminder of a filter in words; null where it is fine.
 * @example filterWords({ kind: 'due', days: 3 }) // 'The water filter was due 3 days ago: change it.'
 */
export function filterWords(filter: FilterNow): string | null {
  switch (filter.kind) {
    case 'fine':
      return null;
    case 'soon':
      return `The water filter is due in ${daysWords(filter.days)}.`;
    case 'due':
      return filter.days === 0
        ? 'The water filter is due today: change it.'
        : `The water filter was due ${daysWords(filter.days)} ago: change it.`;
  }
}

/** What a site's water asks of whoever brews with it, a line each. Common practice. */
export const waterAdvice = ({ hardness, filtered }: SiteWater): string[] =>
  filtered
    ? []
    : [
        'The water here is not filtered. Chlorine in tap water spoils tea: use filtered water.',
        ...(hardness === 'hard' ? ['Hard water mutes aroma and dulls colour: filter it.'] : []),
      ];

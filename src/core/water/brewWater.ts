import type { Day } from '#core/teas';
import type { Hardness, SiteWater } from './water';

// Alone, for the page that starts a brew: what is said of water is not part of it.

/** The water one brew was made with: kept with it. */
export type BrewWater = {
  readonly hardness: Hardness;
  readonly filtered: boolean;
  /** When its filter was changed last; null: not known, or no filter. */
  readonly filterChanged: Day | null;
};
export const brewWaterOf = ({ hardness, filtered, filter }: SiteWater): BrewWater => ({
  hardness,
  filtered,
  filterChanged: filtered && filter ? filter.changed : null,
});

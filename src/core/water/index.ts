export { brewWaterOf, type BrewWater } from './brewWater';
export { brewWaterWords, filterAge, waterChanges } from './changes';
export {
  FILTER_DAYS,
  filterDue,
  filterNow,
  filterWords,
  HARDNESS,
  USUAL_FILTER_DAYS,
  waterAdvice,
  type FilterNow,
  type Hardness,
  type SiteWater,
  type WaterFilter,
} from './water';

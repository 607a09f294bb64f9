export {
  ENOUGH,
  evidenceOf,
  LEVEL_OF_WORK,
  type Answered,
  type Evidence,
  type Lack,
} from './evidence';
export {
  blockRating,
  dueCards,
  recallAt,
  type BlockRating,
  type DueCard,
  type Review,
} from './due';
export { expectedCredit, ratedAfter, UNRATED, type LevelAnswer, type Rating } from './level';
export {
  SIGNED_MONTHS,
  signedUntil,
  signOffOf,
  type SignEvent,
  type SignOff,
  type SignState,
} from './signOff';
export { ONE_SIDED_95, wilson } from './wilson';
export * from './diagnosis';

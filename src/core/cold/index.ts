export {
  chillOf,
  coldAfter,
  followingTime,
  followingTimeFrom,
  hours,
  iceForWarmStart,
  inHours,
  startOf,
  type Chill,
  type ColdFill,
} from './chill';
export {
  coldYield,
  courseAt,
  drawnCup,
  sameBodyAt,
  type ColdSteep,
  type CourseAt,
  type Drawn,
} from './course';
export {
  glassesLeft,
  glassOf,
  mendGlass,
  pourable,
  strengthMeant,
  strengthOfGlass,
  waterToWeaken,
  type Glass,
  type GlassAsked,
  type GlassMark,
  type InHand,
} from './serving';
export {
  ageOfMinute,
  keepingOf,
  labelTime,
  LONGEST_KEEP_HOURS,
  USUAL_LIMITS,
  type AirReading,
  type AnsweredGap,
  type Because,
  type Discard,
  type Keeping,
  type KeepingLimits,
  type Kept,
} from './keeping';
export {
  forecastOf,
  partedBy,
  USUAL_LEARNING,
  type DayForecast,
  type DayServed,
  type Forecast,
  type Learning,
} from './demand';
export {
  DISCARD_REASON_NAMES,
  DISCARD_REASONS,
  foldBatch,
  isStanding,
  readyAt,
  windowOf,
  type BatchAct,
  type BatchEvent,
  type BatchNow,
  type BatchState,
  type DiscardReason,
  type Ledger,
  type Level,
} from './batch';
export {
  planBatch,
  type BatchAsked,
  type BatchPlan,
  type BatchPlanned,
  type ColdPlace,
} from './planBatch';
export { inUseWords, refusalWords, refuseAct, type BatchRefusal, type Say } from './refusals';
export { inOneVessel, type Started } from './doubles';
export { batchCode } from './code';
export {
  fridgeAir,
  keptUntil,
  nowOf,
  useFirst,
  type KeptBatch,
  type RecordedBatch,
} from './standing';
export {
  LIMIT_NAMES,
  LIMIT_RANGES,
  limitsFor,
  stricterOf,
  USUAL_HOUSE_LIMITS,
  type HouseLimits,
} from './limits';
export { fridgeReadingFault } from './fridge';

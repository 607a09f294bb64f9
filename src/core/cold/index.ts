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
  mayExtend,
  labelTime,
  liquorAlong,
  LONGEST_KEEP_HOURS,
  USUAL_LIMITS,
  type AirReading,
  unknownGaps,
  type AnsweredGap,
  type Because,
  type Discard,
  type FridgeAir,
  type Keeping,
  type KeepingLimits,
  type Kept,
  type LiquorAt,
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
  isLabelOutdated,
  isStanding,
  placeOf,
  placedAfter,
  readyAt,
  windowOf,
  type BatchAct,
  type BatchEvent,
  type BatchNow,
  type BatchState,
  type NamedVessel,
  type Placed,
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
  keptOf,
  keptUntil,
  limitsOf,
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
  type LimitName,
} from './limits';
export { fridgeReadingFault } from './fridge';
export { PROBE_DOUBTS, readProbe, type ProbeDoubt, type ProbeTrail } from './probe';
export {
  PROBE_STORIES,
  PROBE_STORY_NAMES,
  simulatedReading,
  type ProbeStory,
} from './simulatedProbe';
export {
  calendarOf,
  filterEntry,
  CALENDAR_STATUSES,
  CANCELLED_SAID_MS,
  saidNow,
  type CalendarBatch,
  type CalendarEntry,
  type CalendarPlanned,
  type SaidEntry,
} from './calendar';
export { glassWater, proposeForBatch, tasteOfBatch, type JudgedBatch } from './judging';

export { wetLeafOf, wetLeafWords, type WetLeaf } from './wetLeaf';
export {
  advance,
  begin,
  leafBackWindow,
  phaseAt,
  PULL_KINDS,
  pullKind,
  pullTiming,
  type BrewEvent,
  type BrewEventKind,
  type BrewState,
  type Phase,
  type PullKind,
  type TimedPull,
  type PullTiming,
  type Step,
} from './brew';
export {
  CLOCK_STEPS,
  COOL_TO_JUDGE,
  stepStates,
  stepNow,
  stepsOf,
  stepWords,
  isAtMoment,
  stepDoneWords,
  turnsOf,
  type BrewStep,
  type Planned,
  type StepState,
  type StepKind,
  type StepRecord,
  type StepWithState,
  type Turns,
} from './steps';
export { APART, clashesAhead, meetsNow, waitToPour, type Clash, type Moment } from './apart';
export {
  asDone,
  leafShareOf,
  planAsDone,
  plannedHeatAt,
  type DoneBrew,
  type DonePlan,
  type Recorded,
} from './done';
export { afterPause, anchor, nowBy, type SteadyClock } from './clock';
export {
  cardOf,
  knownFrom,
  planAgain,
  planOf,
  toCardInput,
  toModelInput,
  withLeafBack,
  type BrewPlan,
  type PlannedPour,
  type PlannedWish,
} from './plan';

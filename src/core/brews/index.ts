export {
  endedByTaste,
  inWaterUntil,
  leafInAgain,
  leafPutBack,
  TASTE_EVERY,
  TASTE_MARKS,
  tasteMarkWords,
  tastedWithLeafIn,
  tastesWords,
  waterReallyOn,
  type Taste,
  type TasteMark,
} from './tasting';
export {
  afterRefill,
  drunkToAFifth,
  firstCup,
  leafStaysIn,
  poursWith,
  refillOf,
  standingPot,
  type StandingPot,
} from './pours';
export { COOL_ENOUGH, coolEnough, type Cooling } from './coolEnough';
export {
  CLARITIES,
  clarityAdvice,
  clarityLevel,
  isNothing,
  MOST_WORDS,
  NOTHING_OBSERVED,
  observedTerms,
  observedWords,
  type Clarity,
  type Observed,
} from './observed';
export { whatChanged, type BrewFacts } from './changed';
export { wetLeafOf, wetLeafWords, type WetLeaf } from './wetLeaf';
export {
  advance,
  begin,
  STARTED_BY_MISTAKE,
  isVesselInUse,
  VESSEL_IN_USE,
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
  stepStates,
  stepNow,
  stepsOf,
  isAtMoment,
  turnsOf,
  type BrewStep,
  type Planned,
  type StepState,
  type StepKind,
  type StepRecord,
  type StepWithState,
  type Turns,
} from './steps';
export { stepWords, stepDoneWords } from './stepWords';
export { APART, clashesAhead, meetsNow, waitToPour, type Clash, type Moment } from './apart';
export {
  asDone,
  leafShareOf,
  planAsDone,
  plannedHeatAt,
  withOuts,
  withStirs,
  type DoneBrew,
  type DonePlan,
  type Recorded,
} from './done';
export { kettleWaitOf, waterRightAt, type KettleWait } from './kettleWait';
export { afterPause, anchor, nowBy, wholeSecond, type SteadyClock } from './clock';
export {
  FIRST_TASTE,
  cardOf,
  leafAsWeighed,
  planOf,
  toCardInput,
  type PlannedPour,
} from './planning';
export { knownFrom, planAgain, toModelInput, type BrewPlan, type PlannedWish } from './plan';

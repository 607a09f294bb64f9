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
  type PullTiming,
  type Step,
} from './brew';
export {
  CLOCK_STEPS,
  COOL_TO_JUDGE,
  standingOf,
  stepNow,
  stepsOf,
  stepWords,
  turnsOf,
  type BrewStep,
  type Planned,
  type Standing,
  type StepKind,
  type StepMark,
  type StoodStep,
  type Turns,
} from './steps';
export { clashesAhead, meetsNow, waitToPour, type Clash, type Moment } from './apart';
export { afterPause, anchor, nowBy, type SteadyClock } from './clock';

export { advance, begin, phaseAt, pullTiming, type BrewEvent, type BrewEventKind, type BrewState, type Phase, type PullTiming, type Step } from './brew';
export { COOL_TO_JUDGE, stepsOf, WARMING, type BrewStep, type StepKind } from './steps';
export { afterPause, anchor, nowBy, type SteadyClock } from './clock';

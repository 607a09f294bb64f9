export { pinsRefused } from './refused';
export { beginPlan, FIRST_STEPS, planWeek, type Planning } from './plan';
export { batchesToBegin, problemOf, type ToBegin } from './fromHouse';
export {
  coldTeaId,
  coldTeaOf,
  planDays,
  servicesOf,
  type ColdHouse,
  type ColdTea,
  type ColdVessel,
  type PinnedBatch,
  type PlanAsked,
  type PlanService,
  type StandingBatch,
} from './coldHouse';
export { type WorkedFills } from './teaLine';
export { learntFor, partedAsBefore, servedByDay, type Learnt } from './demand';
export { wantedOn, type Wanted } from './wanted';
export { reasonsOf, type Reason, type UnmetBecause } from './reasons';
export { boundWords, reasonWords, type PlanSay } from './words';
export type {
  Merit,
  Minute,
  Pin,
  PinsRefused,
  PlanFill,
  PlanLine,
  PlannedBatch,
  PlanProblem,
  PlanVessel,
  Pour,
  PouredStanding,
  Span,
  Standing,
  Unmet,
  WeekPlan,
} from './problem';
export { inTheWay, type DueBatch, type InTheWay } from './stillHolds';
export { lastGlasses, type LastGlass } from './lastGlass';
export { movedTo, type Held, type Movable, type Moved } from './moved';

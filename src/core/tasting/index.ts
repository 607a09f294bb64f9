export { chanceOfAtLeast, chanceOfSplit, fewestRight, fewestTasters, GUESSING, shareAble, shareInterval, tastersNeeded, type ChoiceTest, type Interval } from './binomial';
export { chanceOfTrueOrder, orderingOf, type Ordering } from './ordering';
export { agreementOf, type Agreement } from './panel';
export { oddsOf, type Effect, type OddsModel } from './odds';
export { justAboutRight, penaltyOf, tasterAgainst, type Against, type JustAboutRight } from './taster';
export { blindCodes, shuffled } from './codes';
export { servingOrders, triangleOrders, TRIANGLES, williamsSquare, type Triangle } from './orders';
export { HAND_SECONDS, houseCupOf, likeForLike, rungs, scheduleOf, WAYS, type LikeForLike, type PlannedCup, type Schedule, type Way } from './schedule';
export {
  EXERCISE_KINDS, EXERCISES, missing, nextMoment, PAIR_ASKS, refusalOf, scheduleFor, setUp, tastingOf, type CupState, type Exercise, type ExerciseAsk, type ExerciseKind, type PairAsks, type Refusal, type Sheet, type Stage, type Taster,
  type TasterState, type Tasting, type TastingAct, type TastingEvent,
} from './exercise';
export { realCups, resultOf, type AttributeResult, type Begins, type ChoiceResult, type LadderResult, type MarkAt, type RealCup } from './result';
export { cupsSeen } from './seen';
export { adviceOf, expectedMarks, headlineOf, howSure, valueText, type Advice, type TastingUnits } from './words';

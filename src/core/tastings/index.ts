export {
  chanceOfAtLeast,
  chanceOfSplit,
  fewestRight,
  fewestTasters,
  GUESSING,
  shareAble,
  shareInterval,
  tastersNeeded,
  type ChoiceTest,
  type Interval,
} from './binomial';
export { chanceOfTrueOrder, orderingOf, type Ordering } from './ordering';
export { agreementOf, type Agreement } from './panel';
export { oddsOf, type Effect, type OddsModel } from './odds';
export {
  justAboutRight,
  penaltyOf,
  tasterAgainst,
  tasterErrorOf,
  type Against,
  type JustAboutRight,
} from './taster';
export { blindCodes } from './codes';
export { servingOrders, triangleOrders, TRIANGLES, williamsSquare, type Triangle } from './orders';
export {
  COMPARED,
  HAND_SECONDS,
  housePour,
  isColdCup,
  isPouredAtStart,
  longestCup,
  SHORTEST_CUP,
  ladderTimes,
  likeForLike,
  rungs,
  scheduleOf,
  STANDARD_DOSE,
  standardPreparation,
  FACTORS,
  type Compared,
  type LikeForLike,
  type PlannedCup,
  type PouredCup,
  type Schedule,
  type Factor,
  type Moment,
} from './schedule';
export {
  EXERCISE_KINDS,
  EXERCISES,
  GUEST_HOUR,
  guestSeats,
  GUESTS_MOST,
  PAIR_ASKS,
  scheduleFor,
  setUp,
  withGuest,
  type Exercise,
  type ExerciseAsk,
  type ExerciseKind,
  type PairAsks,
  type Taster,
} from './exercise';
export {
  cupCounts,
  CUPS_OF_A_POT,
  cupsFor,
  usualCupCount,
  type Around,
  type CupWish,
} from './cupRules';
export {
  differenceName,
  LONGEST_NAME,
  saysOfLeaf,
  TASTED_WATERS,
  type CupDifference,
  type DifferenceOf,
} from './difference';
export { realCups, type RealCup } from './real';
export {
  resultOf,
  type AttributeResult,
  type Begins,
  type ChoiceResult,
  type LadderResult,
  type MarkAt,
} from './result';
export type { Beside, CalibrationResult, CupMarked, CupsResult, TasterFound } from './cups';
export {
  cupWords,
  dialledIn,
  marksWords,
  offIn,
  recipeAt,
  roundOf,
  storyOf,
  turnedCup,
  verdictOf,
  WITHIN,
  type Round,
} from './dialIn';
export { ownResult, type OwnCup, type OwnResult } from './own';
export { brewOfCup, cupName, liquorOfCup, type MadeOf } from './brew';
export { cupsSeen } from './seen';
export { calibrationOf } from './cups';
export { calibrationWords, comparedWords } from './calibrationWords';
export {
  chanceText,
  adviceOf,
  expectedMarks,
  headlineOf,
  valueText,
  type Advice,
  type TastingUnits,
} from './words';
export {
  foldTasting,
  STAGES,
  type CupState,
  type Stage,
  type TasterState,
  type Tasting,
} from './fold';
export { validateAct, type Refusal } from './acts';
export { missing, nextMoment, seatedAt } from './moments';
export { type Sheet, type TastingAct, type TastingEvent } from './events';
export { howSure } from './sureWords';
export {
  LEAF_LESSONS,
  leafCautions,
  leafLessonAt,
  leafPart,
  type LeafLesson,
  type LeafLessonAt,
  type LeafPart,
} from './leafLessons';
export { expectedCups, marksOfCups, type ExpectedCup, type ExpectedMarks } from './leafExpected';
export { type PotGradient, potGradientOf, type PotTasted, potTasted } from './potGradient';
export { LEAF_LESSON_IDS, type LeafLessonId } from './leafLessonIds';

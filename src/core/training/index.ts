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
export {
  CURE_LEVERS,
  FACTS,
  FAULT_NAMES,
  FAULTS,
  madeWith,
  type CureLever,
  type Fact,
  type Fault,
  type FaultName,
  type HouseCup,
  type MadeCup,
  type VesselAct,
} from './diagnosis';
export { diagnosisOf, type Cause, type Diagnosis, type Level, type Unfair } from './diagnosis';
export {
  judgedBy,
  scoreDiagnosis,
  type DiagnosisAnswer,
  type DiagnosisScore,
  type Judged,
  type Turn,
} from './diagnosis';
export { TASTED, stepOf, type TastedIndex, type Six } from './diagnosis';
export {
  DIAGNOSIS_GUESS,
  DIAGNOSIS_VERSION,
  drawDiagnosis,
  DrillHouse,
  houseCupOf,
  workDiagnosis,
  type DiagnosisGiven,
  type DrillCup,
} from './diagnosis';

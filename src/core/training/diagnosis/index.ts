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
} from './faults';
export { diagnosisOf, type Cause, type Diagnosis, type Level, type Unfair } from './diagnosis';
export {
  judgedBy,
  scoreDiagnosis,
  type DiagnosisAnswer,
  type DiagnosisScore,
  type Judged,
} from './score';
export { liquorOfMade, TASTED, tasteOfMade, type TastedIndex, type Six } from './tasted';
export {
  DIAGNOSIS_GUESS,
  DIAGNOSIS_VERSION,
  drawDiagnosis,
  DrillHouse,
  houseCupOf,
  workDiagnosis,
  type DiagnosisGiven,
  type DrillCup,
} from './draw';
export { isPair, PAIR_NAMES, partsOf, type PairName } from './pairs';
export {
  afterTurns,
  HALF_STEP,
  sizesOfLever,
  type Bracket,
  type SizedLever,
  type Turn,
} from './cures';
export {
  ACT_WORDS,
  causeWords,
  cupSentence,
  CURE_WORDS,
  FAULT_LESSONS,
  faultSentence,
  factsWords,
  turnWords,
} from './words';
export { learnerAnswer, type Learner } from './learner';

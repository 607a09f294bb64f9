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
  type Turn,
} from './score';
export { TASTED, stepOf, type TastedIndex, type Six } from './tasted';
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

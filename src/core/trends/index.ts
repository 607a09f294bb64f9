export {
  correctionRecord,
  type CorrectionRecord,
  type JudgedBrew,
  outcomeOf,
  type Outcome,
  type Tally,
} from './corrections';
export { controlChart, thinned, type Chart, type Run } from './chart';
export {
  driftsOf,
  errorText,
  groupRows,
  type BrewFact,
  type Drift,
  type DriftBy,
  type GroupRow,
} from './drift';

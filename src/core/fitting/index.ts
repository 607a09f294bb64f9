export {
  FIT_SCORES,
  FITTED,
  fitToHouse,
  MOSTLY_LEARNT,
  type Fit,
  type FitScore,
  type FittedName,
  type Tasted,
} from './fit';
export { tastedOf, type ColourStrength, type Scores, type Seen } from './seen';
export { fittedName, learntWords, teachMore } from './words';
export { fittedBy } from './fittedBy';

export { FITTED, fitToHouse, MOSTLY_LEARNT, type Fit, type FittedName, type Tasted } from './fit';
export { FIT_SCORES, tastedOf, type FitScore, type Scores, type Seen } from './seen';
export { fittedName, learntWords, teachMore } from './words';

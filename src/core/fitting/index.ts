export { FITTED, fitToHouse, MOSTLY_LEARNT, type Fit, type FittedName, type Tasted } from './fit';

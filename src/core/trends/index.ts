export { controlChart, thinned, type Chart, type Run } from './chart';
export { atLeast, driftsOf, errorText, groupRows, type BrewFact, type Drift, type DriftBy, type GroupRow } from './drift';

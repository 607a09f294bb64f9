export { LogPage } from './Page';
export { BrewPage } from './BrewPage';
export { TrendPage } from './TrendPage';
export { CorrectionsPage } from './CorrectionsPage';

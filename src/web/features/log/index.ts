export { LogPage } from './Page';
export { BrewPage } from './BrewPage';

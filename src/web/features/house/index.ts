export { HousePage } from './Page';

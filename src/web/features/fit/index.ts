export { FitPage } from './Page';

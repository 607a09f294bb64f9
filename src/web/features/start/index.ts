export { StartPage } from './Page';

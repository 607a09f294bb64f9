export { BookPage } from './Page';

export { BookPage } from './Page';
export { VersionsPage } from './Versions';

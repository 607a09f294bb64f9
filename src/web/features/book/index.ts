export { BookPage } from './Page';
export { VersionsPage } from './Versions';
export { BoardPage } from './Board';

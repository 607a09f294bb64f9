export { TasterPage } from './TasterPage';
export { ScreenPage } from './ScreenPage';
export { RescuePage } from './RescuePage';
export { TablePage } from './ListPage';
export { SetUpPage } from './SetUpPage';
export { TastingPage } from './TastingPage';
export { TastePage } from './TastePage';

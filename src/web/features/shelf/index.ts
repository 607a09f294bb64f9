export { ShelfPage } from './Page';
export { VesselPage } from './VesselPage';
export { KettlePage } from './KettlePage';

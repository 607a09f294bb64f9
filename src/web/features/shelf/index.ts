export { ShelfPage } from './Page';
export { VesselPage } from './VesselPage';

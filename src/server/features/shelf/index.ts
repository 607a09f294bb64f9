export { shelf, vesselById, type Shelf } from './service';
export { shelfRoutes } from './routes';

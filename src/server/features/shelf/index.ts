export { shelf, vesselById, vesselsAt, type Shelf } from './service';
export { shelfRoutes } from './routes';

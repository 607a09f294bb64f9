export { coldPlanOf } from './plan';
export { batchesAt, fridgeAirSince, readingsSince } from './repository';
export { batchRoutes } from './routes';

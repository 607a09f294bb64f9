export { coldPlanOf } from './plan';
export { batchesAt, batchesEndedOf, fridgeAirSince, readingsSince } from './repository';
export { batchLabels, batchRoutes } from './routes';

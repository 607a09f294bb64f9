export { batchesAt, readingsSince } from './repository';
export { batchRoutes } from './routes';

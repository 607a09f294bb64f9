export { tasterErrors } from './calibrations';
export { eventsAt, tastingById } from './repository';
export { tastingRoutes } from './routes';

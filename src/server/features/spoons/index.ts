export { allSpoons, spoonsById } from './repository';
export { spoonRoutes } from './routes';

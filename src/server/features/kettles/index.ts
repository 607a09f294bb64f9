export { kettleById } from './repository';
export { kettleRoutes } from './routes';

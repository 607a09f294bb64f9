export { kettleRoutes } from './routes';

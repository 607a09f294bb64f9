export { trainingRoutes } from './routes';

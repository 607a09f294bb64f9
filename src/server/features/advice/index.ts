export { adviceRoutes } from './routes';

export { fitRoutes } from './routes';
export { createFitService } from './service';

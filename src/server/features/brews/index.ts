export { brewing, type Brewing } from './service';
export { brewRoutes } from './routes';

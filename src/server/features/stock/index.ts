export { takePockets } from './pockets';
export { stockRoutes } from './routes';

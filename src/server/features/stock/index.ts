export { putBackPockets, takePockets } from './pockets';
export { stockRoutes } from './routes';

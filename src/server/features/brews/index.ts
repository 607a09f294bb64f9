export { brewRoutes } from './routes';
export { brewsByIds } from './queries';
export { waitingOrders } from './orders';

export { brewRoutes } from './routes';
export { brewsByIds, idsInOrder } from './queries';
export { waitingOrders } from './orders';

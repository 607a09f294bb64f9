export { brewRoutes } from './routes';
export { brewsByIds, idsInOrder } from './repository';
export { waitingOrders } from './orders';

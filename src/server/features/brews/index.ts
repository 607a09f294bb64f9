export { brewRoutes } from './routes';
export { brewsByIds, idsInOrder, openBrews } from './repository';
export { waitingOrders } from './orders';

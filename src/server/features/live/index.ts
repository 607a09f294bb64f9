export { appendEvents, appendRecordsChanged } from './appendEvents';
export { liveHub, type LiveHub } from './hub';
export { notifyingTransaction } from './notifying';
export { liveRoutes } from './routes';

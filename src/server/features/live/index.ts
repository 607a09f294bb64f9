export { appendEvents, appendRecordsChanged } from './appendEvents';
export { liveHub, type LiveHub } from './hub';
export { liveRoutes } from './routes';

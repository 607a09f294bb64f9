export { tell, tellAll } from './tell';
export { liveHub, type LiveHub } from './hub';
export { liveRoutes } from './routes';

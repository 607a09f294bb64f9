export { healthRoutes, metricsApp } from './health';
export { watchRecords } from './watchRecords';
export { livePages, timed, transactionsAgain } from './metrics';

export { inRecordedTransaction, type RecordChange } from './recordedWrite';
export { changesOf } from './repository';
export { historyRoutes } from './routes';

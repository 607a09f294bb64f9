export { inRecordedTransaction, type RecordChange } from './recordedWrite';
export { historyRoutes } from './routes';

export { findColumns, readCells } from './cells';
export { exchangeSchema } from './fromJson';
export { exchangeRoutes } from './routes';

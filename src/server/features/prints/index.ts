export { dayOnPaper, onSheets, type Paper } from './page';
export { printRoutes } from './routes';

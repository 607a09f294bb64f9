export { drawCode } from './code';
export { dayOnPaper, onSheets, type Paper } from './page';
export { printRoutes } from './routes';
export { tableSheet, type Column } from './sheets';

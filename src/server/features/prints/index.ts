export { drawCode } from './code';
export { HEIGHT, info, MARGIN, RIGHT, WIDTH } from './paperSize';
export { type Writer, writerOn } from './writer';
export { dayOnPaper, onSheets, type Paper, type PaperPlace } from './page';
export { printRoutes, teaLabels } from './routes';
export { tableSheet, type Column } from './sheets';

export { JudgePage } from './Page';

import { task } from '../../work/task';
import { readFile } from './read';

export const EXCHANGE_TASKS = { readFile: task('exchange.readFile', readFile) };

import { task } from '../../work/task';
import { batchLabel } from './label';

/** Papers of cold batches. */
export const BATCH_TASKS = { label: task('batches.label', batchLabel) };

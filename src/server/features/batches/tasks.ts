import { task } from '../../work/task';
import { batchLabel } from './label';
import { recordPaper } from './recordPaper';

/** Papers of cold batches. */
export const BATCH_TASKS = {
  label: task('batches.label', batchLabel),
  record: task('batches.record', recordPaper),
};

import { judgeTask } from '#core/training';
import { task } from '../../work/task';

/** A question worked out again: hundreds of cups, of two faults a thousand. */
export const TRAINING_TASKS = {
  judge: task('training.judge', judgeTask),
};

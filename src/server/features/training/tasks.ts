import { judgeTask } from '#core/training';
import { task } from '../../work/task';
import { trainingPaper } from './recordPaper';

/** A question worked out again: hundreds of cups, of two faults a thousand. */
export const TRAINING_TASKS = {
  judge: task('training.judge', judgeTask),
  paper: task('training.paper', trainingPaper),
};

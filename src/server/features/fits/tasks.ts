import { fitToHouse } from '#core/fitting';
import { task } from '../../work/task';

export const FIT_TASKS = { fitToHouse: task('fits.fitToHouse', fitToHouse) };

import { task } from '../../work/task';
import { caddyLabel, pocketCard, scalingSheet, spoonSheet } from './sheets';
import { swatchStrip } from './swatchStrip';
import { wallCard, wholeBook } from './wallCard';

/** Every print of the book and the shelf. */
export const PRINT_TASKS = {
  wallCard: task('print.wallCard', wallCard),
  wholeBook: task('print.wholeBook', wholeBook),
  caddyLabel: task('print.caddyLabel', caddyLabel),
  swatchStrip: task('print.swatchStrip', swatchStrip),
  pocketCard: task('print.pocketCard', pocketCard),
  scalingSheet: task('print.scalingSheet', scalingSheet),
  spoonSheet: task('print.spoonSheet', spoonSheet),
};

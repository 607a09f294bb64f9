import type { TastingEvent } from '#core/tastings';
import { task } from '../../work/task';
import { marksTable, wholeTasting } from './export';
import { sheetsOf, tentsOf } from './papers';
import { reportOf } from './report';
import type { Found } from './repository';
import { trainerSheetOf } from './trainerSheet';

/** Papers and files of a tasting. */
export const TASTING_TASKS = {
  tents: task('tastings.tents', tentsOf),
  sheets: task('tastings.sheets', sheetsOf),
  trainerSheet: task('tastings.trainerSheet', trainerSheetOf),
  report: task('tastings.report', reportOf),
  marks: task('tastings.marks', marksTable),
  whole: task('tastings.whole', (found: Found, events: readonly TastingEvent[]) =>
    JSON.stringify(wholeTasting(found, events), null, 1),
  ),
};

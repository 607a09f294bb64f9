import { z } from 'zod';
import { Bytes, endpoint } from './endpoint';
import { Id } from './primitives';
import { ROUTES } from './routes';

/** Codes to fold and stand beside the bowls, and a paper sheet for each taster: for whoever runs it. */
export const printTents = endpoint(ROUTES.printTents, {
  params: z.strictObject({ id: Id }),
  response: Bytes,
});
export const printSheets = endpoint(ROUTES.printSheets, {
  params: z.strictObject({ id: Id }),
  response: Bytes,
});
/** What the trainer of a lesson sets out, asks and teaches: for whoever runs it. */
export const printTrainerSheet = endpoint(ROUTES.printTrainerSheet, {
  params: z.strictObject({ id: Id }),
  response: Bytes,
});
/** The result on one page. */
export const printReport = endpoint(ROUTES.printReport, {
  params: z.strictObject({ id: Id }),
  response: Bytes,
});

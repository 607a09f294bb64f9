import { z } from 'zod';
import { Bytes, endpoint } from './endpoint';
import { Id, Instant } from './primitives';
import { ROUTES } from './routes';

/** Whether this site has a calendar address, and since when. The address itself is not kept. */
export const Calendar = z.strictObject({
  made: Instant.nullable(),
  by: z.string().nullable(),
});
export type Calendar = z.infer<typeof Calendar>;
export const getCalendar = endpoint(ROUTES.getCalendar, { response: Calendar });
/** A new address; the one before it ends. The path is said in this answer and never again. */
export const renewCalendar = endpoint(ROUTES.renewCalendar, {
  body: z.strictObject({ id: Id, siteId: Id }),
  response: Calendar.extend({ path: z.string().nullable() }),
});
/** The hands of a site's cold batches as iCalendar (RFC 5545). */
export const readCalendar = endpoint(ROUTES.readCalendar, {
  params: z.strictObject({ file: z.string().regex(/^[\w-]{20,60}\.ics$/) }),
  response: Bytes,
});

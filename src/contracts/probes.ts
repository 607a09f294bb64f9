import { z } from 'zod';
import { PROBE_DOUBTS } from '#core/cold';
import { endpoint } from './endpoint';
import { Id, Instant, Name } from './primitives';
import { ROUTES } from './routes';

/** A thermometer in the fridge of a site that sends its readings itself. */
export const Probe = z.strictObject({
  id: Id,
  siteId: Id,
  name: z.string(),
  added: Instant,
  addedBy: z.string(),
  /** Its key opens nothing any more since then; null: it does. */
  ended: Instant.nullable(),
  /** When it sent a reading last; null: not yet. */
  heard: Instant.nullable(),
  /** Why the last reading was not believed; null: it was. */
  doubt: z.enum(PROBE_DOUBTS).nullable(),
});
export type Probe = z.infer<typeof Probe>;

export const listProbes = endpoint(ROUTES.listProbes, {
  response: z.strictObject({ probes: z.array(Probe) }),
});
/** The key is said in this answer and never again; sent again, the answer has none. */
export const addProbe = endpoint(ROUTES.addProbe, {
  body: z.strictObject({ id: Id, siteId: Id, name: Name }),
  response: z.strictObject({ probe: Probe, key: z.string().nullable() }),
});
export const endProbe = endpoint(ROUTES.endProbe, {
  params: z.strictObject({ id: Id }),
  response: Probe,
});
/**
 * What a probe sends, with `Authorization: Bearer <its key>`. Without a time it was read now. The same time again is the
 * same reading.
 */
export const addProbeReading = endpoint(ROUTES.addProbeReading, {
  body: z.strictObject({ celsius: z.number().min(-200).max(1000), at: Instant.optional() }),
  response: z.strictObject({
    taken: z.boolean(),
    /** Why it was not. */
    doubt: z.enum(PROBE_DOUBTS).nullable(),
  }),
});

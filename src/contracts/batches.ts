import { z } from 'zod';
import type { Celsius } from '#core/units';
import { BatchEventBody, BatchHappened } from './batchEvents';
import { At, BatchPlanBody, Poured } from './batchPlan';
import { Bytes, endpoint } from './endpoint';
import { FridgeGap, FridgeReading } from './fridge';
import { Id, Instant, InstantText, quantity, Who } from './primitives';
import { Style } from './recipes';
import { ROUTES } from './routes';
import { ZoneName } from './sites';

export const Batch = z.strictObject({
  id: Id,
  siteId: Id,
  tea: z.strictObject({ id: Id, name: z.string(), style: Style, allergens: z.string() }),
  lot: z.strictObject({ id: Id, name: z.string() }).nullable(),
  versionId: Id,
  versionNumber: z.number().int(),
  vesselId: Id,
  vesselName: z.string(),
  plan: BatchPlanBody,
  leafIn: At,
  startedBy: Who,
  events: z.array(BatchHappened),
});
export type Batch = z.infer<typeof Batch>;

/** What stands at the site, what ended lately, and how its fridge has stood. */
export const getCold = endpoint(ROUTES.getCold, {
  response: z.strictObject({
    now: z.number(),
    batches: z.array(Batch),
    readings: z.array(FridgeReading),
    gaps: z.array(FridgeGap),
  }),
});
export type Cold = z.infer<typeof getCold.response>;
/** Leaf in: the batch begins. It is worked out here again from the records. */
export const startBatch = endpoint(ROUTES.startBatch, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    teaId: Id,
    lotId: Id.nullable(),
    versionId: Id,
    vesselId: Id,
    water: Poured,
    waterAt: quantity<Celsius>({ min: 0, max: 40 }),
    at: Instant,
  }),
  response: Batch,
});
export const addBatchEvent = endpoint(ROUTES.addBatchEvent, {
  params: z.strictObject({ id: Id }),
  body: BatchEventBody,
  response: Batch,
});
/** What an inspection asks for: every batch begun in a period, how the fridge stood, or both with every event. */
export const COLD_TABLES = ['batches', 'temperatures', 'limits', 'record'] as const;
export const exportCold = endpoint(ROUTES.exportCold, {
  params: z.strictObject({ table: z.enum(COLD_TABLES), form: z.enum(['csv', 'json', 'pdf']) }),
  query: z.strictObject({
    from: InstantText,
    to: InstantText,
    zone: ZoneName.default('UTC'),
  }),
  response: Bytes,
});
/** Why something of a record cannot come in, and which. */
const RecordFault = z.strictObject({ where: z.string(), why: z.string() });
export type RecordFault = z.infer<typeof RecordFault>;
/**
 * The whole record taken in: batches that ended and are not here yet, with all that was done to them, and readings. Looked
 * at first; added when that is confirmed and nothing is wrong.
 */
export const takeColdRecord = endpoint(ROUTES.takeColdRecord, {
  body: z.strictObject({ siteId: Id, text: z.string().max(10_000_000), confirmed: z.boolean() }),
  brings: 'book',
  response: z.strictObject({
    taken: z.boolean(),
    /** Batches that are not here yet, those that are, and those that had not ended when the record was made. */
    batches: z.number().int(),
    known: z.number().int(),
    standing: z.number().int(),
    readings: z.number().int(),
    /** The first of them. */
    faults: z.array(RecordFault),
    faultCount: z.number().int(),
  }),
});
export type RecordTaken = z.infer<typeof takeColdRecord.response>;
/** The label of a batch, 62 x 50 mm; times as the zone's clock shows them. */
export const printBatchLabel = endpoint(ROUTES.printBatchLabel, {
  params: z.strictObject({ id: Id }),
  query: z.strictObject({ zone: ZoneName.default('UTC') }),
  response: Bytes,
});

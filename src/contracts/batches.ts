import { z } from 'zod';
import {
  type BatchPlan,
  type ColdPlace,
  DISCARD_REASON_NAMES,
  type DiscardReason,
  fridgeReadingFault,
  type KeepingLimits,
} from '#core/cold';
import { type Method, METHOD_NAMES, SERVING_STYLE_NAMES, type ServingStyle } from '#core/recipes';
import type { Celsius, EpochMs, Grams, Millilitres, Seconds } from '#core/units';
import { Bytes, endpoint } from './endpoint';
import { Id, Instant, InstantText, oneOf, quantity, Text, Who } from './primitives';
import { Style } from './recipes';
import { ROUTES } from './routes';
import { ZoneName } from './sites';
import { ObservedBody, ProposalBody, VerdictBody } from './verdicts';

const Ml = quantity<Millilitres>({ min: 0, max: 20_000 });
const Poured = quantity<Millilitres>({ min: 1, max: 20_000 });
const Heat = quantity<Celsius>({ min: -20, max: 100 });
const Time = quantity<Seconds>({ min: 0, max: 10 * 86_400 });
const At = quantity<EpochMs>({ min: 946_684_800_000, max: 4_102_444_800_000 });

const Limits = z.strictObject({
  keepHours: z.number().min(1).max(120),
  limit: quantity<Celsius>({ min: 3, max: 8 }),
  warmHours: z.number().min(0.5).max(24),
  coolHours: z.number().min(0).max(24),
  counterHours: z.number().min(0).max(24),
  gapMinutes: z.number().min(1).max(10_000),
  unknown: Heat,
}) satisfies z.ZodType<KeepingLimits>;
const WindowTimes = z.strictObject({ earliest: Time, best: Time, latest: Time });
const Place = oneOf<ColdPlace>(['fridge', 'counter']);
/** What a batch was begun with, kept for ever. */
export const BatchPlanBody = z.strictObject({
  method: oneOf<Method>(METHOD_NAMES),
  place: Place,
  water: Poured,
  waterAt: Heat,
  ice: quantity<Grams>({ min: 0, max: 20_000 }),
  leaf: quantity<Grams>({ min: 0.1, max: 2000 }),
  hotFirst: z.strictObject({ water: Ml, temperature: Heat, time: Time.optional() }).nullable(),
  liquor: Ml,
  squeezedLiquor: Ml,
  glasses: z
    .array(
      z.strictObject({
        style: oneOf<ServingStyle>(SERVING_STYLE_NAMES),
        extract: Ml,
        water: Ml,
      }),
    )
    .readonly(),
  window: WindowTimes,
  start: Heat,
  tau: Time,
  air: Heat,
  coldAfter: Time.nullable(),
  keeping: Limits,
}) satisfies z.ZodType<BatchPlan>;

const lift = {
  kind: z.literal('lift'),
  /** As measured; null: as reckoned. */
  yield: Ml.nullable(),
  squeezed: z.boolean(),
};
/** Of warm-then-cold: the cold water is on. */
const coldOn = { kind: z.literal('coldOn') };
const pour = {
  kind: z.literal('pour'),
  ml: Poured,
  glasses: z.number().int().min(1).max(200).nullable(),
};
const dilute = { kind: z.literal('dilute'), ml: Poured };
const count = { kind: z.literal('count'), ml: Ml };
const discard = {
  kind: z.literal('discard'),
  ml: Ml,
  reason: oneOf<DiscardReason>(DISCARD_REASON_NAMES),
};
const taste = {
  kind: z.literal('taste'),
  verdict: VerdictBody,
  proposal: ProposalBody,
  /** The lead is to see the correction. */
  accepted: z.boolean(),
  remark: z.string().max(200),
  observed: ObservedBody.optional(),
};
const endChosen = { until: At, reason: Text(200) };
const shorten = { kind: z.literal('shorten'), ...endChosen };
const override = { kind: z.literal('override'), ...endChosen };
const NamedVessel = z.strictObject({ id: Id, name: z.string().max(60) });
const decant = { kind: z.literal('decant'), from: NamedVessel, to: NamedVessel };
/** Out of the fridge or into it; `air`: of the place it stands in now. */
const shelve = {
  kind: z.literal('shelve'),
  place: Place,
  air: quantity<Celsius>({ min: -5, max: 45 }),
};
const retime = { kind: z.literal('retime'), from: At, to: At };
/** A label was printed that says so. */
const label = { kind: z.literal('label'), until: At };
/** The double of that batch. */
const voided = { kind: z.literal('void'), double: Id };
const undo = { kind: z.literal('undo'), of: Id };
const made = { id: Id, at: Instant };
/** One thing done to a batch. A repeated id gets the same answer again. */
export const BatchEventBody = z.discriminatedUnion('kind', [
  z.strictObject({ ...made, ...lift }),
  z.strictObject({ ...made, ...coldOn }),
  z.strictObject({ ...made, ...pour }),
  z.strictObject({ ...made, ...dilute }),
  z.strictObject({ ...made, ...count }),
  z.strictObject({ ...made, ...discard }),
  z.strictObject({ ...made, ...taste }),
  z.strictObject({ ...made, ...label }),
  z.strictObject({ ...made, ...shorten }),
  z.strictObject({ ...made, ...override }),
  z.strictObject({ ...made, ...decant }),
  z.strictObject({ ...made, ...shelve }),
  z.strictObject({ ...made, ...retime }),
  z.strictObject({ ...made, ...voided }),
  z.strictObject({ ...made, ...undo }),
]);
export type BatchEventBody = z.infer<typeof BatchEventBody>;

/** What happened to a batch, by whom. */
const kept = { id: Id, at: At, by: z.string(), flag: z.string().nullable() };
export const BatchHappened = z.discriminatedUnion('kind', [
  z.strictObject({ ...kept, ...lift }),
  z.strictObject({ ...kept, ...coldOn }),
  z.strictObject({ ...kept, ...pour }),
  z.strictObject({ ...kept, ...dilute }),
  z.strictObject({ ...kept, ...count }),
  z.strictObject({ ...kept, ...discard }),
  z.strictObject({ ...kept, ...taste }),
  z.strictObject({ ...kept, ...label }),
  z.strictObject({ ...kept, ...shorten }),
  z.strictObject({ ...kept, ...override }),
  z.strictObject({ ...kept, ...decant }),
  z.strictObject({ ...kept, ...shelve }),
  z.strictObject({ ...kept, ...retime }),
  z.strictObject({ ...kept, ...voided }),
  z.strictObject({ ...kept, ...undo }),
]);
export type BatchHappened = z.infer<typeof BatchHappened>;
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
/** How the fridge stood. */
export const FridgeReading = z.strictObject({
  id: Id,
  at: At,
  celsius: quantity<Celsius>({ min: -30, max: 60 }),
  source: z.enum(['typed', 'probe']),
  /** Who typed it, or the probe that sent it. */
  by: z.string(),
});
export type FridgeReading = z.infer<typeof FridgeReading>;
/** A stretch without readings that a lead answered: the warmer reading of both ends holds for it. */
export const FridgeGap = z.strictObject({
  id: Id,
  from: At,
  to: At,
  reason: z.string(),
  at: At,
  by: z.string(),
});
export type FridgeGap = z.infer<typeof FridgeGap>;

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
export const addFridgeReading = endpoint(ROUTES.addFridgeReading, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    at: Instant,
    celsius: z.number().superRefine((c, found) => {
      const message = fridgeReadingFault(c);
      if (message) found.addIssue({ code: 'custom', message });
    }),
  }),
  response: FridgeReading,
});
/** What is wrong with one cell of a file of readings. */
const ReadingsFault = z.strictObject({
  row: z.number().int(),
  column: z.string(),
  why: z.string(),
});
export type ReadingsFault = z.infer<typeof ReadingsFault>;
/**
 * Readings from the file of another thermometer: looked at first; added when that is confirmed and nothing is wrong. A
 * second that has a reading already gets no other.
 */
export const takeFridgeReadings = endpoint(ROUTES.takeFridgeReadings, {
  body: z.strictObject({ siteId: Id, text: z.string().max(1_500_000), confirmed: z.boolean() }),
  brings: 'book',
  response: z.strictObject({
    taken: z.boolean(),
    /** Readings that are not here yet, and those that are. */
    fresh: z.number().int(),
    known: z.number().int(),
    from: At.nullable(),
    to: At.nullable(),
    /** The first of them. */
    faults: z.array(ReadingsFault),
    faultCount: z.number().int(),
  }),
});
export type ReadingsTaken = z.infer<typeof takeFridgeReadings.response>;
/** What was it, where nothing was read? A lead answers for the stretch. A repeated id is the same answer. */
export const answerFridgeGap = endpoint(ROUTES.answerFridgeGap, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    from: Instant,
    to: Instant,
    reason: Text(200).min(1, 'Say what you know.'),
  }),
  response: FridgeGap,
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

const Glasses = z.number().int().min(0).max(2000);
const Day = z.iso.date();
/** What is wanted of one cold tea, in glasses, service by service. */
export const ColdDemand = z.strictObject({
  teaId: Id,
  method: oneOf<Method>(METHOD_NAMES),
  glass: quantity<Millilitres>({ min: 20, max: 1000 }),
  /** Of each weekday, Monday first. */
  week: z.array(z.array(Glasses).max(12)).length(7),
  /** Days that are otherwise. */
  days: z.record(Day, z.array(Glasses).max(12)),
});
export type ColdDemand = z.infer<typeof ColdDemand>;
/** A batch that is to be begun: by the planner, or put there by hand, and then it stays when all else is planned again. */
export const PlannedCold = z.strictObject({
  id: Id,
  teaId: Id,
  method: oneOf<Method>(METHOD_NAMES),
  vesselId: Id,
  water: Poured,
  glasses: z.number().int().min(1).max(1000),
  start: Instant,
  lift: Instant,
  /** Poured until then; null: for nobody. */
  until: Instant.nullable(),
  pinned: z.boolean(),
});
export type PlannedCold = z.infer<typeof PlannedCold>;
/** A pitcher that a plan is to leave free for a while. */
const LeftFree = z.strictObject({ vesselId: Id, from: Instant, to: Instant });
export type LeftFree = z.infer<typeof LeftFree>;
const ColdPlanFields = {
  demand: z.array(ColdDemand).max(40),
  batches: z.array(PlannedCold).max(300),
  /** Pitchers the fridge has room for; null: as many as there are. */
  places: z.number().int().min(0).max(500).nullable(),
  leftFree: z.array(LeftFree).max(100).default([]),
};
/** What a site wants of its cold teas, and the batches it means to begin for it. */
export const ColdPlan = z.strictObject({
  ...ColdPlanFields,
  rev: z.number().int(),
  changed: z.strictObject({ at: At, by: z.string() }).nullable(),
});
export type ColdPlan = z.infer<typeof ColdPlan>;
/** Glasses that were poured of a tea, for what is learnt from them. */
export const ColdPoured = z.strictObject({
  teaId: Id,
  method: oneOf<Method>(METHOD_NAMES),
  at: At,
  glasses: z.number().int(),
});
export type ColdPoured = z.infer<typeof ColdPoured>;
export const getColdPlan = endpoint(ROUTES.getColdPlan, {
  response: z.strictObject({ plan: ColdPlan, poured: z.array(ColdPoured) }),
});
export type ColdPlanAnswer = z.infer<typeof getColdPlan.response>;
/** Kept over the revision it was made from; two at once: the second sees both. */
export const changeColdPlan = endpoint(ROUTES.changeColdPlan, {
  body: z.strictObject({ ...ColdPlanFields, rev: z.number().int().min(0) }),
  response: ColdPlan,
});

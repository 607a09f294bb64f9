import { z } from 'zod';
import {
  type BrewState,
  PULL_KINDS,
  type PullKind,
  type StepRecord,
  type Taste,
} from '#core/brews';
import type { PotPour } from '#core/cup';
import type { LeafOut } from '#core/extraction';
import { CUPS_MOST, type Method, METHOD_NAMES, NO_WISH } from '#core/recipes';
import type { StyleId } from '#core/styles';
import type { Celsius, EpochMs, Grams, Millilitres, Seconds } from '#core/units';
import { BrewEventBody, PouredMl } from './brewEvents';
import { CupsBody, Plan, WishBody } from './brewPlan';
import { endpoint } from './endpoint';
import { BAR_SLOTS } from './limits';
import { Id, Instant, oneOf, quantity, Text, Who } from './primitives';
import { Style } from './recipes';
import { ROUTES } from './routes';
import { MarkBody, ObservedBody, ProposalBody, VerdictBody } from './verdicts';
import { VesselFields } from './vessels';

export const at = quantity<EpochMs>({ min: 946_684_800_000, max: 4_102_444_800_000 });
export const State = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('warming'), since: at }),
  z.strictObject({ kind: z.literal('steeping'), waterOn: at }),
  z.strictObject({ kind: z.literal('tasting'), waterOn: at, out: at }),
  z.strictObject({
    kind: z.literal('pulled'),
    waterOn: at,
    pulled: at,
    wasTasting: z.literal(true).optional(),
  }),
  z.strictObject({ kind: z.literal('judged'), waterOn: at, pulled: at, judged: at }),
  z.strictObject({ kind: z.literal('abandoned'), at }),
]) satisfies z.ZodType<BrewState>;

const MarkOfStep = z.strictObject({
  key: z.string().max(12),
  at: at,
  outcome: z.enum(['done', 'skipped']),
  grams: quantity<Grams>({ min: 0, max: 40_000 }).optional(),
  celsius: quantity<Celsius>({ min: -20, max: 110 }).optional(),
}) satisfies z.ZodType<StepRecord>;
const InWater = quantity<Seconds>({ min: 0, max: 260_000 });
/** When the leaf was out to be tasted: after so many seconds in the water, for so many. */
const Out = z.strictObject({ after: InWater, lasted: InWater }) satisfies z.ZodType<LeafOut>;
/** One taste in the middle of the steep. */
const TasteBody = z.strictObject({
  after: InWater,
  mark: MarkBody.optional(),
}) satisfies z.ZodType<Taste>;
/** Out of a pot that keeps its leaf, or hot water on that leaf again: so long after the water went on. */
const Poured = z.strictObject({
  after: InWater,
  what: z.enum(['cup', 'refill']),
  ml: PouredMl,
}) satisfies z.ZodType<PotPour>;
/** A thermometer in it. */
const Reading = z.strictObject({ at, celsius: quantity<Celsius>({ min: -20, max: 110 }) });
/** What came of a proposed correction. */
export const CORRECTIONS = ['none', 'taken', 'notTaken'] as const;

export const Brew = z.strictObject({
  id: Id,
  siteId: Id,
  place: z.number().int(),
  leafId: Id,
  pairedId: Id.nullable(),
  method: oneOf<Method>(METHOD_NAMES),
  kettle: z.string(),
  marks: z.array(MarkOfStep),
  readings: z.array(Reading),
  pulledDevice: z.string().nullable(),
  timing: oneOf<PullKind>(PULL_KINDS).nullable(),
  /** The colour step that was seen, where the steep was ended by eye. */
  seen: MarkBody.nullable().optional(),
  /** Where it was tasted on the way: when the leaf was out, and what was tasted. */
  outs: z.array(Out).optional(),
  tastes: z.array(TasteBody).optional(),
  /** Cups poured one by one while the leaf stays in; absent: it was poured off at once. */
  pours: z.array(Poured).optional(),
  tea: z.strictObject({ id: Id, name: z.string(), style: Style as z.ZodType<StyleId, StyleId> }),
  lot: z.strictObject({ id: Id, name: z.string() }).nullable(),
  /** Null: a pot that is not on the shelf; what it is stands in the plan. */
  vesselId: Id.nullable(),
  versionId: Id,
  versionNumber: z.number().int(),
  plan: Plan,
  state: State,
  startedBy: Who,
  startedAt: z.number(),
  pulledBy: Who.nullable(),
  judgedBy: Who.nullable(),
  verdict: VerdictBody.nullable(),
  proposal: ProposalBody.nullable(),
  accepted: z.boolean().nullable(),
  remark: z.string(),
  /** Clarity and words of the judged cup and of its leaf; absent: none were noted. */
  observed: ObservedBody.optional(),
});
export type Brew = z.infer<typeof Brew>;

/** What waits to be brewed: a tea, for somebody, perhaps in a vessel. */
export const Order = z.strictObject({
  id: Id,
  siteId: Id,
  teaId: Id,
  teaName: z.string(),
  vesselId: Id.nullable(),
  water: quantity<Millilitres>({ min: 1, max: 20_000 }).nullable(),
  forWhom: Text(60),
  /** Absent: as the house has it. */
  wish: WishBody.optional(),
  cups: CupsBody.nullable().optional(),
  rank: z.number(),
  at: z.number(),
  by: Who,
});
export type Order = z.infer<typeof Order>;

/**
 * The site's bar: every brew not yet judged, what waits, and what was brewed last in what. `seq` is the last thing
 * told of.
 */
export const getBar = endpoint(ROUTES.getBar, {
  response: z.strictObject({
    now: z.number(),
    seq: z.number(),
    brews: z.array(Brew),
    orders: z.array(Order),
    recent: z.array(z.strictObject({ teaId: Id, vesselId: Id, water: z.number() })),
  }),
});
export type Bar = z.infer<typeof getBar.response>;
export const startBrew = endpoint(ROUTES.startBrew, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    teaId: Id,
    /** Null: whichever is in use. A device that has not heard of lots sends none. */
    lotId: Id.nullable().default(null),
    versionId: Id,
    /** Null: the pot that is described. */
    vesselId: Id.nullable(),
    /** A pot that is not on the shelf: no record is made of it. */
    pot: VesselFields.nullable().default(null),
    water: quantity<Millilitres>({ min: 1, max: 20_000 }),
    warmed: z.boolean(),
    warming: z.boolean(),
    place: z.number().int().min(1).max(BAR_SLOTS),
    at: Instant,
    /** The steep before it, of the same leaf. */
    after: Id.nullable().default(null),
    /** The order it fills. */
    orderId: Id.nullable().default(null),
    /** What the guest asks for; a later steep keeps what its leaf was begun with. */
    wish: WishBody.default(NO_WISH),
    /** The cups of liquor that the water was worked out for. */
    cups: CupsBody.nullable().default(null),
    /** The kettle its water is heated in; null: the site's usual one. */
    kettleId: Id.nullable().default(null),
    /** Less leaf, for so many cups that are poured one by one while the leaf stays in. */
    taper: z.number().int().min(2).max(CUPS_MOST).nullable().default(null),
    /** Its time is found by tasting: the clock asks for the first taste, not for the recipe's best. */
    explore: z.boolean().default(false),
  }),
  response: Brew,
});
export type StartBrew = z.input<typeof startBrew.body>;
export const addBrewEvent = endpoint(ROUTES.addBrewEvent, {
  params: z.strictObject({ id: Id }),
  body: BrewEventBody,
  response: Brew,
});
/** One thing that happened, as the brew's page tells it. */
export const Happened = z.strictObject({
  id: Id,
  at: z.number(),
  by: z.string(),
  undone: z.boolean(),
  what: z.union([BrewEventBody, z.strictObject({ kind: z.literal('start') })]),
});
export type Happened = z.infer<typeof Happened>;
export const getBrew = endpoint(ROUTES.getBrew, {
  params: z.strictObject({ id: Id }),
  response: z.strictObject({
    brew: Brew,
    events: z.array(Happened),
    steeps: z.array(z.strictObject({ id: Id, number: z.number(), steeped: z.number().nullable() })),
    next: z.strictObject({ id: Id, at: z.number(), verdict: z.string() }).nullable(),
    /** A picture kept with it, and who kept it. */
    photo: z.strictObject({ id: Id, by: Id }).nullable(),
  }),
});
export const addOrder = endpoint(ROUTES.addOrder, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    teaId: Id,
    vesselId: Id.nullable(),
    water: quantity<Millilitres>({ min: 1, max: 20_000 }).nullable(),
    forWhom: Text(60),
    wish: WishBody.default(NO_WISH),
    cups: CupsBody.nullable().default(null),
    rank: z.number(),
    at: Instant,
  }),
  response: z.strictObject({ orders: z.array(Order) }),
});
/** Moved, changed or dropped; a dropped one may wait again. */
export const changeOrder = endpoint(ROUTES.changeOrder, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({
    rank: z.number().optional(),
    forWhom: Text(60).optional(),
    state: z.enum(['waiting', 'dropped']).optional(),
  }),
  response: z.strictObject({ orders: z.array(Order) }),
});

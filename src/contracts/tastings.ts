import { z } from 'zod';
import { type Attribute, ATTRIBUTE_NAMES, type Mark } from '#core/corrections';
import { MILK_AMOUNTS, SERVING_STYLE_NAMES, type ServingStyle } from '#core/recipes';
import type { KnownTea } from '#core/styles';
import {
  COMPARED,
  type Compared,
  type CupDifference,
  type Exercise,
  EXERCISE_KINDS,
  type ExerciseKind,
  type Factor,
  FACTORS,
  GUESTS_MOST,
  LEAF_LESSON_IDS,
  type LeafLessonId,
  LONGEST_NAME,
  longestCup,
  PAIR_ASKS,
  type PairAsks,
  type PlannedCup,
  type Round,
  type Sheet,
  SHORTEST_CUP,
  type Stage,
  STAGES,
  type TastingAct,
  type TastingEvent,
} from '#core/tastings';
import { INFUSER_KINDS, type InfuserKind } from '#core/vessels';
import { SolidsBody, Strength } from './brewEvents';
import { Bytes, endpoint } from './endpoint';
import { Id, Instant, oneOf, Text, Who } from './primitives';
import { RecipeBody, Style } from './recipes';
import { ROUTES } from './routes';
import { MultipliersBody, TeaSwatches } from './teas';
import { MarkBody } from './verdicts';
import { VesselFields } from './vessels';

const CupPlace = z.number().int().min(1).max(6);
const CupDifferenceBody = z.discriminatedUnion('of', [
  z.strictObject({ of: z.enum(['lid', 'warming']), on: z.boolean() }),
  z.strictObject({ of: z.literal('milk'), milk: z.enum(MILK_AMOUNTS) }),
  z.strictObject({ of: z.literal('glass'), glass: oneOf<ServingStyle>(SERVING_STYLE_NAMES) }),
  z.strictObject({ of: z.enum(['water', 'lot', 'tea']), name: Text(LONGEST_NAME) }),
]) satisfies z.ZodType<CupDifference>;
const PlannedCupBody = z
  .strictObject({
    grams: z.number().min(0.1).max(200),
    water: z.number().min(10).max(5000),
    celsius: z.number().min(2).max(100),
    seconds: z.number().min(SHORTEST_CUP),
    infuser: oneOf<InfuserKind>(INFUSER_KINDS).optional(),
    steep: z.number().int().min(1).max(12).optional(),
    stirred: z.boolean().optional(),
    poured: z
      .strictObject({ place: CupPlace, of: CupPlace, inTurns: z.boolean().optional() })
      .refine(({ place, of }) => place <= of, 'There is no such cup of that pot.')
      .optional(),
    made: CupDifferenceBody.optional(),
  })
  .refine((c) => c.seconds <= longestCup(c), {
    path: ['seconds'],
    error: 'A hot cup steeps for an hour at most, a cold one for two days.',
  }) satisfies z.ZodType<PlannedCup>;
export const Code = z.string().regex(/^\d{3}$/);
const CupNumber = z.number().int().min(0).max(11);
export const SheetBody = z.strictObject({
  marks: z.partialRecord(
    oneOf<Attribute | 'colour'>(['colour', ...ATTRIBUTE_NAMES]),
    MarkBody as z.ZodType<Mark>,
  ),
  words: z.array(Text(40)).max(30).readonly(),
  leafWords: z.array(Text(40)).max(30).readonly().optional(),
  liking: z.number().min(0).max(10).optional(),
  scores: z.partialRecord(oneOf<Attribute>(ATTRIBUTE_NAMES), z.number().min(0).max(10)).optional(),
}) satisfies z.ZodType<Sheet>;
/** What may happen at a table; `TasterId` says how a taster is named in it. */
const actBody = <T extends z.ZodType<string, string>>(TasterId: T) =>
  z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('start') }),
    z.strictObject({ kind: z.enum(['pour', 'pull']), cup: CupNumber }),
    z.strictObject({
      kind: z.literal('weigh'),
      cup: CupNumber,
      grams: z.number().min(0.1).max(200),
      water: z.number().min(10).max(5000),
    }),
    z.strictObject({
      kind: z.literal('measure'),
      cup: CupNumber,
      solids: SolidsBody.optional(),
      colour: z.strictObject({ strength: Strength, low: Strength, high: Strength }).optional(),
    }),
    z.strictObject({
      kind: z.literal('exclude'),
      cup: CupNumber,
      reason: Text(100).min(1, 'Say why.'),
    }),
    z.strictObject({ kind: z.literal('swap'), a: Code, b: Code }),
    z.strictObject({ kind: z.literal('leave'), taster: TasterId, reason: Text(100) }),
    z.strictObject({ kind: z.literal('keep'), taster: TasterId, code: Code, sheet: SheetBody }),
    z.strictObject({
      kind: z.literal('handIn'),
      taster: TasterId,
      order: z.array(Code).max(12).readonly().nullable(),
      choice: Code.nullable(),
    }),
    z.strictObject({ kind: z.literal('reveal') }),
    z.strictObject({ kind: z.literal('stop'), reason: Text(100) }),
    z.strictObject({ kind: z.literal('undo'), of: Id }),
  ]);
const ActBody = actBody(Id) satisfies z.ZodType<TastingAct>;
/** After a calibration the others have no names: "another-1" stands for an id. */
const ShownTaster = z.strictObject({
  id: z.string(),
  name: z.string(),
  guest: z.enum(['free', 'seated']).optional(),
});
const ShownActBody = actBody(z.string()) satisfies z.ZodType<TastingAct>;
export const TastingEventBody = z.strictObject({ id: Id, at: Instant, act: ActBody });
export type TastingEventBody = z.infer<typeof TastingEventBody>;

const KnownTeaBody = z.strictObject({
  style: Style,
  fitted: MultipliersBody.nullable(),
  swatches: TeaSwatches.nullable(),
}) satisfies z.ZodType<KnownTea>;
/** What everybody may know of a tasting. */
const Common = z.strictObject({
  id: Id,
  siteId: Id,
  tea: KnownTeaBody.extend({ id: Id, name: z.string() }),
  lot: z.string().nullable(),
  lotId: Id.nullable(),
  compares: oneOf<Compared>(COMPARED).nullable(),
  lesson: oneOf<LeafLessonId>(LEAF_LESSON_IDS).nullable(),
  kind: oneOf<ExerciseKind>(EXERCISE_KINDS),
  way: oneOf<Factor>(FACTORS),
  asks: oneOf<PairAsks>(PAIR_ASKS),
  stage: oneOf<Stage>(STAGES),
  setBy: Who,
  at: z.number(),
});
const Codes = z.array(Code).readonly();
const ExerciseBody = z.strictObject({
  kind: oneOf<ExerciseKind>(EXERCISE_KINDS),
  way: oneOf<Factor>(FACTORS),
  asks: oneOf<PairAsks>(PAIR_ASKS),
  compares: oneOf<Compared>(COMPARED).optional(),
  lesson: oneOf<LeafLessonId>(LEAF_LESSON_IDS).optional(),
  cups: z.array(z.strictObject({ plan: PlannedCupBody, codes: Codes })).readonly(),
  tasters: z.array(ShownTaster).readonly(),
  servings: z.record(z.string(), Codes),
}) satisfies z.ZodType<Exercise>;
const PastRound = z.strictObject({
  id: Id,
  at: z.number(),
  cup: PlannedCupBody,
  lost: z.string().nullable(),
  n: z.number().int(),
  means: z.record(oneOf<Attribute>(ATTRIBUTE_NAMES), z.number().nullable()),
}) satisfies z.ZodType<Round>;
export type PastRound = z.infer<typeof PastRound>;
const ShownEvent = z.strictObject({
  id: z.string(),
  at: z.number(),
  by: ShownTaster,
  act: ShownActBody,
}) satisfies z.ZodType<TastingEvent>;

/** Whoever runs it, a lead, and after the reveal everybody, sees all of it. */
const OpenTasting = Common.extend({
  sees: z.literal('all'),
  runs: z.boolean(),
  version: z.strictObject({ id: Id, number: z.number().int(), recipe: RecipeBody }),
  vessel: VesselFields,
  exercise: ExerciseBody,
  vesselId: Id.nullable(),
  /** The rounds of a dial-in before this one, the first first; the round after it when there is one. */
  rounds: z.array(PastRound).readonly(),
  nextId: Id.nullable(),
  /** How guests come in, for whoever runs it: by which code, until when. Null: no seats for guests. */
  guests: z.strictObject({ code: z.string(), until: z.number() }).nullable(),
  /** Until the reveal without what the others wrote: that they wrote is there. */
  events: z.array(ShownEvent).readonly(),
});
export type OpenTasting = z.infer<typeof OpenTasting>;
/** A taster sees codes in an order, and nothing of how the cups were made. */
export const BlindTasting = Common.extend({
  sees: z.literal('own'),
  codes: Codes,
  out: Codes,
  sheets: z.record(Code, SheetBody),
  order: Codes.nullable(),
  choice: Code.nullable(),
  handedIn: z.number().nullable(),
  missing: z.number().int(),
});
export type BlindTasting = z.infer<typeof BlindTasting>;
export const TastingView = z.discriminatedUnion('sees', [OpenTasting, BlindTasting]);
export type TastingView = z.infer<typeof TastingView>;

export const setUpTasting = endpoint(ROUTES.setUpTasting, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    teaId: Id,
    lotId: Id.nullable(),
    versionId: Id,
    vesselId: Id,
    kind: oneOf<ExerciseKind>(EXERCISE_KINDS),
    way: oneOf<Factor>(FACTORS),
    asks: oneOf<PairAsks>(PAIR_ASKS),
    compares: oneOf<Compared>(COMPARED).optional(),
    lesson: oneOf<LeafLessonId>(LEAF_LESSON_IDS).optional(),
    /** The round of a dial-in before this one. */
    afterId: Id.nullable().default(null),
    cups: z.array(PlannedCupBody).min(1, 'At least one cup.').max(6, 'At most six cups.'),
    tasterIds: z.array(Id).max(24),
    /** Seats for guests, who come in by a code. */
    guests: z.number().int().min(0).max(GUESTS_MOST).default(0),
    at: Instant,
  }),
  response: TastingView,
});
export type SetUpTasting = z.input<typeof setUpTasting.body>;

export const getTasting = endpoint(ROUTES.getTasting, {
  params: z.strictObject({ id: Id }),
  response: TastingView,
});
/** One thing that happened at the table. A repeated id gets the table as it is now. */
export const addTastingEvent = endpoint(ROUTES.addTastingEvent, {
  params: z.strictObject({ id: Id }),
  body: TastingEventBody,
  response: TastingView,
});

const TastingRow = Common.extend({
  tasters: z.number().int(),
  handedIn: z.number().int(),
  mine: z.boolean(),
  owed: z.boolean(),
  /** Its place in a dial-in; null where it is none, or a later round stands for it. */
  round: z.number().int().nullable(),
  superseded: z.boolean(),
});
export type TastingRow = z.infer<typeof TastingRow>;
export const listTastings = endpoint(ROUTES.listTastings, {
  query: z.strictObject({ siteId: Id }),
  response: z.strictObject({ tastings: z.array(TastingRow) }),
});
/** A revealed tasting as a file: every mark a row, or everything with its statistics. */
export const exportTasting = endpoint(ROUTES.exportTasting, {
  params: z.strictObject({ id: Id, form: z.enum(['csv', 'json']) }),
  response: Bytes,
});

import { z } from 'zod';
import { type Attribute, ATTRIBUTE_NAMES, type Mark } from '#core/corrections';
import type { KnownTea } from '#core/styles';
import {
  COMPARED,
  type Compared,
  type Exercise,
  EXERCISE_KINDS,
  type ExerciseKind,
  type Factor,
  FACTORS,
  PAIR_ASKS,
  type PairAsks,
  type PlannedCup,
  type Round,
  type Sheet,
  type Stage,
  type TastingAct,
  type TastingEvent,
} from '#core/tastings';
import { INFUSER_KINDS, type InfuserKind } from '#core/vessels';
import { MarkBody, SolidsBody, Strength } from './brews';
import { endpoint } from './endpoint';
import { Id, Instant, oneOf, Text, Who } from './primitives';
import { ROUTES } from './routes';
import { RecipeBody } from './teas';
import { VesselFields } from './vessels';

const PlannedCupBody = z.strictObject({
  grams: z.number().min(0.1).max(200),
  water: z.number().min(10).max(5000),
  celsius: z.number().min(2).max(100),
  seconds: z.number().min(5).max(3600),
  infuser: oneOf<InfuserKind>(INFUSER_KINDS).optional(),
  steep: z.number().int().min(1).max(12).optional(),
}) satisfies z.ZodType<PlannedCup>;
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
    /** The round of a dial-in before this one. */
    afterId: Id.nullable().default(null),
    cups: z.array(PlannedCupBody).min(1, 'At least one cup.').max(6, 'At most six cups.'),
    tasterIds: z.array(Id).min(1, 'Who tastes?').max(24),
    at: Instant,
  }),
  response: z.custom<TastingView>(),
});
export type SetUpTasting = z.input<typeof setUpTasting.body>;

const Code = z.string().regex(/^\d{3}$/);
const CupNumber = z.number().int().min(0).max(11);
const SheetBody = z.strictObject({
  marks: z.partialRecord(
    oneOf<Attribute | 'colour'>(['colour', ...ATTRIBUTE_NAMES]),
    MarkBody as z.ZodType<Mark>,
  ),
  words: z.array(Text(40)).max(30).readonly(),
  leafWords: z.array(Text(40)).max(30).readonly().optional(),
  liking: z.number().min(0).max(10).optional(),
  scores: z.partialRecord(oneOf<Attribute>(ATTRIBUTE_NAMES), z.number().min(0).max(10)).optional(),
}) satisfies z.ZodType<Sheet>;
const ActBody = z.discriminatedUnion('kind', [
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
  z.strictObject({ kind: z.literal('leave'), taster: Id, reason: Text(100) }),
  z.strictObject({ kind: z.literal('keep'), taster: Id, code: Code, sheet: SheetBody }),
  z.strictObject({
    kind: z.literal('handIn'),
    taster: Id,
    order: z.array(Code).max(12).readonly().nullable(),
    choice: Code.nullable(),
  }),
  z.strictObject({ kind: z.literal('reveal') }),
  z.strictObject({ kind: z.literal('stop'), reason: Text(100) }),
  z.strictObject({ kind: z.literal('undo'), of: Id }),
]) satisfies z.ZodType<TastingAct>;
export const TastingEventBody = z.strictObject({ id: Id, at: Instant, act: ActBody });
export type TastingEventBody = z.infer<typeof TastingEventBody>;

export type PastRound = Round & { readonly id: string; readonly at: number };
/** What everybody may know of a tasting. */
type Common = {
  readonly id: string;
  readonly siteId: string;
  readonly tea: { readonly id: string; readonly name: string } & KnownTea;
  readonly lot: string | null;
  readonly lotId: string | null;
  readonly compares: Compared | null;
  readonly kind: ExerciseKind;
  readonly way: Factor;
  readonly asks: PairAsks;
  readonly stage: Stage;
  readonly setBy: Who;
  readonly at: number;
};
/** Whoever runs it, a lead, and after the reveal everybody, sees all of it. */
export type OpenTasting = Common & {
  readonly sees: 'all';
  readonly runs: boolean;
  readonly version: { id: string; number: number; recipe: z.infer<typeof RecipeBody> };
  readonly vessel: z.infer<typeof VesselFields>;
  readonly exercise: Exercise;
  /** The rounds of a dial-in before this one, the first first; the round after it when there is one. */
  readonly vesselId: string | null;
  readonly rounds: readonly PastRound[];
  readonly nextId: string | null;
  /** Until the reveal without what the others wrote: that they wrote is there. */
  readonly events: readonly TastingEvent[];
};
/** A taster sees codes in an order, and nothing of how the cups were made. */
export type BlindTasting = Common & {
  readonly sees: 'own';
  readonly codes: readonly string[];
  readonly out: readonly string[];
  readonly sheets: Readonly<Record<string, Sheet>>;
  readonly order: readonly string[] | null;
  readonly choice: string | null;
  readonly handedIn: number | null;
  readonly missing: number;
};
export type TastingView = OpenTasting | BlindTasting;
export const getTasting = endpoint(ROUTES.getTasting, {
  params: z.strictObject({ id: Id }),
  response: z.custom<TastingView>(),
});
/** One thing that happened at the table. A repeated id gets the table as it is now. */
export const addTastingEvent = endpoint(ROUTES.addTastingEvent, {
  params: z.strictObject({ id: Id }),
  body: TastingEventBody,
  response: z.custom<TastingView>(),
});

export type TastingRow = Common & {
  readonly tasters: number;
  readonly handedIn: number;
  readonly mine: boolean;
  readonly owed: boolean;
  /** Its place in a dial-in; null where it is none, or a later round stands for it. */ readonly round:
    number | null;
  readonly superseded: boolean;
};
export const listTastings = endpoint(ROUTES.listTastings, {
  query: z.strictObject({ siteId: Id }),
  response: z.strictObject({ tastings: z.array(z.custom<TastingRow>()) }),
});
/** A revealed tasting as a file: every mark a row, or everything with its statistics. */
export const exportTasting = endpoint(ROUTES.exportTasting, {
  params: z.strictObject({ id: Id, form: z.enum(['csv', 'json']) }),
  response: z.unknown(),
});
/** Codes to fold and stand beside the bowls, and a paper sheet for each taster: for whoever runs it. */
export const printTents = endpoint(ROUTES.printTents, {
  params: z.strictObject({ id: Id }),
  response: z.unknown(),
});
export const printSheets = endpoint(ROUTES.printSheets, {
  params: z.strictObject({ id: Id }),
  response: z.unknown(),
});
/** The result on one page. */
export const printReport = endpoint(ROUTES.printReport, {
  params: z.strictObject({ id: Id }),
  response: z.unknown(),
});

import { z } from 'zod';
import {
  type BrewPlan,
  type BrewState,
  CLARITIES,
  MOST_WORDS,
  type Observed,
  type PlannedWish,
  PULL_KINDS,
  type PullKind,
  type StepRecord,
  type Taste,
} from '#core/brews';
import {
  type Mark,
  type Proposal,
  PROPOSED_LEVERS,
  TURNED_LEVERS,
  type Verdict,
} from '#core/corrections';
import type { PotPour } from '#core/cup';
import type { LeafOut } from '#core/extraction';
import {
  CUPS_MOST,
  type CupsAsked,
  type Method,
  METHOD_NAMES,
  MILK_AMOUNTS,
  NO_WISH,
  type Wish,
  WISH_STRENGTHS,
} from '#core/recipes';
import type { StyleId } from '#core/styles';
import type { Celsius, EpochMs, Grams, GramsPer100Ml, Millilitres, Seconds } from '#core/units';
import { type BrewWater, HARDNESS } from '#core/water';
import { endpoint } from './endpoint';
import { BAR_SLOTS } from './limits';
import { Id, Instant, oneOf, quantity, Text, Who } from './primitives';
import { ROUTES } from './routes';
import { MultipliersBody, RecipeBody, Style, SwatchesBody } from './teas';
import { VesselFields } from './vessels';

export const MarkBody = z.union([
  z.literal(-2),
  z.literal(-1),
  z.literal(0),
  z.literal(1),
  z.literal(2),
]) satisfies z.ZodType<Mark>;
export const VerdictBody = z.strictObject({
  colour: MarkBody,
  strength: MarkBody,
  bitterness: MarkBody,
  astringency: MarkBody,
  sweetness: MarkBody,
  aroma: MarkBody,
}) satisfies z.ZodType<Verdict>;
const Index = z.number().min(0).max(10);
const IndicesBody = z.strictObject({
  strength: Index,
  bitterness: Index,
  astringency: Index,
  sweetness: Index,
  aroma: Index,
  colour: Index,
});
/** A correction as it was proposed and what was expected of it, kept with the brew. */
export const ProposalBody = z.strictObject({
  rowId: z.string().max(40),
  lever: z.enum(PROPOSED_LEVERS),
  headline: z.string().max(120),
  change: z.string().max(300),
  reason: z.string().max(500),
  turns: z
    .array(z.strictObject({ lever: z.enum(TURNED_LEVERS), from: z.number(), to: z.number() }))
    .max(3)
    .readonly(),
  expected: z.strictObject({ now: IndicesBody, then: IndicesBody }).nullable(),
  second: z.strictObject({ headline: z.string().max(120), change: z.string().max(300) }).nullable(),
  partly: z.boolean(),
  cup: z.strictObject({
    kind: z.enum(['returnLeaf', 'hotWater', 'coldWater', 'split', 'none']),
    water: quantity<Millilitres>({ min: 0, max: 20_000 }),
    text: z.string().max(500),
    share: z.number().min(0.05).max(0.95).optional(),
  }),
}) satisfies z.ZodType<Proposal>;
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

/** What a guest asks for. */
export const WishBody = z.strictObject({
  strength: z.literal(WISH_STRENGTHS),
  milk: z.enum(MILK_AMOUNTS),
}) satisfies z.ZodType<Wish>;
/** So many cups of so many ml of liquor. */
export const CupsBody = z.strictObject({
  count: z.number().int().min(1).max(CUPS_MOST),
  each: quantity<Millilitres>({ min: 10, max: 5000 }),
}) satisfies z.ZodType<CupsAsked>;
const BrewWaterBody = z.strictObject({
  hardness: z.enum(HARDNESS),
  filtered: z.boolean(),
  filterChanged: z.iso.date().nullable(),
}) satisfies z.ZodType<BrewWater>;
const PlannedWishBody = WishBody.extend({
  best: quantity<Seconds>({ min: 1, max: 260_000 }),
  milkMl: quantity<Millilitres>({ min: 0, max: 20_000 }),
  house: z.strictObject({
    dose: quantity<GramsPer100Ml>({ min: 0.01, max: 20 }),
    temperature: quantity<Celsius>({ min: 2, max: 100 }),
    best: quantity<Seconds>({ min: 1, max: 260_000 }),
  }),
}) satisfies z.ZodType<PlannedWish>;
/** The card as it was worked out for this brew, kept for ever with what it was worked out from. */
export const Plan = z.strictObject({
  water: quantity<Millilitres>({ min: 1, max: 20_000 }),
  leaf: quantity<Grams>({ min: 0.1, max: 2000 }),
  spoons: z.string().nullable(),
  /** Its recipe counts spoons of which none had been weighed: the grams are an estimate. */
  spoonsUnweighed: z.boolean().optional(),
  liquor: quantity<Millilitres>({ min: 0, max: 20_000 }),
  temperature: quantity<Celsius>({ min: 2, max: 100 }),
  /** What the water has on the leaf: the recipe's heat, or the most that could arrive. */
  onLeaf: quantity<Celsius>({ min: -20, max: 100 }),
  ambient: quantity<Celsius>({ min: -20, max: 60 }),
  kettle: quantity<Celsius>({ min: -20, max: 400 }),
  /** Cold water that goes in first, so that boiling water on it makes the heat; null or absent: set the kettle. */
  splash: quantity<Millilitres>({ min: 0, max: 20_000 }).nullable().optional(),
  /** The kettle that was chosen for it; null or absent: none was. */
  kettleUsed: z
    .strictObject({
      name: z.string(),
      set: quantity<Celsius>({ min: 0, max: 102 }).nullable(),
      wait: quantity<Seconds>({ min: 0, max: 260_000 }).nullable(),
      /** How its water cools off the boil; the share of a degree in the kettle that arrives on the leaf. */
      cools: z
        .strictObject({
          ...{ a: z.number().positive().max(1), b: z.number().min(0).max(1) },
          from: quantity<Celsius>({ min: 60, max: 102 }),
          arrives: z.number().min(0).max(1),
        })
        .optional(),
    })
    .nullable()
    .optional(),
  /** The water it was made with; absent: it was not kept yet. */
  brewWater: BrewWaterBody.optional(),
  /** Leaf of it that came out of pockets filled ahead; absent: none. */
  pocketed: quantity<Grams>({ min: 0.1, max: 2000 }).optional(),
  /** Less leaf for cups poured one by one; the leaf it would have without. */
  taper: z
    .strictObject({
      cups: z.number().int().min(2).max(CUPS_MOST),
      house: quantity<Grams>({ min: 0.1, max: 2000 }),
    })
    .nullable()
    .optional(),
  /** A later steep of its leaf: which, and how long each before it was. */
  steep: z
    .strictObject({
      number: z.number().int().min(2),
      past: z.array(quantity<Seconds>({ min: 0, max: 260_000 })),
      by: z.enum(['recipe', 'model']),
    })
    .nullable()
    .optional(),
  reachable: z.boolean(),
  warmed: z.boolean(),
  crowding: z.number().nullable(),
  recipe: RecipeBody,
  vessel: VesselFields,
  pull: z.strictObject({ act: z.string(), done: z.string() }),
  /** What the guest asked for; null or absent: as the house has it. */
  wish: PlannedWishBody.nullable().optional(),
  /** The cups of liquor that were asked for. */
  cups: CupsBody.nullable().optional(),
  /** Its time is found by tasting; what the recipe has as its best. */
  explore: z
    .strictObject({ best: quantity<Seconds>({ min: 1, max: 260_000 }) })
    .nullable()
    .optional(),
  /** The tea's own multipliers, where it was fitted to this house by then. */
  fitted: MultipliersBody.nullable().optional(),
  /** Its own colours, where they were measured by then. */
  swatches: SwatchesBody.nullable().optional(),
}) satisfies z.ZodType<BrewPlan>;
export type Plan = z.infer<typeof Plan>;

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
const PouredMl = quantity<Millilitres>({ min: 1, max: 20_000 });
/** Out of a pot that keeps its leaf, or hot water on that leaf again: so long after the water went on. */
const Poured = z.strictObject({
  after: InWater,
  what: z.enum(['cup', 'refill']),
  ml: PouredMl,
}) satisfies z.ZodType<PotPour>;
/** A thermometer in it. */
const Reading = z.strictObject({ at, celsius: quantity<Celsius>({ min: -20, max: 110 }) });
const WordsBody = z
  .array(z.string().trim().min(1).max(40, 'At most 40 letters a word.'))
  .max(MOST_WORDS, `At most ${MOST_WORDS} words.`)
  .readonly();
/** What was seen and said of a cup beside its marks. */
export const ObservedBody = z.strictObject({
  clarity: z.enum(CLARITIES).nullable(),
  words: WordsBody,
  leaf: WordsBody,
}) satisfies z.ZodType<Observed>;
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
export const COLOUR_WAYS = ['reference', 'rim', 'instrument'] as const;
/** Which cup is tasted again: as it was served, or what it was made into. */
export const TASTED_CUPS = ['served', 'rescued'] as const;
export type TastedCup = (typeof TASTED_CUPS)[number];
export const Strength = z.number().min(0.01).max(20);
export const SolidsBody = z.number().min(0.1).max(60);
/** One thing that happened to a brew. A repeated id gets the same answer again. */
export const BrewEventBody = z.discriminatedUnion('kind', [
  z.strictObject({ id: Id, at: Instant, kind: z.literal('waterOn') }),
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('pull'),
    /** By eye, because of its colour: the step that was seen. Absent: by the clock, or by its taste. */
    seen: MarkBody.optional(),
    /** By its taste: how it was found. */
    mark: MarkBody.optional(),
    /** One cup is poured, ml, and the rest stays on the leaf. Absent: the steep ends for all of it. */
    cup: PouredMl.optional(),
  }),
  /** The leaf comes out to be tasted, and goes in again. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('leafOut') }),
  z.strictObject({ id: Id, at: Instant, kind: z.literal('leafIn'), mark: MarkBody.optional() }),
  /** Tasted with the leaf in; how it was found, where that was said. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('taste'), mark: MarkBody.optional() }),
  /** One more cup of what stays on the leaf, or hot water on that leaf again. */
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('pour'),
    what: z.enum(['cup', 'refill']),
    ml: PouredMl,
  }),
  z.strictObject({ id: Id, at: Instant, kind: z.literal('undoPull') }),
  /** The leaf goes back into the cup for so many seconds more. */
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('leafBack'),
    seconds: z.number().int().min(10).max(600),
  }),
  /** Off the bar without a verdict. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('close') }),
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('step'),
    key: z.string().max(12),
    outcome: z.enum(['done', 'skipped']),
    grams: quantity<Grams>({ min: 0, max: 40_000 }).optional(),
    celsius: quantity<Celsius>({ min: -20, max: 110 }).optional(),
  }),
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('reading'),
    celsius: quantity<Celsius>({ min: -20, max: 110 }),
  }),
  /**
   * How strong its colour says it is, against the house cup: from a picture or an instrument. The picture is not
   * kept.
   */
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('colour'),
    way: z.enum(COLOUR_WAYS),
    strength: Strength,
    low: Strength,
    high: Strength,
    depthCm: z.number().min(0.3).max(20),
  }),
  /** Dissolved solids of it by refractometer, cooled and zeroed on its water. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('solids'), gramsPerLitre: SolidsBody }),
  /** Pulled and judged together with another of the same tea. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('pair'), with: Id }),
  /** Pulled on a shared tablet: it was me. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('claim') }),
  /** Tasted once more after it was judged: by a lead as it was served, or by anybody after it was rescued. */
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('tasteAgain'),
    cup: z.enum(TASTED_CUPS),
    verdict: VerdictBody,
  }),
  /** Takes the last thing that was done to it back. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('undo'), of: Id }),
  z.strictObject({ id: Id, at: Instant, kind: z.literal('abandon'), reason: Text(200) }),
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('judge'),
    verdict: VerdictBody,
    proposal: ProposalBody,
    accepted: z.boolean(),
    remark: Text(200),
    observed: ObservedBody.optional(),
  }),
]);
export type BrewEventBody = z.infer<typeof BrewEventBody>;
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
    /** A picture kept with it, and who kept it. */ photo: z
      .strictObject({ id: Id, by: Id })
      .nullable(),
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

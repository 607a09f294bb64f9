import { z } from 'zod';
import type { Weighing } from '#core/recipes';
import type { Multipliers, Swatches } from '#core/styles';
import {
  dayFault,
  LEAF_FORM_NAMES,
  type LeafFacts,
  type LeafForm,
  LOT_STATES,
  type Season,
  SEASON_NAMES,
  SITE_REASON_LETTERS,
  SITE_REASONS,
  type Trait,
  TRAIT_NAMES,
} from '#core/teas';
import type { Grams } from '#core/units';
import { PooledBody } from './advice';
import { Bytes, endpoint } from './endpoint';
import { Id, Name, oneOf, PictureBytes, quantity, Text, Who } from './primitives';
import { MethodName, RecipeBody, SpoonBody, SpoonId, Style, Version } from './recipes';
import { ROUTES } from './routes';

const weighed = {
  spoons: z.number().min(0.25).max(100),
  weighed: quantity<Grams>({ min: 0.1, max: 1000 }),
  singles: z
    .array(quantity<Grams>({ min: 0.05, max: 200 }))
    .max(12)
    .readonly(),
};
const WeighingFields = z.strictObject({ spoon: SpoonId, ...weighed });
export type WeighingFields = z.infer<typeof WeighingFields>;
const WeighingBody = z.strictObject({ spoon: SpoonBody, ...weighed }) satisfies z.ZodType<Weighing>;

const Day = z.string().refine((d) => dayFault(d) === null, 'Write the day as 2026-03-14.');
/** Leaf of one arrival: its papers, where it stands, its own weighing. */
export const LotFields = z.strictObject({
  name: Name,
  arrived: Day.nullable(),
  bestBefore: Day.nullable(),
  harvest: Text(60),
  note: Text(300),
  state: z.enum(LOT_STATES),
  weighing: WeighingFields.nullable(),
  versionId: Id.nullable(),
});
export type LotFields = z.infer<typeof LotFields>;
export const Lot = LotFields.extend({
  id: Id,
  teaId: Id,
  rev: z.number().int(),
  weighing: WeighingBody.nullable(),
  versionNumber: z.number().int().nullable(),
});
export type Lot = z.infer<typeof Lot>;

const LeafBody = z.strictObject({
  form: oneOf<LeafForm>(LEAF_FORM_NAMES).nullable(),
  season: oneOf<Season>(SEASON_NAMES).nullable(),
  traits: z.array(oneOf<Trait>(TRAIT_NAMES)).max(5).readonly(),
}) satisfies z.ZodType<LeafFacts>;
export const LIGHTS = ['D65', 'D50', 'A', 'F11'] as const;
/** A house's own colour of the right cup: an instrument's Lab, through how much liquor, under which light. */
export const MeasuredColour = z.strictObject({
  lab: z.tuple([
    z.number().min(0).max(100),
    z.number().min(-128).max(128),
    z.number().min(-128).max(128),
  ]),
  depthCm: z.number().min(0.1).max(20),
  light: z.enum(LIGHTS),
});
export type MeasuredColour = z.infer<typeof MeasuredColour>;
export const TeaFields = z.strictObject({
  name: Name,
  style: Style,
  method: MethodName,
  words: Text(200),
  allergens: Text(200),
  note: Text(500),
  leaf: LeafBody,
  blend: Text(200),
  /** The supplier's advice as printed, in its own units. */
  packet: Text(500),
  caffeine: Text(120),
  cautions: Text(300),
  colour: MeasuredColour.nullable(),
  weighing: WeighingFields.nullable(),
  spoon: SpoonId,
});
export type TeaFields = z.infer<typeof TeaFields>;
const WhySite = {
  why: z.enum(SITE_REASONS),
  /** What a lead at the next site reads: "Water boils at 94 °C there". */
  words: Text(SITE_REASON_LETTERS).min(1, 'Type the reason for the next lead.'),
};
/** A site that brews another version than the house's, and why. */
export const SiteRecipe = z.strictObject({
  siteId: Id,
  siteName: z.string(),
  method: MethodName,
  version: Version,
  ...WhySite,
  by: Who,
  at: z.number(),
});
export type SiteRecipe = z.infer<typeof SiteRecipe>;
/** The recipe of one method: what is brewed, and what is on trial. */
export const MethodRecipe = z.strictObject({
  method: MethodName,
  /** What is brewed at the site that asks: the house's, or the site's own in its place. */
  house: Version.nullable(),
  trial: Version.nullable(),
  /** Null: the site brews as the house does. */
  site: z
    .strictObject({ ...WhySite, by: Who, at: z.number(), inPlaceOf: Version })
    .nullable()
    .default(null),
});
/** Colours of this house's own cups along the steep, measured through one depth under one light. */
const SwatchFields = {
  depthCm: z.number().min(0.3).max(20),
  rungs: z
    .array(
      z.strictObject({
        seconds: z.number().min(5).max(3600),
        lab: MeasuredColour.shape.lab.readonly(),
      }),
    )
    .min(2, 'Two cups at least.')
    .max(8, 'At most eight cups.')
    .readonly(),
};
/** As the models and a kept plan need them. */
export const SwatchesBody = z.strictObject({
  ...SwatchFields,
  dose: z.number().min(0.05).max(20),
  temperature: z.number().min(2).max(100),
}) satisfies z.ZodType<Swatches>;
export const TeaSwatches = SwatchesBody.extend({ at: z.number(), by: z.string() });
export type TeaSwatches = z.infer<typeof TeaSwatches>;
/** A tea's own multipliers on its style, found by fitting it to cups of this house. */
const Multiplier = z.number().min(0.1).max(10);
export const MultipliersBody = z.strictObject({
  rate: Multiplier,
  pool: Multiplier,
  bite: Multiplier,
  sensitivity: Multiplier,
}) satisfies z.ZodType<Multipliers>;
export type MethodRecipe = z.infer<typeof MethodRecipe>;
export const Tea = TeaFields.extend({
  id: Id,
  rev: z.number().int(),
  retired: z.boolean(),
  /** Every method that has a recipe. */
  recipes: z.array(MethodRecipe),
  /** The recipe of the tea's own method, when it is a hot one. */
  house: Version.nullable(),
  trial: Version.nullable(),
  /** The spoon and the weighing of the tea itself; a lot's own weighing goes before it (`measureOf`). */
  measure: z.strictObject({ spoon: SpoonBody, weighing: WeighingBody.nullable() }),
  /** Cups of a ladder of this house, measured: they stand for the predicted colours. */
  swatches: TeaSwatches.nullable().default(null),
  /** In use for this tea; null: the style's own values. What a device kept from before fits were known has none. */
  fitted: MultipliersBody.nullable().default(null),
  /** Lots that are not finished. */
  lots: z.array(Lot),
  /** Stored photo of the dry leaf; null without one. */
  photoId: Id.nullable(),
});
export type Tea = z.infer<typeof Tea>;
/** A brewer's accepted correction, waiting for a lead. */
export const LeadNote = z.strictObject({
  id: Id,
  teaId: Id,
  /** What it was found in: one of the two. */
  brewId: Id.nullable(),
  batchId: Id.nullable(),
  by: Who,
  at: z.number(),
  headline: z.string(),
  change: z.string(),
  found: z.string(),
  fromTrainee: z.boolean(),
});
export type LeadNote = z.infer<typeof LeadNote>;

export const getBook = endpoint(ROUTES.getBook, {
  response: z.strictObject({ teas: z.array(Tea), vocabulary: z.array(z.string()) }),
});
/** Every tea, and the house's own words for them. */
export type Book = z.infer<typeof getBook.response>;
export const getTea = endpoint(ROUTES.getTea, {
  params: z.strictObject({ id: Id }),
  response: z.strictObject({
    tea: Tea,
    versions: z.array(Version),
    notes: z.array(LeadNote),
    /** Every lot, the finished too, newest first. */
    lots: z.array(Lot),
    /** Brews by the version they used, counted up to `USES_COUNTED` (limits.ts); one without is not there. */
    uses: z.record(Id, z.number().int()),
    /** Every site that brews another version than the house's. */
    sites: z.array(SiteRecipe).default([]),
  }),
});
export type TeaPage = z.infer<typeof getTea.response>;
export const addTea = endpoint(ROUTES.addTea, {
  body: TeaFields.extend({ id: Id, versionId: Id, recipe: RecipeBody }),
  response: Tea,
});
export const changeTea = endpoint(ROUTES.changeTea, {
  params: z.strictObject({ id: Id }),
  body: TeaFields.extend({ rev: z.number().int(), retired: z.boolean() }),
  response: Tea,
});
/**
 * A new version of a method's recipe, for the house, on trial beside it or as a draft; `basedOn` is the number the
 * writer was looking at, 0 for a method's first. Anybody makes a draft; the rest is for leads.
 */
export const addVersion = endpoint(ROUTES.addVersion, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({
    id: Id,
    method: MethodName,
    basedOn: z.number().int(),
    as: z.enum(['house', 'trial', 'draft']),
    recipe: RecipeBody,
    reason: Text(300).min(1, 'Say why: the next lead reads it.'),
    settles: z.array(Id).max(50),
    /** Made from the advice of all cups: what is expected of its own cups. */
    expected: PooledBody.nullable().default(null),
  }),
  response: Version,
});
/**
 * A draft goes on trial, a trial that was right becomes the house recipe, either is set aside; what it takes the
 * place of is retired. Done twice it is done once.
 */
export const moveVersion = endpoint(ROUTES.moveVersion, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ to: z.enum(['trial', 'house', 'retired']) }),
  response: Version,
});
/** A site brews this version in the place of the house's; null: as the house does again. Done twice it is done once. */
export const setSiteRecipe = endpoint(ROUTES.setSiteRecipe, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({
    siteId: Id,
    method: MethodName,
    own: z.strictObject({ versionId: Id, ...WhySite }).nullable(),
  }),
  response: z.strictObject({ sites: z.array(SiteRecipe) }),
});
export const addLot = endpoint(ROUTES.addLot, {
  params: z.strictObject({ id: Id }),
  body: LotFields.extend({ id: Id }),
  response: Lot,
});
/** A lot put in use finishes the one before it. */
export const changeLot = endpoint(ROUTES.changeLot, {
  params: z.strictObject({ id: Id }),
  body: LotFields.extend({ rev: z.number().int() }),
  response: Lot,
});
/** The house's tasting words, in its order. */
export const setVocabulary = endpoint(ROUTES.setVocabulary, {
  body: z.strictObject({ words: z.array(z.string().trim().min(1).max(30)).max(80) }),
  response: z.strictObject({ words: z.array(z.string()) }),
});
export const settleNote = endpoint(ROUTES.settleNote, {
  params: z.strictObject({ id: Id }),
  response: z.strictObject({}),
});
/** The dry leaf; made small and freed of its metadata before it is kept. One a tea: a new one takes the place. */
export const setPhoto = endpoint(ROUTES.setPhoto, {
  params: z.strictObject({ id: Id }),
  query: z.strictObject({ id: Id }),
  body: PictureBytes,
  brings: 'picture',
  response: Tea,
});
/** A ladder of the house recipe as a colour reader saw it, or null to go back to what is predicted. */
export const setSwatches = endpoint(ROUTES.setSwatches, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ swatches: z.strictObject(SwatchFields).nullable() }),
  response: Tea,
});
export const dropPhoto = endpoint(ROUTES.dropPhoto, {
  params: z.strictObject({ id: Id }),
  response: Tea,
});
export const getPhoto = endpoint(ROUTES.getPhoto, {
  params: z.strictObject({ id: Id }),
  response: Bytes,
});

import { z } from 'zod';
import { type Fit, FIT_SCORES, type FitScore, FITTED, type FittedName } from '#core/fitting';
import { endpoint } from './endpoint';
import { Id, oneOf, Who } from './primitives';
import { Style } from './recipes';
import { ROUTES } from './routes';
import { MultipliersBody } from './teas';

const Scores = z.record(oneOf<FitScore>(FIT_SCORES), z.number());
/** One cup of this house that a tea is fitted to, and what the style and the fit say of it. */
const FitCup = z.strictObject({
  id: z.string(),
  from: z.enum(['table', 'bar']),
  at: z.number(),
  words: z.string(),
  /** As it was really made: g, ml, C on the leaf, s. */
  grams: z.number(),
  water: z.number(),
  celsius: z.number(),
  seconds: z.number(),
  /** How many tasted it; 0 when it was only measured. */
  n: z.number().int(),
  scores: z.partialRecord(oneOf<FitScore>(FIT_SCORES), z.number()),
  solids: z.number().nullable(),
  colour: z.number().nullable(),
  style: Scores,
  fitted: Scores.nullable(),
  left: z.boolean(),
});
export type FitCup = z.infer<typeof FitCup>;

const Learnt = z.record(oneOf<FittedName>(FITTED), z.number());
const FittedBody = z.strictObject({
  multipliers: MultipliersBody,
  learnt: Learnt,
  sd: Learnt,
  rmse: z.number(),
});
const FitBody = z.discriminatedUnion('kind', [
  FittedBody.extend({ kind: z.literal('fitted'), iterations: z.number().int() }),
  z.strictObject({ kind: z.literal('tooFewCups'), got: z.number().int(), need: z.number().int() }),
]) satisfies z.ZodType<Fit>;
/** A fit that was taken, with how many cups it was drawn from. */
const KeptFit = z.strictObject({
  id: Id,
  state: z.enum(['inUse', 'aside']),
  by: Who,
  at: z.number(),
  fit: FittedBody.extend({ cups: z.number().int(), style: Style }),
});
export type KeptFit = z.infer<typeof KeptFit>;
/** What is known of a tea in this house: its cups, what they teach now, what was taken before. */
const TeaFitPage = z.strictObject({
  cups: z.array(FitCup),
  right: Scores,
  fit: FitBody,
  kept: z.array(KeptFit),
});
export type TeaFitPage = z.infer<typeof TeaFitPage>;

/** Cups left out by hand: their ids, joined by commas. */
const Without = z
  .string()
  .max(4000)
  .regex(/^[0-9a-f-]+(:\d+)?(,[0-9a-f-]+(:\d+)?)*$/)
  .optional();
export const getFit = endpoint(ROUTES.getFit, {
  params: z.strictObject({ id: Id }),
  query: z.strictObject({ without: Without }),
  response: TeaFitPage,
});
/** Works it out again from the cups that are there, and uses it from now on. A repeated id changes nothing. */
export const useFit = endpoint(ROUTES.useFit, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ id: Id, without: Without }),
  response: TeaFitPage,
});
/** Sets a fit aside, or takes up one that was. */
export const moveFit = endpoint(ROUTES.moveFit, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ to: z.enum(['inUse', 'aside']) }),
  response: TeaFitPage,
});

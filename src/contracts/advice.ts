import { z } from 'zod';
import {
  type Attribute,
  ATTRIBUTE_NAMES,
  type Belief,
  type Doubts,
  type PooledMark,
  type PooledMarks,
  PROPOSED_LEVERS,
  type RecipeAdvice,
  type RecipeDose,
  SCATTERED_BY,
  type ScatteredBy,
  type SeenMarks,
  type TasterError,
  type Three,
} from '#core/corrections';
import { type Method, METHOD_NAMES } from '#core/recipes';
import { endpoint } from './endpoint';
import { Id, oneOf, Text, Who } from './primitives';
import { ROUTES } from './routes';

const ThreeBody = z
  .tuple([z.number(), z.number(), z.number()])
  .readonly() satisfies z.ZodType<Three>;
const N = z.number();
const SquareBody = z.tuple([N, N, N, N, N, N, N, N, N]).readonly() satisfies z.ZodType<
  Belief['covariance']
>;
const DoseBody = z.strictObject({
  gPer100ml: z.number(),
  temperatureC: z.number(),
  seconds: z.number(),
}) satisfies z.ZodType<RecipeDose>;
const Pooled = z.strictObject({ mean: z.number(), sd: z.number() }) satisfies z.ZodType<PooledMark>;
const AttributeName = oneOf<Attribute>(ATTRIBUTE_NAMES);
/** What all cups are believed to show of each attribute, or expected to after a change. */
export const PooledBody = z.record(AttributeName, Pooled) satisfies z.ZodType<PooledMarks>;
const SeenBody = z.record(
  AttributeName,
  z.strictObject({ mean: z.number(), cups: z.number().int() }).nullable(),
) satisfies z.ZodType<SeenMarks>;
const AdviceBody = z.strictObject({
  loss: z.number(),
  change: z
    .strictObject({ exact: DoseBody, rounded: DoseBody, units: ThreeBody, expected: PooledBody })
    .nullable(),
  lossAfter: z.number(),
  chance: z.number().nullable(),
  more: z.number().int().nullable(),
  pooled: PooledBody,
}) satisfies z.ZodType<RecipeAdvice>;
/** How steady a taster is, and how far off others, marks; an attribute that was not calibrated is not there. */
const TasterBody = z.strictObject({
  sd: z.number(),
  bias: z.partialRecord(AttributeName, z.number()).optional(),
}) satisfies z.ZodType<TasterError>;
/** How far leaf and heat may be off where they were not recorded: of this tea’s spoons, and this site’s readings. */
const DoubtsBody = z.strictObject({
  leaf: z.number(),
  heatC: z.number(),
  taster: z.number(),
}) satisfies z.ZodType<Doubts>;
/** A judged cup behind the advice. */
const AdviceCup = z.strictObject({
  id: Id,
  at: z.number(),
  by: Who.nullable(),
  vessel: z.string(),
  /** Of which version of the recipe. */
  version: z.number().int(),
  verdict: z.string(),
  /** What was recorded of its making, in words. */
  recorded: z.string(),
  /** What was proposed when it was judged, lever by lever. */
  proposed: z.array(z.enum(PROPOSED_LEVERS)),
  /** Further off than its errors explain: it counts for little. */
  isSlip: z.boolean(),
  /** Left out by a lead: why. Null: it counts. */
  left: z.strictObject({ why: z.string(), by: Who }).nullable(),
});
export type AdviceCup = z.infer<typeof AdviceCup>;
/** What all judged cups of a recipe at a site say of it. */
const TeaAdvice = z.strictObject({
  method: oneOf<Method>(METHOD_NAMES),
  version: z.strictObject({ id: Id, number: z.number().int() }),
  /** The recipe that is advised on. */
  recipe: DoseBody,
  advice: AdviceBody,
  /** How far the recipe stands above the right one, effort units. */
  belief: z.strictObject({
    mean: ThreeBody,
    covariance: SquareBody,
  }),
  /** Whoever reads this: what one’s next cup is weighed by. */
  taster: TasterBody,
  doubts: DoubtsBody,
  /** Judged cups that count. */
  counted: z.number().int(),
  scatter: oneOf<ScatteredBy>(SCATTERED_BY).nullable(),
  /** The newest version that was made from such advice: what was expected of its cups, and what they showed. */
  prediction: z
    .strictObject({
      ...{ version: z.number().int(), cups: z.number().int() },
      ...{ expected: PooledBody, seen: SeenBody },
    })
    .nullable(),
  /** The newest first. */
  cups: z.array(AdviceCup),
});
export type TeaAdvice = z.infer<typeof TeaAdvice>;
export const getAdvice = endpoint(ROUTES.getAdvice, {
  params: z.strictObject({ id: Id }),
  /** Null: no hot house recipe yet. */
  response: z.strictObject({ advice: TeaAdvice.nullable() }),
});
/** A lead leaves a judged cup out of the advice and says why, or counts it again: null. */
export const leaveOut = endpoint(ROUTES.leaveOut, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ why: Text(200).min(1, 'Say why: the next lead reads it.').nullable() }),
  response: z.strictObject({}),
});

import { z } from 'zod';
import { type Material, MATERIAL_NAMES } from '#core/heat';
import {
  type Handling,
  type Method,
  METHOD_NAMES,
  OWN_STEP_LETTERS,
  OWN_STEP_TIME_NAMES,
  OWN_STEPS_MOST,
  type OwnStepTime,
  type Recipe,
  SERVE_ORDER_NAMES,
  type ServeOrder,
  SERVING_STYLE_NAMES,
  type ServingStyle,
  type SpoonDose,
} from '#core/recipes';
import { STYLE_IDS, type StyleId } from '#core/styles';
import type { Celsius, Grams, GramsPer100Ml, Millilitres, Seconds, Spoon } from '#core/units';
import { INFUSER_KINDS, type InfuserKind } from '#core/vessels';
import { Id, Name, oneOf, quantity, Text, Who } from './primitives';

// A recipe as it is sent and kept, and its versions.

export const Style = oneOf<StyleId>(STYLE_IDS);
export const MethodName = oneOf<Method>(METHOD_NAMES);

const KnownGood = z.strictObject({
  water: quantity<Millilitres>({ min: 20, max: 20_000 }),
  leaf: quantity<Grams>({ min: 0.1, max: 2000 }),
});
const KnownPour = KnownGood.extend({
  infuser: oneOf<InfuserKind>(INFUSER_KINDS),
  basket: quantity<Millilitres>({ min: 5, max: 20_000 }).nullable(),
  material: oneOf<Material>(MATERIAL_NAMES),
  lid: z.boolean(),
});
/** Cold steeps are counted in hours: up to three days. Which goes with which method the core's `recipeFault` says. */
const Steep = quantity<Seconds>({ min: 5, max: 72 * 3600 });
const WindowBody = z
  .strictObject({ earliest: Steep, best: Steep, latest: Steep })
  .refine(
    (w) => w.earliest <= w.best && w.best <= w.latest,
    'Earliest, best and latest must come in that order.',
  );
const HandlingBody = z.strictObject({
  rinse: quantity<Seconds>({ min: 0, max: 60 }),
  stir: z
    .array(quantity<Seconds>({ min: 1, max: 72 * 3600 }))
    .max(10)
    .readonly(),
  circles: z.boolean(),
  root: z.number().min(0).max(0.5),
  squeeze: z.boolean(),
  milk: z.boolean(),
  order: oneOf<ServeOrder>(SERVE_ORDER_NAMES),
  own: z
    .array(
      z.strictObject({
        when: oneOf<OwnStepTime>(OWN_STEP_TIME_NAMES),
        at: quantity<Seconds>({ min: 0, max: 72 * 3600 }).nullable(),
        words: Text(OWN_STEP_LETTERS).min(1, 'Say what is done.'),
      }),
    )
    .max(OWN_STEPS_MOST)
    .readonly()
    .optional(),
}) satisfies z.ZodType<Handling>;
const Glass = z.strictObject({
  style: oneOf<ServingStyle>(SERVING_STYLE_NAMES),
  extract: quantity<Millilitres>({ min: 5, max: 1000 }),
  water: quantity<Millilitres>({ min: 0, max: 2000 }),
});
/** A spoon by its id: one of the trade's, or a house's own. */
export const SpoonId = z.string().min(1).max(36);
export const SpoonBody = z.strictObject({
  id: SpoonId,
  name: Name,
  plural: z.string(),
  ml: quantity<Millilitres>({ min: 0.5, max: 500 }),
  heaped: z.boolean(),
}) satisfies z.ZodType<Spoon>;
/** At most so many spoons to the water that a recipe names. */
const SPOONS_MOST = 100;
const SpoonDoseBody = z.strictObject({
  quarters: z
    .number()
    .int()
    .min(1)
    .max(4 * SPOONS_MOST),
  spoon: SpoonBody,
  water: quantity<Millilitres>({ min: 20, max: 20_000 }),
}) satisfies z.ZodType<SpoonDose>;
export const RecipeBody = z.strictObject({
  dose: quantity<GramsPer100Ml>({ min: 0.05, max: 20 }),
  spoons: SpoonDoseBody.nullable().optional(),
  scaling: z.discriminatedUnion('school', [
    z.strictObject({ school: z.literal('linear') }),
    z.strictObject({ school: z.literal('tapered'), small: KnownGood, large: KnownGood }),
    z.strictObject({ school: z.literal('match'), known: KnownPour }),
  ]),
  temperature: quantity<Celsius>({ min: 2, max: 100 }),
  window: WindowBody,
  warm: z.boolean(),
  lid: z.boolean(),
  later: z.array(WindowBody).max(12).readonly(),
  handling: HandlingBody,
  leeway: z
    .strictObject({
      time: quantity<Seconds>({ min: 0, max: 3600 }),
      leaf: quantity<Grams>({ min: 0, max: 50 }),
    })
    .nullable(),
  bag: quantity<Grams>({ min: 0.5, max: 100 }).nullable(),
  warmStart: z
    .strictObject({
      share: z.number().min(0.1).max(0.9),
      temperature: quantity<Celsius>({ min: 40, max: 100 }),
      time: quantity<Seconds>({ min: 10, max: 1800 }),
    })
    .nullable(),
  glasses: z.array(Glass).max(8).readonly(),
  note: Text(300),
  origin: Text(120),
}) satisfies z.ZodType<Recipe>;

export const VERSION_STATES = ['draft', 'trial', 'house', 'retired'] as const;
export const Version = z.strictObject({
  id: Id,
  teaId: Id,
  method: MethodName,
  number: z.number().int(),
  state: z.enum(VERSION_STATES),
  recipe: RecipeBody,
  reason: z.string(),
  author: Who,
  at: z.number(),
});
export type Version = z.infer<typeof Version>;

import { z } from 'zod';
import type { BrewPlan, PlannedWish } from '#core/brews';
import { CUPS_MOST, type CupsAsked, MILK_AMOUNTS, type Wish, WISH_STRENGTHS } from '#core/recipes';
import type { Celsius, Grams, GramsPer100Ml, Millilitres, Seconds } from '#core/units';
import { type BrewWater, HARDNESS } from '#core/water';
import { quantity } from './primitives';
import { RecipeBody } from './recipes';
import { MultipliersBody, SwatchesBody } from './teas';
import { VesselFields } from './vessels';

// What a brew is begun with: the guest's wish, and the card as it was worked out.

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

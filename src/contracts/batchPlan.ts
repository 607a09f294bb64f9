import { z } from 'zod';
import type { BatchPlan, ColdPlace, KeepingLimits } from '#core/cold';
import { type Method, METHOD_NAMES, SERVING_STYLE_NAMES, type ServingStyle } from '#core/recipes';
import type { Celsius, EpochMs, Grams, Millilitres, Seconds } from '#core/units';
import { oneOf, quantity } from './primitives';

export const Ml = quantity<Millilitres>({ min: 0, max: 20_000 });
export const Poured = quantity<Millilitres>({ min: 1, max: 20_000 });
const Time = quantity<Seconds>({ min: 0, max: 10 * 86_400 });
export const Heat = quantity<Celsius>({ min: -20, max: 100 });
export const At = quantity<EpochMs>({ min: 946_684_800_000, max: 4_102_444_800_000 });

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
export const Place = oneOf<ColdPlace>(['fridge', 'counter']);
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

import { z } from 'zod';
import { type Material, MATERIAL_NAMES } from '#core/heat';
import { INFUSER_KINDS, type InfuserKind } from '#core/vessels';
import { oneOf } from './primitives';
import { Style } from './recipes';
import { MultipliersBody } from './teas';

// What the questions of several drills have in common.

export const Figure = (min: number, max: number) => z.number().min(min).max(max);
export const Level = z.union([
  z.literal(1),
  z.literal(2),
  z.literal(3),
  z.literal(4),
  z.literal(5),
]);
export const Name = z.string().max(120);
export const Water = Figure(10, 20_000);
export const Seconds = Figure(1, 86_400);
export const DrillCup = z.strictObject({
  tea: z.string().max(120),
  vessel: z.string().max(120),
  style: Style,
  fitted: MultipliersBody.nullable(),
  leafGrams: Figure(0.1, 500),
  waterMl: Figure(10, 20_000),
  temperatureC: Figure(20, 100),
  seconds: Figure(5, 7200),
  warm: z.boolean(),
  lid: z.boolean(),
  material: oneOf<Material>(MATERIAL_NAMES),
  capacityMl: Figure(10, 20_000),
  infuser: oneOf<InfuserKind>(INFUSER_KINDS),
  basketMl: Figure(1, 20_000).nullable(),
  ambientC: Figure(-10, 50),
  boilingC: Figure(60, 101),
  pourLoss: Figure(0, 0.5),
});

/** A question of a drill with its answer. */
export const taskBody = <D extends string, G extends z.ZodType, A extends z.ZodType>(
  drill: D,
  given: G,
  answer: A,
) => z.strictObject({ drill: z.literal(drill), given, answer });

import { z } from 'zod';
import { type Material, MATERIAL_NAMES } from '#core/heat';
import type { Celsius, Millilitres, Seconds } from '#core/units';
import { endpoint } from './endpoint';
import { Id, Instant, Name, oneOf, quantity, Text, Who } from './primitives';
import { SpoonBody } from './recipes';
import { ROUTES } from './routes';

export const SpoonFields = z.strictObject({
  name: Name,
  ml: quantity<Millilitres>({ min: 0.5, max: 500 }),
  heaped: z.boolean(),
});
export const HouseSpoon = SpoonBody.extend({
  rev: z.number().int(),
  retired: z.boolean(),
  own: z.boolean(),
});
export type HouseSpoon = z.infer<typeof HouseSpoon>;
/** The trade's spoons and the house's own. */
export const listSpoons = endpoint(ROUTES.listSpoons, {
  response: z.strictObject({ spoons: z.array(HouseSpoon) }),
});
export const addSpoon = endpoint(ROUTES.addSpoon, {
  body: SpoonFields.extend({ id: Id }),
  response: HouseSpoon,
});
export const changeSpoon = endpoint(ROUTES.changeSpoon, {
  params: z.strictObject({ id: Id }),
  body: SpoonFields.extend({ rev: z.number().int(), retired: z.boolean() }),
  response: HouseSpoon,
});

export const KETTLE_KINDS = ['kettle', 'urn', 'jug'] as const;
const Heat = quantity<Celsius>({ min: 0, max: 102 });
export const KettleFields = z.strictObject({
  name: Name,
  kind: z.enum(KETTLE_KINDS),
  volume: quantity<Millilitres>({ min: 200, max: 40_000 }),
  material: oneOf<Material>(MATERIAL_NAMES),
  lid: z.boolean(),
  /** The heats it can be set to; null when it only boils. */
  setPoints: z.strictObject({ from: Heat, to: Heat, step: z.number().min(0.5).max(20) }).nullable(),
  note: Text(200),
});
export type KettleFields = z.infer<typeof KettleFields>;
export const KettleReading = z.strictObject({
  id: Id,
  kind: z.enum(['cooling', 'poured']),
  boil: Id,
  seconds: quantity<Seconds>({ min: 0, max: 14_400 }),
  celsius: Heat,
  kettleCelsius: Heat.nullable(),
  water: quantity<Millilitres>({ min: 50, max: 40_000 }),
  ambient: quantity<Celsius>({ min: -5, max: 45 }),
  simulated: z.boolean(),
});
export type KettleReading = z.infer<typeof KettleReading>;
export const Kettle = KettleFields.extend({
  id: Id,
  siteId: Id,
  rev: z.number().int(),
  retired: z.boolean(),
  readings: z.array(KettleReading.extend({ at: z.number(), by: Who })),
});
export type Kettle = z.infer<typeof Kettle>;
export const listKettles = endpoint(ROUTES.listKettles, {
  response: z.strictObject({ kettles: z.array(Kettle) }),
});
export const addKettle = endpoint(ROUTES.addKettle, {
  body: KettleFields.extend({ id: Id, siteId: Id }),
  response: Kettle,
});
export const changeKettle = endpoint(ROUTES.changeKettle, {
  params: z.strictObject({ id: Id }),
  body: KettleFields.extend({ rev: z.number().int(), retired: z.boolean() }),
  response: Kettle,
});
/** One thermometer reading; a repeated id gets the same answer. */
export const addReading = endpoint(ROUTES.addReading, {
  params: z.strictObject({ id: Id }),
  body: KettleReading.extend({ at: Instant }),
  response: Kettle,
});
export const dropReading = endpoint(ROUTES.dropReading, {
  params: z.strictObject({ id: Id, reading: Id }),
  response: Kettle,
});

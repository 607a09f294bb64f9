import { z } from 'zod';
import { type Material, MATERIAL_NAMES } from '#core/heat';
import type { Celsius, Grams, Millilitres, Millimetres } from '#core/units';
import { INFUSER_KINDS, type InfuserKind, VESSEL_KINDS, type VesselKind } from '#core/vessels';
import { endpoint } from './endpoint';
import { Id, Name, oneOf, quantity } from './primitives';
import { ROUTES } from './routes';

const Weight = quantity<Grams>({ min: 1, max: 40_000 });
export const VesselFields = z.strictObject({
  name: Name,
  kind: oneOf<VesselKind>(VESSEL_KINDS),
  brim: quantity<Millilitres>({ min: 30, max: 20_000 }),
  mark: quantity<Millilitres>({ min: 20, max: 20_000 }),
  infuser: oneOf<InfuserKind>(INFUSER_KINDS),
  basket: quantity<Millilitres>({ min: 5, max: 20_000 }).nullable(),
  material: oneOf<Material>(MATERIAL_NAMES),
  wallGrams: quantity<Grams>({ min: 5, max: 20_000 }).nullable(),
  lid: z.boolean(),
  cosy: z.boolean(),
  /** Whether leaf is lifted out, or stays behind a strainer while it is poured off. */
  strainer: z.enum(['liftsOut', 'staysIn']),
  /** Stays in the vessel when it is poured empty. */
  dead: quantity<Millilitres>({ min: 0, max: 2000 }),
  /** The least that covers the leaf, where it was measured. */
  covers: quantity<Millilitres>({ min: 5, max: 20_000 }).nullable(),
  basketDepth: quantity<Millimetres>({ min: 5, max: 500 }).nullable(),
  /** Weighed once: empty, to the mark, to the brim, with water so warm. */
  weighed: z
    .strictObject({
      empty: Weight,
      toMark: Weight.nullable(),
      toBrim: Weight.nullable(),
      water: quantity<Celsius>({ min: 0, max: 100 }),
    })
    .nullable(),
});
export type VesselFields = z.infer<typeof VesselFields>;
export const Vessel = VesselFields.extend({
  id: Id,
  siteId: Id,
  rev: z.number().int(),
  retired: z.boolean(),
});
export type Vessel = z.infer<typeof Vessel>;

/** Every vessel of every site; the shelf shows the site's own. */
export const listVessels = endpoint(ROUTES.listVessels, {
  response: z.strictObject({ vessels: z.array(Vessel) }),
});
export const addVessel = endpoint(ROUTES.addVessel, {
  body: VesselFields.extend({ id: Id, siteId: Id }),
  response: Vessel,
});
export const changeVessel = endpoint(ROUTES.changeVessel, {
  params: z.strictObject({ id: Id }),
  body: VesselFields.extend({ rev: z.number().int(), retired: z.boolean() }),
  response: Vessel,
});

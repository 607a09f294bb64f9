import { z } from 'zod';
import { MATERIAL_NAMES, type Material } from '#core/heat';
import { INFUSER_KINDS, VESSEL_KINDS, type InfuserKind, type VesselKind } from '#core/vessels';
import type { Grams, Millilitres } from '#core/units';
import { endpoint } from './endpoint';
import { Id, Name, quantity } from './primitives';

export const VesselFields = z.strictObject({
  name: Name,
  kind: z.enum(VESSEL_KINDS as readonly [VesselKind, ...VesselKind[]]),
  brim: quantity<Millilitres>({ min: 30, max: 20_000 }),
  mark: quantity<Millilitres>({ min: 20, max: 20_000 }),
  infuser: z.enum(INFUSER_KINDS as readonly [InfuserKind, ...InfuserKind[]]),
  basket: quantity<Millilitres>({ min: 5, max: 20_000 }).nullable(),
  material: z.enum(MATERIAL_NAMES as readonly [Material, ...Material[]]),
  wallGrams: quantity<Grams>({ min: 5, max: 20_000 }).nullable(),
  lid: z.boolean(),
});
export type VesselFields = z.infer<typeof VesselFields>;
/** What no single field can tell: named by the field to mend. */
export function vesselFaults(v: Pick<VesselFields, 'brim' | 'mark' | 'basket'>): Record<string, string> {
  const faults: Record<string, string> = {};
  if (v.mark > v.brim) faults.mark = `The mark cannot stand over the brim, ${v.brim} ml.`;
  if (v.basket !== null && v.basket > v.brim) faults.basket = `A basket cannot hold more than the vessel, ${v.brim} ml.`;
  return faults;
}
export const Vessel = VesselFields.extend({ id: Id, siteId: Id, rev: z.number().int(), retired: z.boolean() });
export type Vessel = z.infer<typeof Vessel>;

/** Every vessel of every site; the shelf shows the site's own. */
export const listVessels = endpoint({ method: 'GET', path: '/api/vessels', access: 'trainee', response: z.strictObject({ vessels: z.array(Vessel) }) });
export const addVessel = endpoint({ method: 'POST', path: '/api/vessels', access: 'lead', body: VesselFields.extend({ id: Id, siteId: Id }), response: Vessel });
export const changeVessel = endpoint({
  method: 'PATCH', path: '/api/vessels/:id', access: 'lead', params: z.strictObject({ id: Id }),
  body: VesselFields.extend({ rev: z.number().int(), retired: z.boolean() }), response: Vessel,
});

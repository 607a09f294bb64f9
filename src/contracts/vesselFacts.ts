import type { Vessel, VesselFields } from './vessels';

/** What is brewed in: a vessel of the shelf, or one that is not on it and has no record. */
export type BrewedVessel = VesselFields &
  Partial<Pick<Vessel, 'siteId' | 'rev' | 'retired'>> & { readonly id: string | null };

// Without the schemas: the bar's first page needs this and not those.

/** What a vessel is, without which record of which site it is. */
export const vesselFactsOf = ({
  id: _id,
  siteId: _siteId,
  rev: _rev,
  retired: _retired,
  ...fields
}: Vessel | BrewedVessel): VesselFields => fields;

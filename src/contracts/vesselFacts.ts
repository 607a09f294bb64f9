import type { Vessel, VesselFields } from './vessels';

// Without the schemas: the bar's first page needs this and not those.

/** What a vessel is, without which record of which site it is. */
export const vesselFactsOf = ({
  id: _id,
  siteId: _siteId,
  rev: _rev,
  retired: _retired,
  ...fields
}: Vessel): VesselFields => fields;

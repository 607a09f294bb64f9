import type { Method } from './recipe';
import type { VesselKind } from '#core/vessels';

const METHOD_OF_KIND: Readonly<Record<VesselKind, Method>> = {
  pot: 'pot', mug: 'infuserCup', release: 'release', lidded: 'liddedCup', tasting: 'tastingSet', pitcher: 'pot',
};
/** The method a kind of vessel is brewed by: what is done at the pull follows from the vessel, not from the tea. */
export const methodFor = (kind: VesselKind): Method => METHOD_OF_KIND[kind];

import type { InfuserKind, VesselKind } from '#core/vessels';
import type { Method } from './recipe';

type HotMethod = Exclude<Method, 'fridge' | 'counter' | 'extract' | 'warmThenCold'>;
const METHOD_OF_KIND: Readonly<Record<VesselKind, HotMethod>> = {
  pot: 'pot',
  mug: 'infuserCup',
  release: 'release',
  lidded: 'liddedCup',
  tasting: 'tastingSet',
  pitcher: 'pot',
};
/** The hot method a vessel is brewed by: what is done at the pull follows from the vessel, not from the tea. */
export const methodFor = (vessel: {
  readonly kind: VesselKind;
  readonly infuser: InfuserKind;
}): HotMethod =>
  vessel.infuser === 'flatbag' || vessel.infuser === 'tetra' ? 'bag' : METHOD_OF_KIND[vessel.kind];

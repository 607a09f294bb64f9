import {
  type Grams,
  type Millilitres,
  millilitres,
  type Millimetres,
  millimetres,
} from '#core/units';
import { type SolvedVessel, solveVessel, type VesselKind } from './profile';

/** A basket hung in its vessel: half-width, and where its floor stands over the vessel's. */
export type BasketShape = {
  readonly halfWidth: Millimetres;
  readonly floor: Millimetres;
  readonly depth: Millimetres;
};

/** Height of a release steeper's inner floor, as a share of the whole. */
export const RELEASE_FLOOR = 0.13;

/**
 * The basket's shape from its volume: width follows the vessel, depth the volume, never nearer than 5 mm to the
 * floor.
 */
export function basketShape(v: SolvedVessel, basket: Millilitres): BasketShape {
  if (v.kind === 'release') {
    const floor = v.height * RELEASE_FLOOR;
    return {
      halfWidth: v.radiusAt(millimetres(floor)),
      floor: millimetres(floor),
      depth: millimetres(v.height - floor),
    };
  }
  const half: Record<Exclude<VesselKind, 'release'>, number> = {
    pot: v.mouth * 0.86,
    pitcher: v.radius * 0.42,
    mug: v.radiusAt(millimetres(v.height * 0.6)) * 0.78,
    lidded: v.mouth * 0.8,
    tasting: v.mouth * 0.8,
  };
  const halfWidth = half[v.kind];
  const depth = Math.min((basket * 1000) / (Math.PI * halfWidth ** 2), v.height - 5);
  return {
    halfWidth: millimetres(halfWidth),
    floor: millimetres(v.height - depth),
    depth: millimetres(depth),
  };
}

/**
 * The least water that covers opened leaf: in a hung basket the leaf stands clear of the floor, loose leaf lies on it.
 * `swell` in ml of opened leaf per gram.
 */
export function coveringVolume(
  kind: VesselKind,
  brim: Millilitres,
  basket: Millilitres | null,
  leaf: Grams,
  swell: number,
): Millilitres {
  const bed = leaf * swell;
  if (basket === null) return millilitres(Math.min(brim, bed));
  const solved = solveVessel(kind, brim);
  const shape = basketShape(solved, basket);
  const height = Math.min(shape.depth, (bed * 1000) / (Math.PI * shape.halfWidth ** 2));
  return solved.volumeBelow(millimetres(shape.floor + height));
}

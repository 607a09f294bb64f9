import type { Material } from '#core/heat';
import { type Millilitres, millilitres } from '#core/units';
import type { InfuserKind } from './fill';
import type { VesselKind } from './profile';

/** What somebody says of a pot that is not on the shelf. */
export type TypedPot = {
  readonly kind: Extract<VesselKind, 'pot' | 'mug' | 'lidded'>;
  /** What it holds to the brim. */
  readonly holds: Millilitres;
  readonly material: Material;
  readonly infuser: InfuserKind;
  readonly strainer: 'liftsOut' | 'staysIn';
};

/** A vessel is filled to about this share of what it holds (from memory). */
export const MARK_SHARE = 0.85;

/**
 * A pot that is not on the shelf, as a vessel: what was not said is as usual for its kind. The same facts on the shelf
 * give the same card.
 * @param name what it is called on bar and card
 */
export const vesselOfTyped = (
  { kind, holds, material, infuser, strainer }: TypedPot,
  name: string,
) => ({
  ...{ name, kind, material, infuser, strainer },
  brim: holds,
  mark: millilitres(Math.round(MARK_SHARE * holds)),
  basket: null,
  wallGrams: null,
  lid: kind !== 'mug',
  cosy: false,
  dead: millilitres(0),
  covers: null,
  basketDepth: null,
  weighed: null,
});

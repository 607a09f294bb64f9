import { type Grams, grams, type GramsPer100Ml, type Millilitres } from '#core/units';
import type { VesselFacts } from '#core/vessels';

/** A vessel whose leaf is known to be right. */
export type KnownGood = { readonly water: Millilitres; readonly leaf: Grams };

/** The pour a cup is matched to: water, leaf, and what holds them. */
export type KnownPour = KnownGood & Pick<VesselFacts, 'infuser' | 'basket' | 'material' | 'lid'>;

/** Leaf by water alone: in step with it, or by less in bigger pots from two known-good vessels. */
export type PlainScaling =
  | { readonly school: 'linear' }
  | { readonly school: 'tapered'; readonly small: KnownGood; readonly large: KnownGood };
/** How leaf follows the vessel: by water alone, or so that the model's cup equals a known one. */
export type Scaling = PlainScaling | { readonly school: 'match'; readonly known: KnownPour };
export type School = Scaling['school'];
export const SCHOOL_WORDS: Readonly<Record<School, string>> = {
  linear: 'in step with the water',
  tapered: 'tapered between two known-good vessels',
  match: 'matched to a known cup',
};

/**
 * Exponent of the taper through two known-good vessels: ln(m2/m1)/ln(V2/V1).
 * @throws {RangeError} when the two hold the same water, or nothing.
 */
export function taperExponent(a: KnownGood, b: KnownGood): number {
  const e = Math.log(b.leaf / a.leaf) / Math.log(b.water / a.water);
  if (!Number.isFinite(e))
    throw new RangeError('a taper needs two vessels of different water, with leaf');
  return e;
}

/**
 * Leaf for a pour. Linear: dose x water. Tapered: m1 (V/V1)^b through the two known-good vessels.
 * @throws {RangeError} unless water and dose are positive.
 * @example leafFor(millilitres(500), gramsPer100Ml(1.2), { school: 'linear' }) // 6 g
 */
export function leafFor(water: Millilitres, dose: GramsPer100Ml, scaling: PlainScaling): Grams {
  if (!(water > 0) || !(dose > 0)) throw new RangeError('leaf needs water and a dose');
  if (scaling.school === 'linear') return grams((water * dose) / 100);
  return grams(
    scaling.small.leaf *
      (water / scaling.small.water) ** taperExponent(scaling.small, scaling.large),
  );
}

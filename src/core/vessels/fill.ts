import type { Material } from '#core/heat';
import { type Grams, grams, type Millilitres, millilitres } from '#core/units';
import { coveringVolume } from './basket';
import type { VesselKind } from './profile';

/** What holds the leaf: contact against loose leaf, and its usual volume. Both are guesses from memory. */
export const INFUSERS = {
  free: { label: 'loose leaf', contact: 1, basketMl: null },
  deep: { label: 'deep basket', contact: 0.95, basketMl: 250 },
  shallow: { label: 'shallow basket', contact: 0.85, basketMl: 90 },
  ball: { label: 'small ball', contact: 0.75, basketMl: 30 },
  flatbag: { label: 'flat bag', contact: 0.8, basketMl: 14 },
  tetra: { label: 'tetrahedral bag', contact: 0.92, basketMl: 28 },
} as const;
export type InfuserKind = keyof typeof INFUSERS;
export const INFUSER_KINDS = Object.keys(INFUSERS) as readonly InfuserKind[];

/** What of a vessel the working needs. */
export type VesselFacts = {
  readonly kind: VesselKind;
  readonly brim: Millilitres;
  readonly mark: Millilitres;
  readonly infuser: InfuserKind;
  /** The vessel's own basket, when measured. */
  readonly basket: Millilitres | null;
  readonly material: Material;
  readonly wallGrams: Grams | null;
  readonly lid: boolean;
  /** Whether what holds the leaf comes out of it; unsaid: it does. */
  readonly strainer?: 'liftsOut' | 'staysIn';
  readonly cosy?: boolean;
  /** What stays in it when it is poured empty. */
  readonly dead?: Millilitres;
  /** The least that covers its leaf, where that was measured; else it is worked out. */
  readonly covers?: Millilitres | null;
};

export type FillFault =
  | { readonly kind: 'overBrim'; readonly brim: Millilitres }
  | { readonly kind: 'belowBasket'; readonly least: Millilitres };

/** The least that covers so much opened leaf: as measured, else worked out. `swell` in ml/g. */
export function leastToCover(v: VesselFacts, leaf: Grams, swell: number): Millilitres {
  const hung = v.infuser === 'deep' || v.infuser === 'shallow';
  return (
    v.covers ??
    coveringVolume(
      v.kind,
      v.brim,
      hung || v.kind === 'release' ? basketVolume(v) : null,
      leaf,
      swell,
    )
  );
}

/** Null when so much water can be poured over so much leaf; else what is wrong with it. `swell` in ml/g. */
export function fillFault(
  v: VesselFacts,
  water: Millilitres,
  leaf: Grams,
  swell: number,
): FillFault | null {
  if (water > v.brim) return { kind: 'overBrim', brim: v.brim };
  const least = leastToCover(v, leaf, swell);
  return water < least ? { kind: 'belowBasket', least } : null;
}

/** Water that stays in drained leaf, at most all of it. `held` in ml/g. */
export const heldWater = (leaf: Grams, held: number, water: Millilitres): Millilitres =>
  millilitres(Math.min(water, held * leaf));

/**
 * Liquor that pours off: the water less what the leaf keeps and what stays in the vessel. @example
 * liquorYield(millilitres(500), grams(6), 3) // 482 ml
 */
export const liquorYield = (
  water: Millilitres,
  leaf: Grams,
  held: number,
  dead: Millilitres = millilitres(0),
): Millilitres => millilitres(Math.max(0, water - heldWater(leaf, held, water) - dead));

/** The basket's volume: the vessel's own when measured, else the infuser's usual one; null when leaf is free. */
export function basketVolume(v: VesselFacts): Millilitres | null {
  if (v.basket !== null) return v.basket;
  const usual = INFUSERS[v.infuser].basketMl;
  return usual === null ? null : millilitres(usual);
}

/** Opened leaf against its basket: over 1 it cannot open. Null when free. `swell` in ml/g. */
export function basketCrowding(v: VesselFacts, leaf: Grams, swell: number): number | null {
  const volume = basketVolume(v);
  return volume === null ? null : (leaf * swell) / volume;
}

/** Most leaf that opens freely in the basket; null when free. */
export function mostLeaf(v: VesselFacts, swell: number): Grams | null {
  const volume = basketVolume(v);
  return volume === null ? null : grams(volume / swell);
}

import { type Grams, grams, type GramsPerMl, type Spoon } from '#core/units';

/** A house's own weighing: so many spoons of this tea weighed so much; `singles` when each was weighed by itself. */
export type Weighing = {
  readonly spoon: Spoon;
  readonly spoons: number;
  readonly weighed: Grams;
  readonly singles: readonly Grams[];
};

/** Bulk density of the tea as spooned. @throws {RangeError} unless both are positive. */
export function densityOf(w: Weighing): GramsPerMl {
  if (!(w.spoons > 0) || !(w.weighed > 0))
    throw new RangeError('a weighing needs spoons and grams');
  return (w.weighed / (w.spoons * w.spoon.ml)) as GramsPerMl;
}

/** Grams one level spoon of this tea holds. */
export const gramsPerSpoon = (density: GramsPerMl, spoon: Spoon): Grams =>
  grams(density * spoon.ml);

export type SpoonCount = {
  readonly spoon: Spoon;
  /** In quarters of a spoon; at least one quarter. */
  readonly quarters: number;
  readonly perSpoon: Grams;
  readonly total: Grams;
  /** Share by which the spoons miss the wanted grams; positive is too much leaf. */
  readonly error: number;
};

/**
 * Spoons for so much leaf through this tea's own weighed density, to the nearest quarter spoon.
 * @throws {RangeError} unless the leaf is positive.
 */
export function spoonsFor(leaf: Grams, density: GramsPerMl, spoon: Spoon): SpoonCount {
  if (!(leaf > 0)) throw new RangeError('no leaf to spoon');
  const perSpoon = gramsPerSpoon(density, spoon);
  const quarters = Math.max(1, Math.round((4 * leaf) / perSpoon));
  const total = grams((quarters / 4) * perSpoon);
  return { spoon, quarters, perSpoon, total, error: total / leaf - 1 };
}

const FRACTION = ['', '¼', '½', '¾'] as const;
/** "3½", "¾". */
export const quartersText = (quarters: number): string =>
  `${Math.floor(quarters / 4) || (quarters % 4 ? '' : 0)}${FRACTION[quarters % 4] ?? ''}`;

/** "level tablespoon", "heaped scoops": as so many quarters of it are called. */
export const spoonName = (spoon: Spoon, quarters: number): string =>
  `${spoon.heaped ? 'heaped' : 'level'} ${quarters > 4 ? spoon.plural : spoon.name}`;
/** "3½ level dessert spoons". */
export const spoonsText = ({ spoon, quarters }: Pick<SpoonCount, 'spoon' | 'quarters'>): string =>
  `${quartersText(quarters)} ${spoonName(spoon, quarters)}`;

/** "2 bags". */
export const bagsText = (n: number): string => (n === 1 ? '1 bag' : `${n} bags`);

/** What a spoon rounding does to the cup, in words; below 3 % nothing anyone tastes (common practice). */
export function roundingWords(error: number): string {
  const size = Math.abs(error);
  if (size < 0.03) return 'the same cup';
  const way = error > 0 ? 'stronger' : 'lighter';
  if (size < 0.08) return `a touch ${way}`;
  if (size < 0.15) return way;
  return `clearly ${way}`;
}

import { MILK_AMOUNTS, MILK_SHARES, type MilkAmount, type ServingStyle } from '#core/recipes';

// What one cup of a comparison has of its own, where no figure says it.

export type CupDifference =
  | { readonly of: 'lid'; readonly on: boolean }
  | { readonly of: 'warming'; readonly on: boolean }
  | { readonly of: 'milk'; readonly milk: MilkAmount }
  /** Of one extract, with water of this kind. */
  | { readonly of: 'glass'; readonly glass: ServingStyle }
  /** The model knows nothing of these: they are named. */
  | { readonly of: 'water' | 'lot' | 'tea'; readonly name: string };
export type DifferenceOf = CupDifference['of'];
export const DIFFERENCES = [
  'lid',
  'warming',
  'milk',
  'glass',
  'water',
  'lot',
  'tea',
] as const satisfies readonly DifferenceOf[];
/** A name is no longer than this. */
export const LONGEST_NAME = 60;

/** Waters that a table compares (common practice): as they come, filtered, boiled more than once, from a bottle. */
export const TASTED_WATERS = ['filtered', 'from the tap', 'boiled again', 'from a bottle'] as const;
/** The waters an extract is served with, the coldest last. */
export const EXTRACT_GLASSES: readonly ServingStyle[] = ['hot', 'room', 'sparkling', 'chilled'];

const GLASS_WORDS: Readonly<Record<ServingStyle, string>> = {
  hot: 'hot water',
  room: 'water at room temperature',
  sparkling: 'sparkling water',
  chilled: 'chilled water',
};
const MILK_WORDS: Readonly<Record<MilkAmount, string>> = {
  none: 'without milk',
  splash: 'a splash of milk',
  tenth: 'a tenth of milk',
  fifth: 'a fifth of milk',
};
/** @example differenceName({ of: 'lid', on: false }) // 'lid off' */
export function differenceName(made: CupDifference): string {
  switch (made.of) {
    case 'lid':
      return made.on ? 'lid on' : 'lid off';
    case 'warming':
      return made.on ? 'vessel warmed' : 'vessel not warmed';
    case 'milk':
      return MILK_WORDS[made.milk];
    case 'glass':
      return GLASS_WORDS[made.glass];
    case 'water':
    case 'lot':
    case 'tea':
      return made.name;
  }
}
/** Milk in a cup, ml per ml of liquor. */
export const milkShareOf = (made: CupDifference | undefined): number =>
  made?.of === 'milk' ? MILK_SHARES[made.milk] : 0;

/**
 * Whether a cup says something of its tea's own leaf in the usual water: a fit takes no other. Another tea or lot, another
 * water, milk and an extract in the glass say nothing of that.
 */
export const saysOfLeaf = (made: CupDifference | undefined): boolean =>
  made === undefined || made.of === 'lid' || made.of === 'warming';

/** The differences a comparison begins with; `named` are the lots or teas there are. */
export function differencesFor(
  of: DifferenceOf,
  count: number,
  named: readonly string[],
): CupDifference[] {
  switch (of) {
    case 'lid':
    case 'warming':
      return [true, false].map((on) => ({ of, on }));
    case 'milk':
      return MILK_AMOUNTS.slice(0, count).map((milk) => ({ of, milk }));
    case 'glass':
      return EXTRACT_GLASSES.slice(0, count).map((glass) => ({ of, glass }));
    case 'water':
      return TASTED_WATERS.slice(0, count).map((name) => ({ of, name }));
    case 'lot':
    case 'tea':
      return Array.from({ length: count }, (_, i) => ({ of, name: named[i] ?? '' }));
  }
}

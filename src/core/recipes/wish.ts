import { type Millilitres, millilitres } from '#core/units';

// What a guest asks for: the house's cup a step lighter or stronger, or with milk. The house recipe is untouched.

/** Lighter, as the house has it, stronger: by steps of `WISH_STEP`. */
export const WISH_STRENGTHS = [-1, 0, 1] as const;
export type WishStrength = (typeof WISH_STRENGTHS)[number];
/** Milk in the cup: ml for each ml of liquor. The shares are common practice; a splash is from memory. */
export const MILK_SHARES = { none: 0, splash: 0.05, tenth: 0.1, fifth: 0.2 } as const;
export type MilkAmount = keyof typeof MILK_SHARES;
export const MILK_AMOUNTS = Object.keys(MILK_SHARES) as readonly MilkAmount[];
export type Wish = { readonly strength: WishStrength; readonly milk: MilkAmount };
/** As the house has it. */
export const NO_WISH: Wish = { strength: 0, milk: 'none' };
export const isWished = ({ strength, milk }: Wish): boolean => strength !== 0 || milk !== 'none';

/** What can be asked for, as it is read in a list. */
export const STRENGTH_WORDS: Readonly<Record<`${WishStrength}`, string>> = {
  '-1': 'lighter',
  '0': 'as the house has it',
  '1': 'stronger',
};
export const MILK_WORDS: Readonly<Record<MilkAmount, string>> = {
  none: 'no milk',
  splash: 'a splash of milk',
  tenth: 'a tenth of milk',
  fifth: 'a fifth of milk',
};
/**
 * A wish as it is said; empty as the house has it.
 * @example wishWords({ strength: 1, milk: 'splash' }) // 'stronger, a splash of milk'
 */
export const wishWords = ({ strength, milk }: Wish): string =>
  [strength !== 0 && STRENGTH_WORDS[`${strength}`], milk !== 'none' && MILK_WORDS[milk]]
    .filter(Boolean)
    .join(', ');
/**
 * Milk for so much liquor, whole ml.
 * @example milkFor('tenth', millilitres(480)) // 48
 */
export const milkFor = (milk: MilkAmount, liquor: Millilitres): Millilitres =>
  millilitres(Math.round(MILK_SHARES[milk] * liquor));

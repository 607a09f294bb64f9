import type { Millilitres } from '#core/units';

export type CupsAsked = { readonly count: number; readonly each: Millilitres };
/** Cups of one pot: more would be poured one after another all the same. */
export const CUPS_MOST = 12;

/**
 * Cups as they are said.
 * @example cupsWords({ count: 4, each: millilitres(240) }, '240 ml') // '4 cups of 240 ml'
 */
export const cupsWords = ({ count }: Pick<CupsAsked, 'count'>, each: string): string =>
  `${count} ${count === 1 ? 'cup' : 'cups'} of ${each}`;

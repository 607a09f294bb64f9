import { roundingWords } from '#core/recipes';
import { numberText } from '#core/units';
import type { Figure } from './figures';

// What several figure drills say alike.

export const g = (value: number, digits = 1): string => `${numberText(value, digits)} g`;
export const ml = (value: number): string => `${Math.round(value)} ml`;
/** The end of a rule from 0: beyond every figure that a mistake comes to, in whole tens of steps. */
export const ruleEnd = ({ shown, mistakes }: Figure, by: number): number =>
  by * Math.ceil((1.1 * Math.max(shown, ...mistakes.map((m) => m.value))) / by);

/**
 * What a figure that is so far off does to the cup.
 * @example leafInCup(12, 10) // "20 % more leaf: the cup is clearly stronger."
 */
export function leafInCup(value: number, truth: number): string {
  const error = value / truth - 1;
  const share = Math.round(Math.abs(error) * 100);
  if (share === 0) return 'That is the leaf of the recipe.';
  const words = roundingWords(error);
  const cup = words === 'the same cup' ? 'the cup is the same' : `the cup is ${words}`;
  return `${share} % ${error > 0 ? 'more' : 'less'} leaf: ${cup}.`;
}

import type { Trait } from '#core/teas';

// What is seen and said of a judged cup beside its marks: how clear it is, words for the cup, words for the infused leaf.

export const CLARITIES = ['clear', 'hazy', 'cloudy'] as const;
export type Clarity = (typeof CLARITIES)[number];
/** Of one cup; `clarity` null: nobody looked. */
export type Observed = {
  readonly clarity: Clarity | null;
  readonly words: readonly string[];
  readonly leaf: readonly string[];
};
export const NOTHING_OBSERVED: Observed = { clarity: null, words: [], leaf: [] };
/** So many words for a cup, and for its leaf, and no more. */
export const MOST_WORDS = 12;
export const isNothing = ({ clarity, words, leaf }: Observed): boolean =>
  clarity === null && words.length === 0 && leaf.length === 0;

/**
 * One line: clarity, then words of the cup, then of the infused leaf.
 * @example observedWords({ clarity: 'hazy', words: ['malty'], leaf: ['even'] }) // 'hazy; malty; leaf even'
 */
export const observedWords = ({ clarity, words, leaf }: Observed): string =>
  [clarity ?? '', words.join(', '), leaf.length > 0 ? `leaf ${leaf.join(', ')}` : '']
    .filter(Boolean)
    .join('; ');

/**
 * The terms a cup is found by in the log, small letters, each once.
 * @example observedTerms({ clarity: 'hazy', words: ['Malty'], leaf: ['even'] }) // ['hazy', 'malty', 'leaf: even']
 */
export const observedTerms = ({ clarity, words, leaf }: Observed): string[] => [
  ...new Set(
    [...(clarity ? [clarity] : []), ...words, ...leaf.map((word) => `leaf: ${word}`)].map((term) =>
      term.toLowerCase(),
    ),
  ),
];

/**
 * What a clarity says of a tea; null: nothing beyond itself. Powder-dusted leaf makes a cloudy cup (common practice);
 * hard water and strong liquor that cools make a hazy one (from memory).
 */
export function clarityAdvice(clarity: Clarity | null, traits: readonly Trait[]): string | null {
  if (clarity === null) return null;
  if (traits.includes('dusted'))
    return clarity === 'cloudy'
      ? 'Cloudy is right for powder-dusted leaf.'
      : 'Powder-dusted leaf usually makes a cloudy cup: shake the packet, the powder sinks.';
  return clarity === 'clear'
    ? null
    : 'Hard water, dust from the bottom of the packet, or a strong liquor that cools down makes a cup hazy. Check the water first.';
}
/** 0 clear, 1 hazy, 2 cloudy: as it is drawn over time. */
export const clarityLevel = (clarity: Clarity): number => CLARITIES.indexOf(clarity);

import type { Taste } from './taste';

/** A difference in an index that is just noticeable: from memory. */
export const JUST_NOTICEABLE = 0.5;
/** Words for more and for less of each index, in the order they are said. */
const WORDS = [
  ['colour', 'darker', 'paler'],
  ['strength', 'stronger', 'lighter'],
  ['bitterness', 'more bitter', 'less bitter'],
  ['astringency', 'drier', 'smoother'],
  ['sweetness', 'sweeter', 'less sweet'],
  ['aroma', 'more fragrant', 'fainter'],
  ['stewed', 'more stewed', 'fresher'],
] as const;

/** How one cup differs from another, in words, only where it would be noticed. @example differenceWords({ strength: 5 }, { strength: 5 }) // [] */
export const differenceWords = (cup: Taste, than: Taste): string[] =>
  WORDS.flatMap(([of, more, less]) => {
    const by = cup[of] - than[of];
    if (by >= JUST_NOTICEABLE) return [more];
    if (by <= -JUST_NOTICEABLE) return [less];
    return [];
  });

import { type Millilitres, ML_PER } from '#core/units';
import { CAFFEINE_SPREAD } from './maps';
import type { Taste } from './taste';

/** What is said of one index: the word up to and not including each bound. First drafts of common practice. */
const LADDERS: Readonly<
  Record<
    'strength' | 'bitterness' | 'astringency' | 'sweetness' | 'aroma' | 'stewed',
    readonly (readonly [number, string])[]
  >
> = {
  strength: [
    [2, 'watery'],
    [3.3, 'light'],
    [5, 'mellow'],
    [6.2, 'full'],
    [7.4, 'strong'],
    [11, 'heavy'],
  ],
  bitterness: [
    [1, 'no bitterness'],
    [2.2, 'hardly bitter'],
    [3.9, 'a hint of bite'],
    [4.4, 'bitter'],
    [11, 'intensely bitter'],
  ],
  astringency: [
    [1.2, 'smooth'],
    [2.4, 'hardly dry'],
    [4.2, 'brisk'],
    [4.8, 'dry'],
    [11, 'puckering'],
  ],
  sweetness: [
    [1.5, 'not sweet'],
    [3, 'a little sweet'],
    [4.6, 'sweet'],
    [11, 'very sweet'],
  ],
  aroma: [
    [2, 'flat'],
    [4, 'faint'],
    [6.2, 'clear'],
    [11, 'fragrant'],
  ],
  stewed: [
    [1.2, 'fresh'],
    [2.6, 'a little stewed'],
    [11, 'stewed'],
  ],
};
/** The house's word for one index. @example tasteWord('bitterness', 3) // 'a hint of bite' */
export const tasteWord = (of: keyof typeof LADDERS, index: number): string =>
  LADDERS[of].find(([below]) => index < below)?.[1] ?? '';
/** Where bitterness begins to be a hint of bite, and to be intense. */
export const BITE_BEGINS = 2.2;
export const BITE_INTENSE = 4.4;

/** Caffeine is said to so many mg. */
const CAFFEINE_STEP = 5;
/** Liquor for more than this is a pot's, ml. */
const MORE_THAN_A_CUP = 225;
/**
 * What is said of caffeine, always as a rough range, and of what: the whole pour and a cup of it.
 * @param mg in the whole pour. @param liquor of the pour, ml.
 * @example caffeineWords(110, millilitres(480)) // 'Caffeine, rough: 65–155 mg in the pot, 20–50 mg a cup of 150 ml.'
 */
export function caffeineWords(mg: number, liquor: Millilitres): string {
  if (mg < 1) return 'No caffeine.';
  const range = (of: number) => {
    const [low, high] = [1 - CAFFEINE_SPREAD, 1 + CAFFEINE_SPREAD].map(
      (f) => CAFFEINE_STEP * Math.round((of * f) / CAFFEINE_STEP),
    );
    return `${low}–${high} mg`;
  };
  if (liquor <= MORE_THAN_A_CUP)
    return `Caffeine, rough: ${range(mg)} in this cup of ${Math.round(liquor)} ml.`;
  return `Caffeine, rough: ${range(mg)} in the pot, ${range((mg * ML_PER.teacup) / liquor)} a cup of ${ML_PER.teacup} ml.`;
}

/** A cup in one line: strength, bitterness when there is any, sweetness, stewing when there is any. */
export function cupWords(t: Taste): string {
  const words = [
    tasteWord('strength', t.strength),
    tasteWord('sweetness', t.sweetness),
    tasteWord('bitterness', t.bitterness),
  ];
  if (t.astringency >= 2.4) words.push(tasteWord('astringency', t.astringency));
  if (t.stewed >= 1.2) words.push(tasteWord('stewed', t.stewed));
  return words.join(', ');
}

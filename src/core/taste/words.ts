import { CAFFEINE_SPREAD } from './maps';
import type { Taste } from './taste';

/** What is said of one index: the word up to and not including each bound. First drafts of common practice. */
const LADDERS: Readonly<Record<'strength' | 'bitterness' | 'astringency' | 'sweetness' | 'aroma' | 'stewed', readonly (readonly [number, string])[]>> = {
  strength: [[2, 'watery'], [3.3, 'light'], [5, 'mellow'], [6.2, 'full'], [7.4, 'strong'], [11, 'heavy']],
  bitterness: [[1, 'no bitterness'], [2.2, 'hardly bitter'], [3.9, 'a hint of bite'], [4.4, 'bitter'], [11, 'intensely bitter']],
  astringency: [[1.2, 'smooth'], [2.4, 'hardly dry'], [4.2, 'brisk'], [4.8, 'dry'], [11, 'puckering']],
  sweetness: [[1.5, 'not sweet'], [3, 'a little sweet'], [4.6, 'sweet'], [11, 'very sweet']],
  aroma: [[2, 'flat'], [4, 'faint'], [6.2, 'clear'], [11, 'fragrant']],
  stewed: [[1.2, 'fresh'], [2.6, 'a little stewed'], [11, 'stewed']],
};
/** The house's word for one index. @example tasteWord('bitterness', 3) // 'a hint of bite' */
export const tasteWord = (of: keyof typeof LADDERS, index: number): string => LADDERS[of].find(([below]) => index < below)?.[1] ?? '';
/** Where bitterness begins to be a hint of bite, and to be intense. */
export const BITE_BEGINS = 2.2;
export const BITE_INTENSE = 4.4;

/** Caffeine is said to so many mg. */
const CAFFEINE_STEP = 5;
/** What is said of caffeine, always as a rough range. @example caffeineWords(50) // 'Caffeine about 30 to 70 mg, rough.' */
export function caffeineWords(mg: number): string {
  const [low, high] = [1 - CAFFEINE_SPREAD, 1 + CAFFEINE_SPREAD].map((f) => CAFFEINE_STEP * Math.round((mg * f) / CAFFEINE_STEP));
  return mg < 1 ? 'No caffeine.' : `Caffeine about ${low} to ${high} mg, rough.`;
}

/** A cup in one line: strength, bitterness when there is any, sweetness, stewing when there is any. */
export function cupWords(t: Taste): string {
  const words = [tasteWord('strength', t.strength), tasteWord('sweetness', t.sweetness), tasteWord('bitterness', t.bitterness)];
  if (t.astringency >= 2.4) words.push(tasteWord('astringency', t.astringency));
  if (t.stewed >= 1.2) words.push(tasteWord('stewed', t.stewed));
  return words.join(', ');
}

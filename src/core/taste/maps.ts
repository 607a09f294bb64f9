/** A Hill map from dose to index: half-way dose and steepness. */
export type HillMap = readonly [half: number, steepness: number];

/**
 * Intensity maps of Stevens/Hill form (from memory), fitted so that the cups of common practice fall in their bands.
 * Doses in g/L (aroma mg/L). Indices run 0..10 and are ordinal: about 0.5 is just noticeable, one mark of a taster 0.8.
 */
export const MAPS = {
  strength: [1.65, 1.37],
  bitterness: [1.04, 1.85],
  astringency: [0.994, 2],
  sweetness: [0.792, 1.26],
  aroma: [5, 1],
  stewed: [0.9, 1.6],
  colour: [0.35, 1.3],
} as const satisfies Record<string, HillMap>;

/** 10/(1 + (half/dose)^n); 0 at no dose. @example onScale(1.65, [1.65, 1.37]) // 5 */
export const onScale = (dose: number, [half, n]: HillMap): number =>
  dose > 0 ? 10 / (1 + (half / dose) ** n) : 0;
/** The dose that an index stands for: the inverse of `onScale`. @throws {RangeError} unless 0 < index < 10. */
export function doseOf(index: number, [half, n]: HillMap): number {
  if (!(index > 0 && index < 10)) throw new RangeError(`no dose has the index ${index}`);
  return half / (10 / index - 1) ** (1 / n);
}
/** One just-about-right mark in index points: from memory. */
export const MARK = 0.8;
/** What an index is good for: +-0.5 in the middle, +-1 at the ends. */
export const plusMinus = (index: number): number => (index < 1.5 || index > 8.5 ? 1 : 0.5);
/** Caffeine is known to so much of itself. */
export const CAFFEINE_SPREAD = 0.4;

import { type Random, shuffled } from '#core/numeric';
import { hexOf, type Lab, labOf } from './appearance';
import { colourLadder } from './ladder';
import { diluted, standardCup } from './liquor';

/** One patch of the check: its colour, and the square within it, a little stronger; null where there is none. */
export type Patch8 = { readonly outer: string; readonly inner: string | null };
/** Neighbours this far apart, CIEDE2000: what a taster has to see in a colour drill of middle difficulty. */
const APART = 3;
const PATCHES = 8;
const WITH_SQUARE = 5;
/** So many of the eight answered right, and the greys plain: the screen will do. */
const PASS = 7;
export const SCREEN_GREYS: readonly string[] = [80, 55, 30].map((l) => hexOf([l, 0, 0] as Lab));

/**
 * Eight patches along the colours of whole-leaf black tea, five with a square in it. The same draw for the same
 * chance.
 */
export function screenPatches(random: Random): Patch8[] {
  const cup = standardCup('black-whole');
  const rungs = colourLadder(cup, APART, { cups: PATCHES + 1 });
  const colour = (i: number) => hexOf(labOf(diluted(cup, rungs[i] ?? 1)));
  const squares = new Set(
    shuffled(
      Array.from({ length: PATCHES }, (_, i) => i),
      random,
    ).slice(0, WITH_SQUARE),
  );
  return Array.from({ length: PATCHES }, (_, i) => ({
    outer: colour(i),
    inner: squares.has(i) ? colour(i + 1) : null,
  }));
}
/**
 * How many of eight were answered right, and whether that will do. @param seen the patches in which a square was
 * seen.
 */
export function scoreScreen(
  patches: readonly Patch8[],
  seen: readonly number[],
  greysPlain: boolean,
): { readonly right: number; readonly passed: boolean } {
  const right = patches.filter((p, i) => (p.inner !== null) === seen.includes(i)).length;
  return { right, passed: greysPlain && right >= PASS };
}

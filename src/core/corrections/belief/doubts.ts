import { spoonSpread, type Weighing } from '#core/recipes';
import type { Celsius, Grams } from '#core/units';
import { type Doubts, USUAL_DOUBTS } from './belief';

// How far leaf and heat may be off where nobody recorded them: of this tea's spoons and this site's kettle, where that is
// known, drawn towards the usual by how little is known.

/** What is known counts against the usual as so many observations (from memory). */
const USUAL_COUNTS_AS = 4;
/** A usual brew takes about so many spoons: the usual error of leaf is of them together (from memory). */
const USUAL_SPOONS = 2.5;
/** Leaf is never surer than this without a scale, as a share: the spoon is weighed with leaf of one day (from memory). */
const LEAF_LEAST = 0.02;
/** Water is never surer than this without a thermometer, °C (from memory). */
const HEAT_LEAST = 1;

/** The variance of `n` observations, drawn towards the usual. */
const drawn = (variance: number, n: number, usual: number): number =>
  (n * variance + USUAL_COUNTS_AS * usual * usual) / (n + USUAL_COUNTS_AS);

/**
 * How far leaf by the spoon may be off, as a share: single spoons of this tea, weighed one by one, and so many of them
 * as the leaf takes. The usual where fewer than three were weighed.
 * @param leaf of the brew, g
 */
export function leafDoubt(weighing: Weighing | null, leaf: Grams): number {
  const spread = weighing && spoonSpread(weighing);
  if (!spread || !(spread.mean > 0)) return USUAL_DOUBTS.leaf;
  const oneSpoon = USUAL_DOUBTS.leaf * Math.sqrt(USUAL_SPOONS);
  const share = spread.sd / spread.mean;
  const perSpoon = Math.sqrt(drawn(share * share, weighing.singles.length, oneSpoon));
  return Math.max(LEAF_LEAST, perSpoon / Math.sqrt(Math.max(1, leaf / spread.mean)));
}
/**
 * How far the heat on the leaf may be off, °C: what thermometers showed against the card at this site.
 * @param off readings less the card's heat, °C, one a brew
 */
export function heatDoubt(off: readonly Celsius[]): number {
  if (off.length === 0) return USUAL_DOUBTS.heatC;
  const square = off.reduce((sum, x) => sum + x * x, 0) / off.length;
  return Math.max(HEAT_LEAST, Math.sqrt(drawn(square, off.length, USUAL_DOUBTS.heatC)));
}
/** Both, for a belief. */
export const doubtsOf = (
  weighing: Weighing | null,
  leaf: Grams,
  off: readonly Celsius[],
): Doubts => ({
  ...USUAL_DOUBTS,
  leaf: leafDoubt(weighing, leaf),
  heatC: heatDoubt(off),
});

import { diluted, type Liquor, standardCup } from '#core/colour';
import type { StyleId } from '#core/styles';
import type { ColdBatch } from './standing';

/** Against the standard cup: the colour model knows no cold steep, so this is a drawing, not a prediction. */
const PALE = 0.8;
const cups = new Map<StyleId, Liquor>();
/** A cold liquor of a style, as it is drawn. */
export function liquorOfStyle(style: StyleId): Liquor {
  const there = cups.get(style) ?? diluted(standardCup(style), PALE);
  cups.set(style, there);
  return there;
}
/** The drawn liquor so many times as strong. */
export const liquorAtStrength = (style: StyleId, strength: number): Liquor =>
  diluted(liquorOfStyle(style), strength);
export const liquorOfBatch = (b: ColdBatch): Liquor => liquorOfStyle(b.tea.style);

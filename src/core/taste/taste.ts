import type { BySolute } from '#core/extraction';
import type { Character } from '#core/styles';
import { MAPS, onScale } from './maps';

/** How a cup tastes, 0..10 each, ordinal. `colour` is the brewing model's own rough index; the colour model draws. */
export type Taste = {
  readonly strength: number;
  readonly bitterness: number;
  readonly astringency: number;
  readonly sweetness: number;
  readonly aroma: number;
  readonly stewed: number;
  readonly colour: number;
};
/** Weights of caffeine, catechin and tannin in bitterness, and of catechin in astringency: fitted. */
export const WEIGHT = {
  caffeine: 0.583,
  catechin: 0.715,
  tannin: 0.68,
  dryCatechin: 0.356,
} as const;
/** Share of sweetness that full bitterness hides: fitted. */
export const MASKED = 0.65;

/** Share of tannin that milk leaves free. `milk` in ml per ml of liquor. A guess. @example unbound(0) // 1 */
export const unbound = (milk: number): number => 1 - 0.6 * (1 - Math.exp(-milk / 0.08));

/** What fills the mouth, g/L: the dose behind strength. `c` in g/L. */
export const bodyOf = ([, swe, caf, cat, tan, pig, lat]: BySolute): number =>
  0.7 * swe + caf + cat + 1.2 * tan + 1.2 * pig + 0.8 * lat;
/** The dose behind bitterness, g/L. */
export const bitterDoseOf = (
  [, , caf, cat, tan]: BySolute,
  c: Pick<Character, 'potency'>,
  milk = 0,
): number =>
  WEIGHT.caffeine * caf +
  WEIGHT.catechin * c.potency * cat +
  WEIGHT.tannin * tan * (0.5 * unbound(milk) + 0.5);
/** The dose behind sweetness, g/L. */
export const sweetDoseOf = ([, swe, , , , , lat]: BySolute): number => swe + 0.7 * lat;

/** How a liquor of `c` g/L (milk counted in) tastes. `stewed` in seconds at 90 C. */
export function tasteOf(
  c: BySolute,
  character: Pick<Character, 'potency' | 'stew'>,
  stewed: number,
  milk = 0,
): Taste {
  const [aro, , , cat, tan, pig] = c;
  const bind = unbound(milk);
  const bitterness = onScale(bitterDoseOf(c, character, milk), MAPS.bitterness);
  return {
    strength: onScale(bodyOf(c), MAPS.strength),
    bitterness,
    astringency: onScale((tan + WEIGHT.dryCatechin * cat + 0.2 * pig) * bind, MAPS.astringency),
    sweetness: onScale(sweetDoseOf(c), MAPS.sweetness) * (1 - (MASKED * bitterness) / 10),
    aroma: onScale(1000 * aro, MAPS.aroma),
    stewed: onScale(character.stew * (tan + 0.5 * cat) * Math.sqrt(stewed / 180), MAPS.stewed),
    colour: onScale(pig + 0.08 * tan, MAPS.colour),
  };
}

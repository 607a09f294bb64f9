import { type ColouredBrew, colourOfBrew, diluted, type Liquor } from '#core/colour';
import { strengthAlongPour } from '#core/cup';
import { brewingOf, type Recipe } from '#core/recipes';
import type { KnownTea } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';
import { INFUSERS, type VesselFacts } from '#core/vessels';
import { differenceName, milkShareOf } from './difference';
import { isColdCup, type PlannedCup, type PouredCup } from './schedule';

/** What the cups of a table are made of. */
export type MadeOf = {
  readonly tea: KnownTea;
  readonly recipe: Recipe;
  readonly vessel: Pick<VesselFacts, 'infuser' | 'basket' | 'material' | 'lid' | 'cosy'>;
};
/** Of a cup of a pot, the mean of the pot being 1: filled in turns, every cup is the mean. */
const strengthOfPoured = ({ place, of, inTurns }: PouredCup): number =>
  inTurns ? 1 : strengthAlongPour((place - 0.5) / of);
/** A cup of a table as the models need it. */
export const brewOfCup = ({ tea, recipe, vessel }: MadeOf, c: PlannedCup): ColouredBrew => ({
  ...brewingOf({
    tea,
    recipe,
    vessel: {
      ...(c.infuser ? { ...vessel, infuser: c.infuser, basket: null } : vessel),
      ...(c.made?.of === 'lid' && { lid: c.made.on }),
    },
    leaf: grams(c.grams),
    water: millilitres(c.water),
    onLeaf: celsius(c.celsius),
    time: seconds(c.seconds),
  }),
  ...(milkShareOf(c.made) > 0 && { milk: milkShareOf(c.made) }),
  ...(c.stirred && { agitation: 'stirred' as const }),
  ...(isColdCup(c) && { constant: true }),
  ...(c.poured && { waterAfter: 1 / strengthOfPoured(c.poured) - 1 }),
});
/** A cup's colour after so many seconds. */
export function liquorOfCup(of: MadeOf, c: PlannedCup, s: number): Liquor {
  const brew = brewOfCup(of, c);
  return diluted(colourOfBrew(brew, seconds(Math.max(0, s))), 1 / (1 + (brew.waterAfter ?? 0)));
}
const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];
/** What a cup of a comparison is: its infuser, or which steep. Nothing elsewhere. */
export function cupName(c: PlannedCup): string {
  if (c.steep !== undefined) return `steep ${c.steep}`;
  if (c.poured)
    return `${ORDINALS[c.poured.place - 1] ?? c.poured.place} cup${c.poured.inTurns ? ', in turns' : ''}`;
  if (c.stirred !== undefined) return c.stirred ? 'stirred' : 'left still';
  if (c.made) return differenceName(c.made);
  if (c.infuser) return INFUSERS[c.infuser].label;
  return '';
}

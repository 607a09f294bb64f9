import type { ColouredBrew } from '#core/colour';
import { brewingOf, type Recipe } from '#core/recipes';
import type { KnownTea } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';
import { INFUSERS, type VesselFacts } from '#core/vessels';
import type { PlannedCup } from './schedule';

/** What the cups of a table are made of. */
export type MadeOf = {
  readonly tea: KnownTea;
  readonly recipe: Recipe;
  readonly vessel: Pick<VesselFacts, 'infuser' | 'basket' | 'material' | 'lid' | 'cosy'>;
};
/** A cup of a table as the models need it. */
export const brewOfCup = ({ tea, recipe, vessel }: MadeOf, c: PlannedCup): ColouredBrew =>
  brewingOf({
    tea,
    recipe,
    vessel: c.infuser ? { ...vessel, infuser: c.infuser, basket: null } : vessel,
    leaf: grams(c.grams),
    water: millilitres(c.water),
    onLeaf: celsius(c.celsius),
    time: seconds(c.seconds),
  });
/** What a cup of a comparison is: its infuser, or which steep. Nothing elsewhere. */
export const cupName = (c: PlannedCup): string => {
  if (c.steep !== undefined) return `steep ${c.steep}`;
  if (c.infuser) return INFUSERS[c.infuser].label;
  return '';
};

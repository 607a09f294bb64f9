import type { Recipe } from './recipe';
import type { ColouredBrew } from '#core/colour';
import { characterOfTea, type KnownTea } from '#core/styles';
import { celsius, grams, millilitres, type Celsius, type Grams, type Millilitres, type Seconds } from '#core/units';
import type { VesselFacts } from '#core/vessels';

type Poured = {
  readonly tea: KnownTea; readonly recipe: Recipe; readonly vessel: Pick<VesselFacts, 'infuser' | 'basket' | 'material' | 'lid' | 'cosy'>;
  readonly leaf: Grams; readonly water: Millilitres; readonly onLeaf: Celsius; readonly time: Seconds; readonly ambient?: Celsius;
};
/** A pour as the brewing and colour models need it. `onLeaf` is the heat the water has on the leaf. */
export const brewingOf = ({ tea, recipe, vessel, leaf, water, onLeaf, time, ambient = celsius(20) }: Poured): ColouredBrew => ({
  style: tea.style, character: characterOfTea(tea), leaf, water, temperature: onLeaf, time, ambient,
  material: vessel.material, lid: vessel.lid && recipe.lid, cosy: vessel.cosy, infuser: vessel.infuser, basket: vessel.basket,
});

/** The pour a recipe is shown by where no vessel is meant: a plain pot of half a litre, loose leaf. */
const SHOWN = millilitres(500);
export const houseBrew = (tea: KnownTea, recipe: Recipe, time: Seconds = recipe.window.best): ColouredBrew => brewingOf({
  tea, recipe, vessel: { infuser: 'free', basket: null, material: 'porcelain', lid: true }, leaf: grams((recipe.dose * SHOWN) / 100), water: SHOWN, onLeaf: recipe.temperature, time,
});

import type { Recipe } from './recipe';
import { colourOfBrew, shiftsOf, type ColouredBrew, type Liquor, type Shift } from '#core/colour';
import { characterOfTea, type KnownTea, type Multipliers, type Swatches } from '#core/styles';
import { celsius, grams, gramsPer100Ml, millilitres, seconds, type Celsius, type Grams, type Millilitres, type Seconds } from '#core/units';
import type { VesselFacts } from '#core/vessels';

type Poured = {
  readonly tea: KnownTea; readonly recipe: Recipe; readonly vessel: Pick<VesselFacts, 'infuser' | 'basket' | 'material' | 'lid' | 'cosy'>;
  readonly leaf: Grams; readonly water: Millilitres; readonly onLeaf: Celsius; readonly time: Seconds; readonly ambient?: Celsius;
};
/** A pour as the brewing and colour models need it. `onLeaf` is the heat the water has on the leaf. */
export const brewingOf = ({ tea, recipe, vessel, leaf, water, onLeaf, time, ambient = celsius(20) }: Poured): ColouredBrew => ({
  style: tea.style, character: characterOfTea(tea), leaf, water, temperature: onLeaf, time, ambient,
  material: vessel.material, lid: vessel.lid && recipe.lid, cosy: vessel.cosy, infuser: vessel.infuser, basket: vessel.basket,
  ...(tea.swatches && { measured: shiftsFor(tea, tea.swatches, recipe) }),
});

/** The pour a recipe is shown by where no vessel is meant: a plain pot of half a litre, loose leaf. */
const SHOWN = millilitres(500);
export const houseBrew = (tea: KnownTea, recipe: Recipe, time: Seconds = recipe.window.best): ColouredBrew => brewingOf({
  tea, recipe, vessel: { infuser: 'free', basket: null, material: 'porcelain', lid: true }, leaf: grams((recipe.dose * SHOWN) / 100), water: SHOWN, onLeaf: recipe.temperature, time,
});

/** Differences of a tea's measured cups from the model, worked out once for each fit of it. */
const known = new WeakMap<Swatches, { fitted: Multipliers | null; shifts: readonly Shift[] }>();
function shiftsFor({ style, fitted }: KnownTea, swatches: Swatches, recipe: Recipe): readonly Shift[] {
  const there = known.get(swatches);
  if (there && there.fitted === fitted) return there.shifts;
  const as = { ...recipe, dose: gramsPer100Ml(swatches.dose), temperature: celsius(swatches.temperature) };
  const shifts = shiftsOf(swatches, (s) => colourOfBrew(houseBrew({ style, fitted }, as), seconds(s)));
  known.set(swatches, { fitted, shifts });
  return shifts;
}
/** The liquor of a recipe so many seconds on, where no vessel is meant. */
export const houseLiquor = (tea: KnownTea, recipe: Recipe, time: Seconds): Liquor => colourOfBrew(houseBrew(tea, recipe), time);

import {
  type ColouredBrew,
  colourOfBrew,
  type Lab,
  labOf,
  type Liquor,
  type Shift,
  shiftsOf,
} from '#core/colour';
import {
  characterOfTea,
  type KnownTea,
  type Multipliers,
  type StyleId,
  type Swatches,
} from '#core/styles';
import {
  type Celsius,
  celsius,
  type Grams,
  grams,
  gramsPer100Ml,
  type Millilitres,
  millilitres,
  type Seconds,
  seconds,
} from '#core/units';
import type { VesselFacts } from '#core/vessels';
import type { Recipe } from './recipe';

type Poured = {
  readonly tea: KnownTea;
  readonly recipe: Recipe;
  readonly vessel: Pick<VesselFacts, 'infuser' | 'basket' | 'material' | 'lid' | 'cosy'>;
  readonly leaf: Grams;
  readonly water: Millilitres;
  readonly onLeaf: Celsius;
  readonly time: Seconds;
  readonly ambient?: Celsius;
};
/** A pour as the brewing and colour models need it. `onLeaf` is the heat the water has on the leaf. */
export const brewingOf = ({
  tea,
  recipe,
  vessel,
  leaf,
  water,
  onLeaf,
  time,
  ambient = celsius(20),
}: Poured): ColouredBrew => ({
  style: tea.style,
  character: characterOfTea(tea),
  leaf,
  water,
  temperature: onLeaf,
  time,
  ambient,
  material: vessel.material,
  lid: vessel.lid && recipe.lid,
  cosy: vessel.cosy,
  infuser: vessel.infuser,
  basket: vessel.basket,
  ...(tea.swatches && { measured: shiftsFor(tea, tea.swatches, recipe) }),
});

/** The pour a recipe is shown by where no vessel is meant: a plain pot of half a litre, loose leaf. */
const SHOWN = millilitres(500);
export const houseBrew = (
  tea: KnownTea,
  recipe: Recipe,
  time: Seconds = recipe.window.best,
): ColouredBrew =>
  brewingOf({
    tea,
    recipe,
    vessel: { infuser: 'free', basket: null, material: 'porcelain', lid: true },
    leaf: grams((recipe.dose * SHOWN) / 100),
    water: SHOWN,
    onLeaf: recipe.temperature,
    time,
  });

/** Differences of a tea's measured cups from the model, worked out once while tea and recipe stay. */
const known = new WeakMap<
  Swatches,
  { style: StyleId; fitted: Multipliers | null; recipe: Recipe; shifts: readonly Shift[] }
>();
function shiftsFor(
  { style, fitted }: KnownTea,
  swatches: Swatches,
  recipe: Recipe,
): readonly Shift[] {
  const there = known.get(swatches);
  if (there && there.style === style && there.fitted === fitted && there.recipe === recipe)
    return there.shifts;
  const as = {
    ...recipe,
    dose: gramsPer100Ml(swatches.dose),
    temperature: celsius(swatches.temperature),
  };
  const shifts = shiftsOf(swatches, (s) =>
    colourOfBrew(houseBrew({ style, fitted }, as), seconds(s)),
  );
  known.set(swatches, { style, fitted, recipe, shifts });
  return shifts;
}
/** The liquor of a recipe so many seconds on, where no vessel is meant. */
export const houseLiquor = (tea: KnownTea, recipe: Recipe, time: Seconds): Liquor =>
  colourOfBrew(houseBrew(tea, recipe), time);
/** Times at which colours are shown where nothing was measured, against the house's best. */
const ALONG = [0.25, 0.5, 0.75, 1, 1.25, 1.5, 2] as const;
/** So near to best a rung is the house cup, s. */
const AT_BEST = 3;
export type ColourRung = { readonly seconds: number; readonly lab: Lab; readonly house: boolean };
/** A tea's colours along its steep at a depth: as they were measured, else as predicted. cm */
export function colourRungs(tea: KnownTea, recipe: Recipe, depthCm: number): ColourRung[] {
  const { best } = recipe.window;
  const rungs =
    tea.swatches?.rungs ??
    ALONG.map((by) => {
      const s = seconds(Math.max(5, Math.round((best * by) / 5) * 5));
      return { seconds: s, lab: labOf(houseLiquor(tea, recipe, s), depthCm) };
    });
  return rungs.map((r) => ({ ...r, house: Math.abs(r.seconds - best) < AT_BEST }));
}

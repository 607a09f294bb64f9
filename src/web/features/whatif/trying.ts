import { toCardInput } from '#core/brews';
import type { ColouredBrew } from '#core/colour';
import type { Agitation } from '#core/extraction';
import { boilingAt } from '#core/heat';
import {
  brewingOf,
  movedRecipe,
  onLeafAt,
  type Recipe,
  recipeLeaf,
  siteBoiling,
} from '#core/recipes';
import { leafFor } from '#core/scaling';
import { type KnownTea, type StyleId, styleOf } from '#core/styles';
import {
  type Celsius,
  celsius,
  grams,
  gramsPer100Ml,
  metres,
  millilitres,
  seconds,
} from '#core/units';
import type { InfuserKind } from '#core/vessels';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';

/** Everything that can be tried on a cup. */
export type Trying = {
  readonly vessel: Vessel;
  readonly leaf: number;
  readonly temperature: number;
  readonly time: number;
  readonly water: number;
  readonly infuser: InfuserKind;
  readonly agitation: Agitation;
  readonly altitudeM: number;
};

/** The house recipe in a vessel: where trying starts, and goes back to. */
export function houseIn(
  tea: Pick<Tea, 'style' | 'fitted' | 'swatches' | 'measure' | 'lots'>,
  recipe: Recipe,
  vessel: Vessel,
  site: Site,
): Trying {
  const leaf =
    recipeLeaf(
      toCardInput({ tea, version: { recipe }, vessel, site, water: vessel.mark, warmed: true }),
    ) ?? leafFor(vessel.mark, recipe.dose, { school: 'linear' });
  return {
    vessel,
    leaf: Math.round(leaf * 10) / 10,
    temperature: recipe.temperature,
    time: recipe.window.best,
    water: vessel.mark,
    infuser: vessel.infuser,
    agitation: 'still',
    altitudeM: site.altitudeM,
  };
}

/** The most that boiling water comes to on the leaf here, vessel warmed. */
export function hottestOnLeaf(t: Trying, site: Site): Celsius {
  const boiling =
    t.altitudeM === site.altitudeM ? siteBoiling(site) : boilingAt(metres(t.altitudeM));
  return onLeafAt(
    { water: millilitres(t.water), vessel: t.vessel, site, warmed: true },
    grams(t.leaf),
    boiling,
  );
}

/** The cup as the models need it; heat that cannot be reached there is what can. */
export function brewTried(tea: KnownTea, recipe: Recipe, t: Trying, site: Site): ColouredBrew {
  const sameInfuser = t.infuser === t.vessel.infuser;
  return {
    ...brewingOf({
      tea,
      recipe,
      vessel: { ...t.vessel, infuser: t.infuser, basket: sameInfuser ? t.vessel.basket : null },
      leaf: grams(t.leaf),
      water: millilitres(t.water),
      onLeaf: celsius(Math.min(t.temperature, hottestOnLeaf(t, site))),
      time: seconds(t.time),
      ambient: site.ambient,
    }),
    agitation: t.agitation,
  };
}

/** What differs between two tries, in words. */
export function differs(a: Trying, b: Trying): string[] {
  const list: [boolean, string][] = [
    [Math.abs(a.leaf / a.water - b.leaf / b.water) > 0.0001, 'leaf'],
    [a.temperature !== b.temperature, 'heat'],
    [a.time !== b.time, 'time'],
    [a.vessel.id !== b.vessel.id, 'vessel'],
    [a.infuser !== b.infuser && a.vessel.id === b.vessel.id, 'infuser'],
    [a.agitation !== b.agitation, 'stirring'],
    [a.altitudeM !== b.altitudeM, 'altitude'],
  ];
  return list.filter(([is]) => is).map(([, word]) => word);
}

/**
 * A recipe of what was tried: dose, heat and window moved with the time; the rest as the house has it, its school of
 * scaling too. `home` is the house recipe in the same vessel.
 */
export function recipeTried(recipe: Recipe, t: Trying, home: Trying): Recipe {
  const more = t.leaf / t.water / (home.leaf / home.water);
  const dose = recipe.scaling.school === 'linear' ? (100 * t.leaf) / t.water : recipe.dose * more;
  return movedRecipe(recipe, {
    dose: gramsPer100Ml(Number(dose.toFixed(3))),
    temperature: celsius(t.temperature),
    best: seconds(t.time),
  });
}

/** The ranges of the three rules, from the style's working range with room around it. */
export function rangesOf(style: StyleId, water: number) {
  const { range } = styleOf(style);
  const round = (step: number, x: number) => Math.round(x / step) * step;
  return {
    leaf: [
      Math.max(0.3, round(0.5, (range.dose[0] * 0.5 * water) / 100)),
      round(0.5, (range.dose[1] * 1.4 * water) / 100),
    ] as const,
    temperature: [Math.max(40, round(10, range.temperature[0] - 16)), 100] as const,
    time: [0, round(60, range.seconds[1] * 1.4)] as const,
  };
}
export type Ranges = ReturnType<typeof rangesOf>;

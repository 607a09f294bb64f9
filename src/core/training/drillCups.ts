import { POUR_LOSS } from '#core/heat';
import {
  computeCard,
  isCold,
  type Method,
  type Recipe,
  siteBoiling,
  type SiteFacts,
  type TeaFacts,
} from '#core/recipes';
import type { VesselFacts } from '#core/vessels';
import type { DrillCup } from './diagnosis/draw';
import type { WeighedTea } from './spoons';

export type DrillTea = TeaFacts & {
  readonly name: string;
  readonly method: Method;
  /** The house recipe of its own method. */
  readonly recipe: Recipe;
};
/** What a house is asked about: its cups, and teas whose spoons were weighed. */
export type DrillFacts = {
  readonly cups: readonly DrillCup[];
  readonly weighed: readonly WeighedTea[];
};
export type DrillVessel = VesselFacts & { readonly name: string };

/** Teas that are brewed hot and were weighed by the spoon. */
export const weighedTeasOf = (teas: readonly DrillTea[]): WeighedTea[] =>
  teas.flatMap(({ name, method, weighing }) => {
    if (!weighing || isCold(method)) return [];
    const { spoon, spoons, weighed } = weighing;
    return [{ tea: name, spoon: { name: spoon.name, ml: spoon.ml }, grams: weighed / spoons }];
  });

/** Every cup a house can be asked about: each hot tea in each vessel that takes it, filled to its line. */
export function drillCupsOf(house: {
  readonly teas: readonly DrillTea[];
  readonly vessels: readonly DrillVessel[];
  readonly site: SiteFacts;
}): DrillCup[] {
  const { site } = house;
  return house.teas
    .filter((tea) => !isCold(tea.method))
    .flatMap((tea) =>
      house.vessels.flatMap((vessel) => {
        const { recipe, method } = tea;
        const warmed = recipe.warm;
        const card = computeCard({ tea, recipe, method, vessel, site, water: vessel.mark, warmed });
        if (card.kind !== 'card') return [];
        return [
          {
            ...{ tea: tea.name, vessel: vessel.name, style: tea.style, fitted: tea.fitted },
            ...{ leafGrams: card.leaf, waterMl: card.water, temperatureC: card.onLeaf },
            ...{ seconds: card.window.best, warm: card.warmed, lid: vessel.lid && recipe.lid },
            ...{ material: vessel.material, capacityMl: vessel.brim, infuser: vessel.infuser },
            ...{ basketMl: vessel.basket, ambientC: site.ambient, boilingC: siteBoiling(site) },
            pourLoss: site.pourLoss ?? POUR_LOSS,
          },
        ];
      }),
    );
}

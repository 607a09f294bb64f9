import { type BrewPlan, cardOf, type PlannedPour, planOf } from '#core/brews';
import { type Recipe, startingRecipe } from '#core/recipes';
import type { StyleId } from '#core/styles';
import { celsius, millilitres, SPOONS } from '#core/units';
import type { VesselFacts } from '#core/vessels';

// The pour that tests of brews begin from: half a litre in a warmed porcelain pot with a basket, at the sea.

export const TEST_POT = {
  ...{ kind: 'pot', infuser: 'deep', material: 'porcelain' },
  ...{ wallGrams: null, lid: true, cosy: false, dead: 0 },
  ...{ brim: millilitres(620), mark: millilitres(500), basket: millilitres(230) },
} as unknown as VesselFacts;
export const TEST_SITE = {
  ...{ altitudeM: 0, measuredBoiling: null, coldWater: celsius(12), ambient: celsius(20) },
  pourLoss: null,
  kettle: { volume: millilitres(1700), material: 'stainless', lid: true },
} as const;

type Asked = Partial<PlannedPour<Recipe, VesselFacts>>;
/** That pour of a style's own recipe, with what a test asks for in its place. */
export const potPour = (style: StyleId, over: Asked = {}): PlannedPour<Recipe, VesselFacts> => ({
  tea: {
    ...{ style, fitted: null, swatches: null, lots: [] },
    measure: { spoon: SPOONS.dessertSpoon, weighing: null },
  },
  version: { recipe: startingRecipe(style) },
  ...{ vessel: TEST_POT, site: TEST_SITE, water: millilitres(500), warmed: true },
  ...over,
});
/** Its card. @throws where it cannot be brewed */
export function cardOfPour(pour: PlannedPour<Recipe, VesselFacts>) {
  const card = cardOf(pour);
  if (card.kind !== 'card') throw new Error(card.kind);
  return card;
}
/** Its plan. @throws where it cannot be brewed */
export const planOfPour = (pour: PlannedPour<Recipe, VesselFacts>): BrewPlan<Recipe, VesselFacts> =>
  planOf(cardOfPour(pour), pour);

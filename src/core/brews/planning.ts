import type { HouseKettle } from '#core/heat';
import {
  bagsText,
  type Card,
  type CardFault,
  type CardInput,
  computeCard,
  type CupsAsked,
  type KettleUsed,
  methodFor,
  type Recipe,
  recipeAsWeighed,
  recipeAsWished,
  type SiteFacts,
  siteWithKettle,
  spoonsText,
  type Weighing,
  type Wish,
} from '#core/recipes';
import type { KnownTea } from '#core/styles';
import { type LotState, measureOf } from '#core/teas';
import { type Millilitres, millilitres, type Seconds, seconds, type Spoon } from '#core/units';
import type { VesselFacts } from '#core/vessels';
import { brewWaterOf } from '#core/water';
import { leafBackWindow } from './brew';
import type { BrewPlan } from './plan';

// How a pour is planned: its card, and what of the card is kept with the brew. The bar itself only reads plans.

type LotFacts = { readonly state: LotState; readonly weighing: Weighing | null };
/** A tea, a version of its recipe and a vessel at a site, with so much water. */
export type PlannedPour<R extends Recipe, V extends VesselFacts> = {
  readonly tea: KnownTea & {
    readonly measure: { readonly spoon: Spoon; readonly weighing: Weighing | null };
    readonly lots: readonly LotFacts[];
  };
  readonly lot?: LotFacts | null;
  readonly version: { readonly recipe: R };
  readonly vessel: V;
  readonly site: SiteFacts;
  readonly water: Millilitres;
  readonly warmed: boolean;
  /** What the guest asks for; absent: as the house has it. */
  readonly wish?: Wish | undefined;
  /** The cups that are poured from it, where they were counted. */
  readonly cups?: CupsAsked | null | undefined;
  /** Its time is to be found by tasting. */
  readonly explore?: boolean | undefined;
  /** The kettle its water is heated in; absent: the site's usual one. */
  readonly kettle?: HouseKettle | null | undefined;
  /** Less leaf, for so many cups that are poured one by one while the leaf stays in. */
  readonly taper?: number | null | undefined;
};
/** The question for the card of one pour, from the records that page and server hold. */
export const toCardInput = ({
  tea,
  lot,
  version,
  vessel,
  site,
  water,
  warmed,
  wish,
  kettle,
  taper,
}: PlannedPour<Recipe, VesselFacts>): CardInput => ({
  tea: { style: tea.style, fitted: tea.fitted, ...measureOf(tea, lot) },
  recipe: version.recipe,
  method: methodFor(vessel),
  vessel,
  site: kettle ? siteWithKettle(site, kettle) : site,
  water,
  warmed,
  ...(wish && { wish }),
  ...(kettle && { kettle }),
  ...(taper && { taper }),
});
export const cardOf = (pour: PlannedPour<Recipe, VesselFacts>): Card | CardFault =>
  computeCard(toCardInput(pour));

function spoonsOf(card: Card): string | null {
  if (card.bags) return bagsText(card.bags);
  return card.spoons ? spoonsText(card.spoons) : null;
}
/** Less cold water than this is not worth a splash, ml (from memory). */
const SPLASH = 5;
function splashOf({ heat, kettle }: Card): Millilitres | null {
  // A kettle that can be set needs no cold water.
  if (kettle && kettle.set !== null) return null;
  const cold = heat.kind === 'reachable' ? heat.splash?.cold : undefined;
  return cold !== undefined && cold >= SPLASH ? millilitres(Math.round(cold)) : null;
}
/** A new tea is tasted first after so many seconds (common practice). */
export const FIRST_TASTE: Seconds = seconds(45);
/** A plan that finds its time by tasting: its clock asks for the first taste. */
const toExplore = <R extends Recipe, V extends VesselFacts>(
  plan: BrewPlan<R, V>,
): BrewPlan<R, V> => ({
  ...plan,
  recipe: { ...plan.recipe, window: leafBackWindow(seconds(0), FIRST_TASTE) },
  explore: { best: plan.recipe.window.best },
});
/** What of a chosen kettle is kept with its brew. */
const keptKettle = ({ name, set, wait, cools }: KettleUsed): KettleUsed => ({
  ...{ name, set, wait },
  ...(cools && { cools }),
});
const keptOf = <R extends Recipe, V extends VesselFacts>(
  card: Card,
  pour: PlannedPour<R, V>,
): BrewPlan<R, V> => {
  const { tea, lot, vessel, site, cups } = pour;
  const { weighing } = measureOf(tea, lot);
  const recipe = recipeAsWeighed(pour.version.recipe, weighing);
  return {
    water: card.water,
    leaf: card.leaf,
    spoons: spoonsOf(card),
    ...(card.countsSpoons && !weighing && { spoonsUnweighed: true }),
    liquor: card.liquor,
    temperature: card.temperature,
    onLeaf: card.onLeaf,
    ambient: site.ambient,
    kettle: card.kettle?.set ?? card.heat.kettleSetting,
    splash: splashOf(card),
    reachable: card.heat.kind === 'reachable',
    warmed: card.warmed,
    crowding: card.crowding,
    recipe: card.wished ? recipeAsWished(recipe, card.wished) : recipe,
    vessel,
    pull: card.pull,
    ...(site.water && { brewWater: brewWaterOf(site.water) }),
    ...(card.kettle && {
      kettleUsed: keptKettle(card.kettle),
    }),
    ...(pour.taper &&
      card.untapered !== null && {
        taper: { cups: pour.taper, house: card.untapered },
      }),
    ...(cups && { cups }),
    ...(card.wished && {
      wish: {
        ...card.wished.wish,
        ...{ best: card.wished.time, milkMl: card.milk },
        house: {
          ...{ dose: recipe.dose, temperature: recipe.temperature },
          best: recipe.window.best,
        },
      },
    }),
    fitted: tea.fitted,
    ...(tea.swatches && {
      swatches: {
        depthCm: tea.swatches.depthCm,
        dose: tea.swatches.dose,
        temperature: tea.swatches.temperature,
        rungs: tea.swatches.rungs,
      },
    }),
  };
};

/** What is kept of a card with the brew that follows it. */
export function planOf<R extends Recipe, V extends VesselFacts>(
  card: Card,
  pour: PlannedPour<R, V>,
): BrewPlan<R, V> {
  const plan = keptOf(card, pour);
  return pour.explore ? toExplore(plan) : plan;
}
/** A kept plan with the grams of its spoons as they were weighed since; one whose grams were known is unchanged. */
export function leafAsWeighed<P extends Pick<BrewPlan, 'leaf' | 'recipe' | 'spoonsUnweighed'>>(
  plan: P,
  weighing: Weighing | null,
): P {
  if (!plan.spoonsUnweighed || !weighing || !plan.recipe.spoons) return plan;
  const recipe = recipeAsWeighed(plan.recipe, weighing);
  return { ...plan, recipe, leaf: (plan.leaf * recipe.dose) / plan.recipe.dose };
}

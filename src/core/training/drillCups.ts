import type { HouseLimits } from '#core/cold';
import { POT_GRADIENT } from '#core/cup';
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
import { type LotState, measureOf } from '#core/teas';
import type { Week } from '#core/time';
import { leafAct, type VesselFacts } from '#core/vessels';
import type { DrillCup } from './diagnosis/draw';
import type { AgainTea } from './figure/again';
import type { ColdTea, Pitcher, PlanGiven } from './figure/coldPlan';
import type { FillVessel } from './figure/fillLine';
import type { HeatKettle, HeatSite } from './figure/heat';
import type { WeighedTea } from './figure/spoons';
import type { HoldingLimits } from './pick/holding';
import { LONGEST_STEEP_S, type ShiftFacts } from './shift/orders';

export type DrillTea = TeaFacts & {
  readonly name: string;
  readonly method: Method;
  /** The house recipe of that method. */
  readonly recipe: Recipe;
};
type HouseRecipe = { readonly recipe: Recipe } | null;
/** A tea as the Book has it. */
type BookTea = Pick<TeaFacts, 'style' | 'fitted'> & {
  readonly measure: Pick<TeaFacts, 'spoon' | 'weighing'>;
  readonly lots: readonly (Pick<TeaFacts, 'weighing'> & { readonly state: LotState })[];
  readonly name: string;
  readonly method: Method;
  readonly retired: boolean;
  /** By its own method, when that is a hot one. */
  readonly house: HouseRecipe;
  readonly recipes: readonly { readonly method: Method; readonly house: HouseRecipe }[];
};
/** A tea by its hot house recipe, and by each cold one. */
export function drillTeasOf(tea: BookTea): DrillTea[] {
  if (tea.retired) return [];
  const { style, fitted, name } = tea;
  const facts = { name, style, fitted, ...measureOf(tea) };
  const cold = tea.recipes.filter(({ method }) => isCold(method));
  return [{ method: tea.method, house: tea.house }, ...cold].flatMap(({ method, house }) =>
    house ? [{ ...facts, method, recipe: house.recipe }] : [],
  );
}
/** What a house is asked about. */
export type DrillFacts = {
  readonly cups: readonly DrillCup[];
  /** From the first to the last drop of a pot here, as a share of its mean strength. */
  readonly gradient: number;
  /** Teas whose spoons were weighed. */
  readonly weighed: readonly WeighedTea[];
  /** Where its water comes from. */
  readonly water: { readonly site: HeatSite; readonly kettle: HeatKettle };
  readonly vessels: readonly FillVessel[];
  readonly shift: ShiftFacts;
  /** Teas whose leaf can be steeped again. */
  readonly again: readonly AgainTea[];
  /** Teas that are brewed cold, and how long they are kept here; those of a fridge with what a plan takes. */
  readonly cold: {
    readonly teas: readonly string[];
    readonly limits: HoldingLimits;
    readonly plans: readonly ColdTea[];
    readonly pitchers: readonly Pitcher[];
    readonly open: PlanGiven['open'];
  };
};
export type DrillVessel = VesselFacts & { readonly name: string };

/** Teas that are brewed hot and were weighed by the spoon. */
const weighedTeasOf = (teas: readonly DrillTea[]): WeighedTea[] =>
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

const waterOf = ({ kettle, ...site }: SiteFacts): DrillFacts['water'] => ({
  site: {
    ...{ altitudeM: site.altitudeM, measuredBoilingC: site.measuredBoiling },
    ...{ ambientC: site.ambient, coldC: site.coldWater },
    pourLoss: site.pourLoss ?? POUR_LOSS,
  },
  kettle: {
    ...{ ml: kettle.volume, material: kettle.material, lid: kettle.lid },
    rate: kettle.rate ?? null,
  },
});
/** Where no hours are known: nine to six. */
const USUAL_HOURS: PlanGiven['open'] = { from: 9 * 60, to: 18 * 60 };
const minutesOf = (clock: string): number => {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return 60 * hours + minutes;
};
/** Hours of the first day of the week that is open, from its first opening to its last closing. */
function hoursOf(week: Week | null): PlanGiven['open'] {
  const day = week?.find((ranges) => ranges.length > 0);
  const [from, to] = [day?.[0]?.[0], day?.at(-1)?.[1]];
  if (from === undefined || to === undefined) return USUAL_HOURS;
  const hours = { from: minutesOf(from), to: minutesOf(to) };
  // A day that ends after midnight is another question.
  return hours.to > hours.from ? hours : USUAL_HOURS;
}
const SECONDS_AN_HOUR = 3600;
const coldTeasOf = (teas: readonly DrillTea[]): ColdTea[] =>
  teas.flatMap(({ name, style, method, recipe }) =>
    method === 'fridge'
      ? [
          {
            ...{ tea: name, style, doseGPer100Ml: recipe.dose },
            earliestH: recipe.window.earliest / SECONDS_AN_HOUR,
            latestH: recipe.window.latest / SECONDS_AN_HOUR,
          },
        ]
      : [],
  );
const isUnder = (v: DrillVessel): boolean => v.mark < v.brim;
const hotRecipeOf = ({ teas }: { readonly teas: readonly DrillTea[] }, cup: DrillCup) =>
  teas.find((t) => t.name === cup.tea && !isCold(t.method))?.recipe;
/** All that this house can be asked about. */
export function drillFactsOf(house: {
  readonly teas: readonly DrillTea[];
  readonly vessels: readonly DrillVessel[];
  readonly site: SiteFacts;
  readonly limits: HouseLimits;
  /** When somebody is there; null: nobody said. */
  readonly open: Week | null;
  /** As it was tasted here; null: nobody tasted it yet. */
  readonly gradient: number | null;
}): DrillFacts {
  // A pitcher holds cold tea: nobody is asked about a hot cup in it.
  const cups = drillCupsOf({
    ...house,
    vessels: house.vessels.filter((v) => v.kind !== 'pitcher'),
  });
  return {
    gradient: house.gradient ?? POT_GRADIENT,
    ...{ cups, weighed: weighedTeasOf(house.teas), water: waterOf(house.site) },
    vessels: house.vessels.filter(isUnder).map((v) => ({
      ...{ name: v.name, kind: v.kind, brimMl: v.brim, fillLineMl: v.mark },
    })),
    cold: {
      teas: [...new Set(house.teas.filter((t) => isCold(t.method)).map((t) => t.name))],
      limits: {
        keepHours: house.limits.keepHours,
        counterHours: house.limits.counterAllowed ? house.limits.counterHours : null,
        ...{ limitC: house.limits.limit, warmHours: house.limits.warmHours },
      },
      plans: coldTeasOf(house.teas),
      pitchers: house.vessels
        .filter((v) => v.kind === 'pitcher')
        .map((v) => ({ name: v.name, fillLineMl: v.mark, brimMl: v.brim })),
      open: hoursOf(house.open),
    },
    again: cups.flatMap((cup) => {
      const recipe = hotRecipeOf(house, cup);
      return recipe ? [{ cup, later: recipe.later, inBags: recipe.bag !== null }] : [];
    }),
    shift: cups.flatMap((cup) => {
      const recipe = hotRecipeOf(house, cup);
      const vessel = house.vessels.find((v) => v.name === cup.vessel);
      if (!recipe || !vessel || cup.seconds > LONGEST_STEEP_S) return [];
      // Where the leaf stays in, there is nothing to lift in time.
      if (leafAct(vessel) === 'drinkOff') return [];
      const { earliest, latest } = recipe.window;
      return [{ ...cup, kind: vessel.kind, earliest, latest }];
    }),
  };
}

import { leafBackWindow } from '#core/brews';
import type { ColouredBrew } from '#core/colour';
import {
  bagsText,
  brewingOf,
  type Card,
  type CardFault,
  type CardInput,
  characterAfter,
  computeCard,
  methodFor,
  type NextSteep,
  nextSteep,
  spoonsText,
} from '#core/recipes';
import type { KnownTea, StyleId } from '#core/styles';
import { celsius, type Millilitres, millilitres, type Seconds } from '#core/units';
import type { Plan } from './brews';
import { measureOf } from './recipeSelection';
import type { Site } from './sites';
import type { Lot, Tea, Version } from './teas';
import type { Vessel } from './vessels';

type PourOf = {
  tea: Pick<Tea, 'style' | 'fitted' | 'swatches' | 'measure' | 'lots'>;
  lot?: Lot | null;
  version: Pick<Version, 'recipe'>;
  vessel: Vessel;
  site: Site;
  water: Millilitres;
  warmed: boolean;
};
/** The core's question for one pour, from the records both sides hold. */
export const toCardInput = ({
  tea,
  lot,
  version,
  vessel,
  site,
  water,
  warmed,
}: PourOf): CardInput => ({
  tea: { style: tea.style, fitted: tea.fitted, ...measureOf(tea, lot) },
  recipe: version.recipe,
  method: methodFor(vessel),
  vessel,
  site,
  water,
  warmed,
});
export const cardOf = (pour: PourOf): Card | CardFault => computeCard(toCardInput(pour));

/** What of a card is kept with its brew. */
export function planOf(card: Card, { tea, version, vessel, site }: PourOf): Plan {
  const { id: _id, siteId: _siteId, rev: _rev, retired: _retired, ...facts } = vessel;
  return {
    water: card.water,
    leaf: card.leaf,
    spoons: card.bags ? bagsText(card.bags) : card.spoons ? spoonsText(card.spoons) : null,
    liquor: card.liquor,
    temperature: card.temperature,
    onLeaf: card.onLeaf,
    ambient: site.ambient,
    kettle: card.heat.kettleSetting,
    splash: splashOf(card),
    reachable: card.heat.kind === 'reachable',
    warmed: card.warmed,
    crowding: card.crowding,
    recipe: version.recipe,
    vessel: facts,
    pull: card.pull,
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
}

/** Less cold water than this is not worth a splash, ml (from memory). */
const SPLASH = 5;
function splashOf({ heat }: Card): Millilitres | null {
  const cold = heat.kind === 'reachable' ? heat.splash?.cold : undefined;
  return cold !== undefined && cold >= SPLASH ? millilitres(Math.round(cold)) : null;
}

/** The tea of a kept plan, as it was known when it was worked out. */
export const knownFrom = (plan: Plan, style: StyleId): KnownTea => ({
  style,
  fitted: plan.fitted ?? null,
  swatches: plan.swatches,
});
/** The pour of a kept plan as it was first made, whichever steep of its leaf the plan is for. */
const firstPour = (plan: Plan, style: StyleId, time: Seconds): ColouredBrew =>
  brewingOf({
    tea: knownFrom(plan, style),
    recipe: plan.recipe,
    vessel: plan.vessel,
    leaf: plan.leaf,
    water: plan.water,
    onLeaf: plan.onLeaf,
    time,
    ambient: plan.ambient,
  });
const used = new WeakMap<Plan, ColouredBrew['character']>();
/**
 * A kept plan as the models need it, so many seconds on the leaf; a later steep with the leaf as the earlier ones
 * left it.
 */
export function toModelInput(plan: Plan, style: StyleId, time: Seconds): ColouredBrew {
  const brew = firstPour(plan, style, time);
  if (!plan.steep) return brew;
  const character = used.get(plan) ?? characterAfter(brew, plan.recipe, plan.steep.past);
  used.set(plan, character);
  // A later steep has lost what the measured cups had.
  return { ...brew, character, measured: undefined };
}

/** A kept plan once the leaf went back for so many seconds more: the bar's clock runs to its new window. */
export const withLeafBack = (plan: Plan, steeped: Seconds, more: number): Plan => ({
  ...plan,
  recipe: { ...plan.recipe, window: leafBackWindow(steeped, more) },
});

/** The next steep of the same leaf after a brew of this plan that took `steeped`: its plan, or why there is none. */
export function planAgain(
  plan: Plan,
  style: StyleId,
  steeped: Seconds,
): { readonly next: NextSteep; readonly plan: Plan | null } {
  const past = [...(plan.steep?.past ?? []), steeped];
  const next = nextSteep(firstPour(plan, style, steeped), plan.recipe, past);
  if (next.kind === 'spent') return { next, plan: null };
  const recipe = { ...plan.recipe, window: next.window };
  // The vessel is warm and the leaf holds its water: what is poured on comes off again.
  return {
    next,
    plan: {
      ...plan,
      recipe,
      warmed: true,
      spoons: null,
      splash: null,
      kettle: celsius(Math.min(plan.kettle, 100)),
      liquor: plan.water,
      steep: { number: next.number, past, by: next.by },
    },
  };
}

/** A fault in the words of whoever pours. */
export function cardFaultWords(f: CardFault): string {
  switch (f.kind) {
    case 'noWater':
      return 'Say how much water.';
    case 'overBrim':
      return `Over the brim: it holds ${Math.round(f.brim)} ml to the very top.`;
    case 'belowBasket':
      return `Too little to cover the leaf: at least ${Math.ceil(f.least / 5) * 5} ml here, or take a smaller vessel.`;
    case 'noMatch':
      return 'No leaf in this vessel makes the known cup: take another vessel, or a plain dose.';
    case 'basketTooSmall':
      return `The infuser is too small: opened leaf is ${f.crowding.toFixed(1)} times what it holds. At most ${f.most} g here.`;
  }
}

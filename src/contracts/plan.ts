import type { ColouredBrew } from '#core/colour';
import { bagsText, brewingOf, methodFor, spoonsText, workOutCard, type Asked, type Card, type CardFault } from '#core/recipes';
import type { StyleId } from '#core/styles';
import type { Millilitres, Seconds } from '#core/units';
import type { Plan } from './brews';
import { measureOf, type Lot, type Tea, type Version } from './book';
import type { Site } from './house';
import type { Vessel } from './shelf';

type PourOf = {
  tea: Pick<Tea, 'style' | 'measure' | 'lots'>; lot?: Lot | null; version: Pick<Version, 'recipe'>; vessel: Vessel; site: Site; water: Millilitres; warmed: boolean;
};
/** The core's question for one pour, from the records both sides hold. */
export const askedOf = ({ tea, lot, version, vessel, site, water, warmed }: PourOf): Asked => ({
  tea: { style: tea.style, ...measureOf(tea, lot) }, recipe: version.recipe, method: methodFor(vessel), vessel, site, water, warmed,
});
export const cardOf = (pour: PourOf): Card | CardFault => workOutCard(askedOf(pour));

/** What of a card is kept with its brew. */
export function planOf(card: Card, { version, vessel, site }: PourOf): Plan {
  const { id: _id, siteId: _siteId, rev: _rev, retired: _retired, ...facts } = vessel;
  return {
    water: card.water, leaf: card.leaf, spoons: card.bags ? bagsText(card.bags) : card.spoons ? spoonsText(card.spoons) : null, liquor: card.liquor, temperature: card.temperature, onLeaf: card.onLeaf, ambient: site.ambient,
    kettle: card.heat.kettleSetting, reachable: card.heat.kind === 'reachable', warmed: card.warmed, crowding: card.crowding,
    recipe: version.recipe, vessel: facts, pull: card.pull,
  };
}

/** A kept plan as the models need it, so many seconds on the leaf. */
export const brewOf = (plan: Plan, style: StyleId, time: Seconds): ColouredBrew => brewingOf({ style, recipe: plan.recipe, vessel: plan.vessel, leaf: plan.leaf, water: plan.water, onLeaf: plan.onLeaf, time, ambient: plan.ambient });

/** A fault in the words of whoever pours. */
export function cardFaultWords(f: CardFault): string {
  switch (f.kind) {
    case 'noWater': return 'Say how much water.';
    case 'overBrim': return `Over the brim: it holds ${Math.round(f.brim)} ml to the very top.`;
    case 'belowBasket': return `Too little to cover the leaf: at least ${Math.ceil(f.least / 5) * 5} ml here, or take a smaller vessel.`;
    case 'noMatch': return 'No leaf in this vessel makes the known cup: take another vessel, or a plain dose.';
    case 'basketTooSmall': return `The infuser is too small: opened leaf is ${f.crowding.toFixed(1)} times what it holds. At most ${f.most} g here.`;
  }
}

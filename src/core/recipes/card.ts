import { taperedLeaf } from '#core/cup';
import type { WaterPlan } from '#core/heat';
import { CUP, newCup, quickCup } from '#core/quick';
import { type KnownPour, leafFor, matchCup, matchStrength, type Pour } from '#core/scaling';
import { styleOf } from '#core/styles';
import {
  type Celsius,
  celsius,
  type Grams,
  grams,
  type Millilitres,
  millilitres,
  type Seconds,
} from '#core/units';
import {
  basketCrowding,
  fillFault,
  leafActWords,
  liquorYield,
  mostLeaf,
  type VesselFacts,
} from '#core/vessels';
import { brewingOf } from './brewing';
import type { CardInput } from './cardInput';
import { grant, type Granted, hottestForMilk, type MadeWith, type WishRoom } from './grant';
import { type KettleOnCard, kettleOnCard } from './kettle';
import { densityOf, type SpoonCount, spoonsFor } from './measure';
import { heatPlan, onLeafAt, reached, siteBoiling } from './pourHeat';
import type { Recipe, Window } from './recipe';
import { quarterSpoonOf, recipeAsWeighed, spoonsForLeaf, spoonsForWater } from './spoonDose';
import { isWished, milkFor } from './wish';

export type Caution = 'prewarm' | 'crowded' | 'scald' | 'coolGlass';
export type Card = {
  readonly kind: 'card';
  readonly water: Millilitres;
  /** To 0.1 g, as a scale shows it. */
  readonly leaf: Grams;
  readonly spoons: SpoonCount | null;
  /** The recipe counts those spoons: the leaf is what they hold. */
  readonly countsSpoons: boolean;
  /** Bags or pockets, where the recipe counts them: the leaf is theirs. */
  readonly bags: number | null;
  readonly liquor: Millilitres;
  readonly temperature: Celsius;
  /** What the water has on the leaf: the recipe's heat, or the most that can arrive. */
  readonly onLeaf: Celsius;
  readonly boiling: Celsius;
  /** The plan with the vessel as asked: warmed or cold. */
  readonly heat: WaterPlan;
  /** Out of reach cold, in reach when warmed. */
  readonly prewarmNeeded: boolean;
  readonly warmed: boolean;
  readonly window: Window;
  /** Opened leaf against basket; null when leaf is free. */
  readonly crowding: number | null;
  readonly cautions: readonly Caution[];
  readonly pull: { readonly act: string; readonly done: string };
  /** The leaf it would have without a taper, g; null: not tapered. */
  readonly untapered: Grams | null;
  /** The kettle that was chosen, as this pour uses it; null: none was. */
  readonly kettle: KettleOnCard | null;
  /** How the guest's wish moved leaf, heat and time; null: as the house has it. */
  readonly wished: Granted | null;
  /** Milk for all of the liquor, ml; 0: none. */
  readonly milk: Millilitres;
};
export type CardFault =
  | { readonly kind: 'noWater' }
  | { readonly kind: 'overBrim'; readonly brim: Millilitres }
  | { readonly kind: 'belowBasket'; readonly least: Millilitres }
  | { readonly kind: 'noMatch' }
  | { readonly kind: 'basketTooSmall'; readonly crowding: number; readonly most: Grams };

/** Opened leaf past this share of its basket is refused: water no longer passes (from memory). */
const CRAMMED = 2.5;
/** Opened leaf past this share opens slowly. */
const CROWDED = 1;

const round1 = (g: number): Grams => grams(Math.round(g * 10) / 10);

/** A pour, and the known one, as a match sees them. */
function matching(a: CardInput, known: KnownPour) {
  const boiling = siteBoiling(a.site);
  const as = (vessel: KnownPour | VesselFacts, water: Millilitres): Omit<Pour, 'onLeaf'> => {
    const {
      style: _style,
      leaf: _leaf,
      temperature: _t,
      time: _time,
      ...rest
    } = brewingOf({
      tea: a.tea,
      recipe: a.recipe,
      vessel,
      leaf: grams(1),
      water,
      onLeaf: a.recipe.temperature,
      time: a.recipe.window.best,
      ambient: a.site.ambient,
    });
    return rest;
  };
  return {
    reference: {
      ...as(known, known.water),
      onLeaf: () => a.recipe.temperature,
      leaf: known.leaf,
      time: a.recipe.window.best,
    },
    pour: { ...as(a.vessel, a.water), onLeaf: (leaf: Grams) => reached(a, leaf, boiling) },
  };
}
/** Leaf and time that give a known pour's cup here; null when none does. */
export function matchedCup(a: CardInput, known: KnownPour): { leaf: Grams; time: Seconds } | null {
  const { reference, pour } = matching(a, known);
  const found = matchCup(reference, pour);
  return found.kind === 'matched' ? { leaf: round1(found.leaf), time: found.time } : null;
}
/** Leaf by the recipe's school, unrounded; null when no leaf here makes the known cup. */
export function recipeLeaf(a: CardInput): Grams | null {
  const { scaling, dose } = recipeAsWeighed(a.recipe, a.tea.weighing);
  if (scaling.school !== 'match') return leafFor(a.water, dose, scaling);
  const { reference, pour } = matching(a, scaling.known);
  const found = matchStrength(reference, pour);
  return found.kind === 'matched' ? found.leaf : null;
}

/** Leaf as it is measured out, with the bags or spoons that a recipe counts. */
type Counted = {
  readonly leaf: Grams;
  readonly bags: number | null;
  readonly spoons: SpoonCount | null;
};
/** Leaf by the tenth of a gram, by whole bags or by quarters of a spoon. */
function countedLeaf(exact: Grams, { bag }: Recipe, spoons: SpoonCount | null): Counted {
  if (spoons) return { leaf: round1(Math.max(0.1, spoons.total)), bags: null, spoons };
  if (bag === null) return { leaf: round1(Math.max(0.1, exact)), bags: null, spoons };
  const bags = Math.max(1, Math.round(exact / bag));
  return { leaf: round1(bags * bag), bags, spoons };
}

const cup = newCup();
/** A wish may move leaf by so much, even past the range that corrections keep to (from memory). */
const WISH_LEAF = 1.6;
/** Within what a wish may move leaf, heat and time of this pour. */
function wishRoomOf(a: CardInput, leaf: Grams): WishRoom {
  const { recipe, tea, vessel, site, water } = a;
  const { range, swell } = styleOf(tea.style);
  const boiling = siteBoiling(site);
  const strengthOf = (made: MadeWith, milk: number): number => {
    const onLeaf = Math.min(onLeafAt(a, made.leaf, boiling), made.temperature);
    const brew = brewingOf({
      ...{ tea, recipe, vessel, water, leaf: made.leaf, time: made.time },
      ...{ onLeaf: celsius(onLeaf), ambient: site.ambient },
    });
    quickCup({ ...brew, milk }, cup);
    return cup[CUP.strength] as number;
  };
  return {
    house: { leaf, temperature: recipe.temperature, time: recipe.window.best },
    leafStep: recipe.bag ?? quarterSpoonOf(recipe) ?? grams(0.1),
    least: grams(Math.min((range.dose[0] * water) / 100, leaf / WISH_LEAF)),
    most: grams(
      Math.min(
        Math.max((range.dose[1] * water) / 100, leaf * WISH_LEAF),
        mostLeaf(vessel, swell) ?? Infinity,
      ),
    ),
    hottest: hottestForMilk(recipe.temperature, range.temperature, onLeafAt(a, leaf, boiling)),
    window: recipe.window,
    strengthOf,
  };
}
/** The recipe as a wish moves it for one brew. */
export const recipeAsWished = <
  R extends Pick<Recipe, 'dose' | 'spoons' | 'temperature' | 'window'>,
>(
  recipe: R,
  { house, leaf, temperature, time }: Granted,
): R => ({
  ...recipe,
  // Its spoons are counted for this brew alone.
  ...(recipe.spoons && { spoons: null }),
  dose: (recipe.dose * leaf) / house.leaf,
  temperature,
  window: { ...recipe.window, best: time },
});

/** A pour with so much leaf, at its recipe's best time. */
const pouredAt = (a: CardInput, leaf: Grams) => ({
  ...{ tea: a.tea, recipe: a.recipe, vessel: a.vessel, leaf, water: a.water },
  ...{ onLeaf: reached(a, leaf, siteBoiling(a.site)), ambient: a.site.ambient },
  time: a.recipe.window.best,
});
/**
 * Works a recipe out for one pour: leaf, spoons, water, heat, window. What cannot be brewed comes back as a fault.
 * Warming follows the recipe or `warmed`; when a cold vessel cannot reach the heat the card says so.
 */
export function computeCard(given: CardInput): Card | CardFault {
  const asked = { ...given, recipe: recipeAsWeighed(given.recipe, given.tea.weighing) };
  const { recipe, water } = asked;
  if (!(water > 0)) return { kind: 'noWater' };
  if (water > asked.vessel.brim) return { kind: 'overBrim', brim: asked.vessel.brim };
  const exact = recipeLeaf(asked);
  if (exact === null) return { kind: 'noMatch' };
  const house = countedLeaf(exact, recipe, spoonsForWater(recipe, water));
  if (!asked.wish || !isWished(asked.wish)) {
    if (asked.taper === undefined || house.bags !== null) return cardFor(asked, house, null);
    const tapered = grams(taperedLeaf(brewingOf(pouredAt(asked, house.leaf)), asked.taper));
    const counted = countedLeaf(tapered, recipe, spoonsForLeaf(recipe, tapered));
    return cardFor(asked, counted, null, house.leaf);
  }
  const wished = grant(asked.wish, wishRoomOf(asked, house.leaf));
  const counted = countedLeaf(wished.leaf, recipe, spoonsForLeaf(recipe, wished.leaf));
  return cardFor({ ...asked, recipe: recipeAsWished(recipe, wished) }, counted, wished);
}

/** What the water has on the leaf: what a kettle's setting gives, the recipe's heat, or the most that can arrive. */
function onLeafOf({
  a,
  leaf,
  heat,
  boiling,
  kettle,
}: {
  a: CardInput;
  leaf: Grams;
  heat: WaterPlan;
  boiling: Celsius;
  kettle: KettleOnCard | null;
}): Celsius {
  if (kettle && kettle.set !== null) return celsius(a.recipe.temperature + kettle.off);
  return heat.kind === 'reachable' ? a.recipe.temperature : reached(a, leaf, boiling);
}
/** The card of a pour whose leaf is known. */
function cardFor(
  a: CardInput,
  { leaf, bags, spoons }: Counted,
  wished: Granted | null,
  untapered: Grams | null = null,
): Card | CardFault {
  const style = styleOf(a.tea.style);
  const fill = fillFault(a.vessel, a.water, leaf, style.swell);
  if (fill) return fill;
  const crowding = basketCrowding(a.vessel, leaf, style.swell);
  if (crowding !== null && crowding > CRAMMED)
    return { kind: 'basketTooSmall', crowding, most: round1((leaf * CRAMMED) / crowding) };
  const boiling = siteBoiling(a.site);
  const heat = heatPlan(a, leaf, a.warmed, boiling);
  const prewarmNeeded =
    !a.warmed &&
    heat.kind === 'outOfReach' &&
    heatPlan(a, leaf, true, boiling).kind === 'reachable';
  const spooned =
    bags === null && a.tea.weighing
      ? spoonsFor(leaf, densityOf(a.tea.weighing), a.tea.spoon)
      : null;
  const pull = leafActWords(a.vessel, a.recipe.handling.root);
  const cautions: Caution[] = ['scald'];
  if (prewarmNeeded) cautions.push('prewarm');
  if (crowding !== null && crowding > CROWDED) cautions.push('crowded');
  if (a.vessel.material === 'glass' && !a.warmed) cautions.push('coolGlass');
  const kettle = a.kettle
    ? kettleOnCard(a, a.kettle, {
        ...{ heat, boiling },
        comesTo: (water) => onLeafAt(a, leaf, water),
      })
    : null;
  const liquor = millilitres(liquorYield(a.water, leaf, style.held, a.vessel.dead));
  return {
    kind: 'card',
    water: a.water,
    leaf,
    spoons: spoons ?? spooned,
    countsSpoons: spoons !== null,
    bags,
    liquor,
    temperature: a.recipe.temperature,
    onLeaf: onLeafOf({ a, leaf, heat, boiling, kettle }),
    boiling,
    heat,
    prewarmNeeded,
    warmed: a.warmed,
    window: a.recipe.window,
    crowding,
    cautions,
    pull: { act: pull.act, done: pull.done },
    untapered,
    kettle,
    wished,
    milk: wished ? milkFor(wished.wish.milk, liquor) : millilitres(0),
  };
}

import {
  afterPour,
  boilingAt,
  type CoolingRate,
  firstContact,
  type Material,
  planWater,
  POUR_LOSS,
  WARMED_WALL,
  waterDensity,
  type WaterPlan,
} from '#core/heat';
import { type KnownPour, leafFor, matchCup, matchStrength, type Pour } from '#core/scaling';
import { type KnownTea, styleOf } from '#core/styles';
import {
  type Celsius,
  celsius,
  type Grams,
  grams,
  metres,
  type Millilitres,
  millilitres,
  type Seconds,
  type Spoon,
} from '#core/units';
import {
  basketCrowding,
  fillFault,
  leafActWords,
  liquorYield,
  type VesselFacts,
} from '#core/vessels';
import { brewingOf } from './brewing';
import { densityOf, type SpoonCount, spoonsFor, type Weighing } from './measure';
import type { Method, Recipe, Window } from './recipe';

/** What of a site the working needs. */
export type SiteFacts = {
  readonly altitudeM: number;
  /** Overrides the altitude when a house has measured it. */
  readonly measuredBoiling: Celsius | null;
  readonly coldWater: Celsius;
  readonly ambient: Celsius;
  readonly pourLoss: number | null;
  readonly kettle: {
    readonly volume: Millilitres;
    readonly material: Material;
    readonly lid: boolean;
    readonly rate?: CoolingRate | null;
  };
};
export type TeaFacts = KnownTea & { readonly weighing: Weighing | null; readonly spoon: Spoon };

export type CardInput = {
  readonly tea: TeaFacts;
  readonly recipe: Recipe;
  readonly method: Method;
  readonly vessel: VesselFacts;
  readonly site: SiteFacts;
  readonly water: Millilitres;
  readonly warmed: boolean;
};

export type Caution = 'prewarm' | 'crowded' | 'scald' | 'coolGlass';
export type Card = {
  readonly kind: 'card';
  readonly water: Millilitres;
  /** To 0.1 g, as a scale shows it. */
  readonly leaf: Grams;
  readonly spoons: SpoonCount | null;
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

/** Boiling point of a site: measured, else from its altitude. */
export const siteBoiling = (site: Pick<SiteFacts, 'altitudeM' | 'measuredBoiling'>): Celsius =>
  site.measuredBoiling ?? boilingAt(metres(site.altitudeM));

function heatPlan(a: CardInput, leaf: Grams, warmed: boolean, boiling: Celsius): WaterPlan {
  // Poured by volume at about 20 C; 1 ml is 1 g within 0.2 % there.
  return planWater({
    water: grams(a.water * waterDensity(celsius(20))),
    target: a.recipe.temperature,
    boiling,
    wallAt: warmed ? WARMED_WALL : a.site.ambient,
    material: a.vessel.material,
    capacity: a.vessel.brim,
    leaf,
    cold: a.site.coldWater,
    ambient: a.site.ambient,
    pourLoss: a.site.pourLoss ?? POUR_LOSS,
    kettle: a.site.kettle,
  });
}

/** The most that boiling water comes to on the leaf of a pour. */
export const mostOnLeaf = (
  a: Pick<CardInput, 'water' | 'vessel' | 'site' | 'warmed'>,
  leaf: Grams,
  boiling: Celsius,
): Celsius =>
  firstContact({
    water: grams(a.water * waterDensity(celsius(20))),
    waterAt: afterPour(boiling, a.site.ambient, a.site.pourLoss ?? POUR_LOSS),
    material: a.vessel.material,
    capacity: a.vessel.brim,
    wallAt: a.warmed ? WARMED_WALL : a.site.ambient,
    leaf,
    leafAt: a.site.ambient,
  });
/** What boiling water comes to on so much leaf in a full vessel that was warmed, and in a cold one. */
export function boilingOnLeaf(
  vessel: CardInput['vessel'],
  site: SiteFacts,
  leaf: Grams,
): { readonly warmed: Celsius; readonly cold: Celsius } {
  const comesTo = (warmed: boolean) =>
    mostOnLeaf({ water: vessel.mark, vessel, site, warmed }, leaf, siteBoiling(site));
  return { warmed: comesTo(true), cold: comesTo(false) };
}
/** The heat on the leaf of a pour: as the recipe wants it, or what boiling water comes to. */
const reached = (a: CardInput, leaf: Grams, boiling: Celsius): Celsius =>
  celsius(Math.min(mostOnLeaf(a, leaf, boiling), a.recipe.temperature));

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
  const { scaling, dose } = a.recipe;
  if (scaling.school !== 'match') return leafFor(a.water, dose, scaling);
  const { reference, pour } = matching(a, scaling.known);
  const found = matchStrength(reference, pour);
  return found.kind === 'matched' ? found.leaf : null;
}

/**
 * Works a recipe out for one pour: leaf, spoons, water, heat, window. What cannot be brewed comes back as a fault.
 * Warming follows the recipe or `warmed`; when a cold vessel cannot reach the heat the card says so.
 */
export function computeCard(a: CardInput): Card | CardFault {
  if (!(a.water > 0)) return { kind: 'noWater' };
  const style = styleOf(a.tea.style);
  if (a.water > a.vessel.brim) return { kind: 'overBrim', brim: a.vessel.brim };
  const exact = recipeLeaf(a);
  if (exact === null) return { kind: 'noMatch' };
  const { bag } = a.recipe;
  const bags = bag === null ? null : Math.max(1, Math.round(exact / bag));
  const leaf = round1(bags === null || bag === null ? Math.max(0.1, exact) : bags * bag);
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
  const counted =
    bags === null && a.tea.weighing
      ? spoonsFor(leaf, densityOf(a.tea.weighing), a.tea.spoon)
      : null;
  const pull = leafActWords(a.vessel, a.recipe.handling.root);
  const cautions: Caution[] = ['scald'];
  if (prewarmNeeded) cautions.push('prewarm');
  if (crowding !== null && crowding > CROWDED) cautions.push('crowded');
  if (a.vessel.material === 'glass' && !a.warmed) cautions.push('coolGlass');
  return {
    kind: 'card',
    water: a.water,
    leaf,
    spoons: counted,
    bags,
    liquor: millilitres(liquorYield(a.water, leaf, style.held, a.vessel.dead)),
    temperature: a.recipe.temperature,
    onLeaf: heat.kind === 'reachable' ? a.recipe.temperature : reached(a, leaf, boiling),
    boiling,
    heat,
    prewarmNeeded,
    warmed: a.warmed,
    window: a.recipe.window,
    crowding,
    cautions,
    pull: { act: pull.act, done: pull.done },
  };
}

import type { ColouredBrew } from '#core/colour';
import {
  brewingOf,
  characterAfter,
  type CupsAsked,
  type KettleUsed,
  MILK_SHARES,
  milkFor,
  type NextSteep,
  nextSteep,
  type Recipe,
  type Window,
  type Wish,
} from '#core/recipes';
import type { KnownTea, Multipliers, StyleId, Swatches } from '#core/styles';
import {
  type Celsius,
  celsius,
  type Grams,
  type Millilitres,
  millilitres,
  type Seconds,
} from '#core/units';
import type { VesselFacts } from '#core/vessels';
import type { BrewWater } from '#core/water';
import { leafBackWindow } from './brew';

/** A guest's wish as a brew was planned for it. */
export type PlannedWish = Wish & {
  /** Its best time: the clock's own moves on when the leaf goes back. */
  readonly best: Seconds;
  /** What the house recipe has in place of the plan's. */
  readonly house: Pick<Recipe, 'dose' | 'temperature'> & { readonly best: Seconds };
  /** Milk for all of the liquor, ml. */
  readonly milkMl: Millilitres;
};
/** What of a card is kept with its brew: all that its clock, its forecast and its corrections need later. */
export type BrewPlan<R extends Recipe = Recipe, V extends VesselFacts = VesselFacts> = {
  water: Millilitres;
  leaf: Grams;
  spoons: string | null;
  /** Its recipe counts spoons of which none had been weighed: the grams are an estimate. Absent: they are known. */
  spoonsUnweighed?: boolean | undefined;
  liquor: Millilitres;
  temperature: Celsius;
  /** What the water has on the leaf: the recipe's heat, or the most that could arrive. */
  onLeaf: Celsius;
  ambient: Celsius;
  kettle: Celsius;
  /** Cold water that goes in first, so that boiling water on it makes the heat; null or absent: set the kettle. */
  splash?: Millilitres | null | undefined;
  /** The kettle that was chosen for it; null or absent: none was. */
  kettleUsed?: KettleUsed | null | undefined;
  /** The water it was made with; absent: it was not kept yet. */
  brewWater?: BrewWater | undefined;
  /** Leaf of it that came out of pockets filled ahead; absent: none. */
  pocketed?: Grams | undefined;
  /** Less leaf for cups poured one by one; the leaf it would have without. */
  taper?: { readonly cups: number; readonly house: Grams } | null | undefined;
  /** A later steep of its leaf: which, and how long each before it was. */
  steep?: { number: number; past: Seconds[]; by: 'recipe' | 'model' } | null | undefined;
  reachable: boolean;
  warmed: boolean;
  crowding: number | null;
  recipe: R;
  vessel: V;
  pull: { act: string; done: string };
  /** What the guest asked for: leaf, heat and recipe are already so; null or absent: as the house has it. */
  wish?: PlannedWish | null | undefined;
  /** The cups that were asked for: serving in turns follows them. */
  cups?: CupsAsked | null | undefined;
  /** Its time is found by tasting; what the recipe has as its best. The clock asks for the tastes. */
  explore?: { readonly best: Seconds } | null | undefined;
  /** The tea's own multipliers, where it was fitted to this house by then. */
  fitted?: Multipliers | null | undefined;
  /** Its own colours, where they were measured by then. */
  swatches?: Swatches | null | undefined;
};

/** The tea of a kept plan, as it was known when the plan was made. */
export const knownFrom = (
  plan: Pick<BrewPlan, 'fitted' | 'swatches'>,
  style: StyleId,
): KnownTea => ({
  style,
  fitted: plan.fitted ?? null,
  swatches: plan.swatches,
});
/** The pour of a kept plan as it was first made, whichever steep of its leaf the plan is for. */
const firstPour = (plan: BrewPlan, style: StyleId, time: Seconds): ColouredBrew =>
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
const used = new WeakMap<BrewPlan, ColouredBrew['character']>();
/**
 * A kept plan as the models need it, so many seconds on the leaf; a later steep with the leaf as the earlier ones
 * left it.
 */
export function toModelInput(plan: BrewPlan, style: StyleId, time: Seconds): ColouredBrew {
  const milk = plan.wish ? MILK_SHARES[plan.wish.milk] : 0;
  const poured = firstPour(plan, style, time);
  const brew = milk > 0 ? { ...poured, milk } : poured;
  if (!plan.steep) return brew;
  const character = used.get(plan) ?? characterAfter(brew, plan.recipe, plan.steep.past);
  used.set(plan, character);
  // A later steep has lost what the measured cups had.
  return { ...brew, character, measured: undefined };
}

/** A plan whose clock runs to another window than its recipe's. */
export const withWindow = <P extends BrewPlan>(plan: P, window: Window): P => ({
  ...plan,
  recipe: { ...plan.recipe, window },
});
/** A kept plan once the leaf went back for so many seconds more: the bar's clock runs to its new window. */
export const withLeafBack = <P extends BrewPlan>(plan: P, steeped: Seconds, more: number): P =>
  withWindow(plan, leafBackWindow(steeped, more));
/**
 * The next steep of the same leaf.
 *
 * @param steeped how long the brew of this plan was on its leaf, s
 * @returns its plan, or null with the reason in `next` when the leaf is spent
 */
export function planAgain<P extends BrewPlan>(
  plan: P,
  style: StyleId,
  steeped: Seconds,
): { readonly next: NextSteep; readonly plan: P | null } {
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
      explore: null,
      warmed: true,
      spoons: null,
      splash: null,
      kettle: celsius(Math.min(plan.kettle, 100)),
      liquor: plan.water,
      // The leaf holds its water by now: a later steep pours more than the first.
      ...(plan.cups && {
        cups: { ...plan.cups, each: millilitres(plan.water / plan.cups.count) },
      }),
      ...(plan.wish && {
        wish: {
          ...plan.wish,
          ...{ best: next.window.best, milkMl: milkFor(plan.wish.milk, plan.water) },
        },
      }),
      steep: { number: next.number, past, by: next.by },
    },
  };
}

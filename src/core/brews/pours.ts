import {
  type Brewing,
  cupFrom,
  emptiedPot,
  leftIn,
  type Pot,
  potAt,
  type PotPour,
  type PouredCup,
  refilled,
} from '#core/cup';
import type { StyleId } from '#core/styles';
import {
  type EpochMs,
  type Millilitres,
  millilitres,
  type Seconds,
  seconds,
  secondsBetween,
} from '#core/units';
import { leafAct, type VesselFacts } from '#core/vessels';
import type { BrewState } from './brew';
import { type BrewPlan, toModelInput } from './plan';

// Leaf that stays in: a pot emptied cup by cup, and a glass that is drunk from.

/**
 * How the liquor leaves leaf that stays in: by cups out of a pot, or drunk from the glass; null: the leaf comes out, or
 * all is poured off at once, as out of a lidded cup.
 */
export function leafStaysIn(
  vessel: Pick<VesselFacts, 'kind' | 'infuser' | 'strainer'>,
): 'pot' | 'glass' | null {
  const act = leafAct(vessel);
  if (act === 'drinkOff') return 'glass';
  return act === 'pourOff' && vessel.kind === 'pot' ? 'pot' : null;
}
/** A glass is filled up again when a fifth is left in it (common practice). */
const REFILL_AT = 0.2;

type OfPot = {
  readonly plan: BrewPlan;
  readonly pours?: readonly PotPour[] | null | undefined;
};
/** The first cup of a pot that keeps its leaf ends its steep; null where the leaf comes out. */
export const firstCup = (plan: BrewPlan, steeped: Seconds, ml: Millilitres): PotPour[] | null =>
  leafStaysIn(plan.vessel) === null ? null : [{ after: steeped, what: 'cup', ml }];
/**
 * One more cup, or hot water again; null where nothing stands on the leaf: all was poured off, or it is not served yet.
 * A glass is drunk from as soon as it is served.
 */
export function poursWith(
  { plan, pours }: OfPot,
  state: BrewState,
  { at, what, ml }: { at: EpochMs; what: PotPour['what']; ml: Millilitres },
): PotPour[] | null {
  if (state.kind !== 'pulled') return null;
  const isGlass = leafStaysIn(plan.vessel) === 'glass';
  if (!pours && !isGlass) return null;
  return [...(pours ?? []), { after: secondsBetween(state.waterOn, at), what, ml }];
}

/** A pot that keeps its leaf, as it stands. */
export type StandingPot = {
  readonly cups: readonly PouredCup[];
  readonly brew: Brewing;
  readonly pot: Pot;
  /** Liquor that can still be poured, ml. */
  readonly left: Millilitres;
  /** Predicted strength of a cup that is poured now, 0 to 10. */
  readonly strength: number;
};
/** Tasted as a small cup: strength follows what is dissolved, not how much is poured. */
const SIP = millilitres(10);
const strengthOf = (brew: Brewing, pot: Pot): number => cupFrom(brew, pot, SIP).taste.strength;
/**
 * A pot so long after its water went on.
 * @param plan as it was made: leaf that was weighed and heat that was read in their places
 */
export function standingPot(
  plan: BrewPlan,
  style: StyleId,
  pours: readonly PotPour[],
  after: Seconds,
): StandingPot {
  const brew = toModelInput(plan, style, plan.recipe.window.best);
  const { cups, pot } = emptiedPot(brew, pours, plan.onLeaf);
  const now = potAt(brew, pot, after);
  return { cups, brew, pot: now, left: leftIn(brew, now), strength: strengthOf(brew, now) };
}
/** Hot water that fills it up again, ml: to what was poured on at first. */
export const refillOf = ({ brew, pot }: StandingPot): Millilitres =>
  millilitres(Math.max(0, Math.round(brew.water - pot.water)));
/** What filling it up now gives, so long after. */
export function afterRefill({ brew, pot }: StandingPot, ml: Millilitres, waited: Seconds): number {
  const full = refilled(pot, ml, brew.temperature);
  return strengthOf(brew, potAt(brew, full, seconds(full.after + waited)));
}
/** What is drunk of a glass until a fifth is left, ml. */
export const drunkToAFifth = ({ left, brew }: StandingPot): Millilitres =>
  millilitres(Math.max(0, Math.round(left - REFILL_AT * leftIn(brew, brew))));

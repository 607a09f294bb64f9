import type { ColouredBrew } from '#core/colour';
import { heatOf } from '#core/cup';
import { AGITATION, heatAfter, type LeafOut } from '#core/extraction';
import { inColdVessel, waterDensity } from '#core/heat';
import type { StyleId } from '#core/styles';
import { type Celsius, celsius, type EpochMs, grams, type Seconds, seconds } from '#core/units';
import { type KettleWait, kettleWaitOf } from './kettleWait';
import { type BrewPlan, toModelInput } from './plan';
import type { StepRecord } from './steps';
import { waterReallyOn } from './tasting';

// A brew as it was really made: its card, with what was recorded in place of what was planned.

/** What of a brew was recorded. */
export type Recorded = {
  readonly steeped: Seconds;
  readonly waterOn: EpochMs;
  readonly marks: readonly StepRecord[];
  readonly readings: readonly { readonly at: EpochMs; readonly celsius: Celsius }[];
  /** When the leaf was out to be tasted; `steeped` counts the seconds in the water alone. */
  readonly outs?: readonly LeafOut[] | undefined;
};
export type DonePlan = {
  /** The plan itself where nothing was recorded that differs from it. */
  readonly plan: BrewPlan;
  /** Leaf on the scale over the card's; null: not weighed. */
  readonly leafShare: number | null;
  /** Heat on the leaf less the card's, °C; null: not read. */
  readonly heatOff: Celsius | null;
  /** The card wants a warmed vessel, and the step was left out. */
  readonly notWarmed: boolean;
  /** Share of the recipe's stirs that were left out; 0 where it has none, or nobody said so. */
  readonly stirsLeftOut: number;
  /** How long the water waited off the boil; null: it was not to wait, or nobody said when it boiled. */
  readonly kettleWait: KettleWait | null;
};
export type DoneBrew = Omit<DonePlan, 'plan'> & { readonly brew: ColouredBrew };
const MS = 1000;
/** Water on the leaf is never hotter. */
const HOTTEST = 100;
/** Water is measured at about this. */
const ROOM = celsius(20);

/** What a thermometer should show so long after the water went on: the plan's heat, cooling as its vessel does. */
export function plannedHeatAt(plan: BrewPlan, style: StyleId, after: Seconds): Celsius {
  const brew = toModelInput(plan, style, after);
  return heatAfter(heatOf(brew), brew.water, after);
}
/** How far the water was from the plan when it went on, from readings while the leaf was in; null: none was taken. */
function heatOffOf(
  plan: BrewPlan,
  style: StyleId,
  { readings, waterOn, steeped, outs = [] }: Recorded,
): Celsius | null {
  // Water cools by the clock on the wall, in whichever place the leaf is.
  const reallyOn = waterReallyOn(waterOn, outs);
  const lasted = steeped + (waterOn - reallyOn) / MS;
  const off = readings.flatMap((reading) => {
    const after = (reading.at - reallyOn) / MS;
    if (after < 0 || after > lasted) return [];
    const planned = plannedHeatAt(plan, style, seconds(after));
    // What is above the room goes on cooling at the same rate: a gap was larger when the water went on.
    const left = (planned - plan.ambient) / (plan.onLeaf - plan.ambient);
    return left > 0 ? [(reading.celsius - planned) / left] : [];
  });
  return off.length === 0 ? null : celsius(off.reduce((a, b) => a + b, 0) / off.length);
}
/** Leaf on the scale over the card's, the last weighing; null: not weighed. */
export function leafShareOf(
  plan: Pick<BrewPlan, 'leaf'>,
  marks: readonly Pick<StepRecord, 'grams'>[],
): number | null {
  const weighed = marks.findLast((mark) => mark.grams !== undefined)?.grams;
  return weighed === undefined ? null : weighed / plan.leaf;
}
/** True when the vessel was to be warmed and somebody said that the step was left out. */
const wasNotWarmed = (
  plan: Pick<BrewPlan, 'warmed'>,
  marks: readonly Pick<StepRecord, 'key' | 'outcome'>[],
): boolean => plan.warmed && marks.findLast((mark) => mark.key === 'warm')?.outcome === 'skipped';
/** Share of the recipe's stirs that somebody said were left out. */
function stirsLeftOutOf(
  { recipe }: Pick<BrewPlan, 'recipe'>,
  marks: readonly Pick<StepRecord, 'key' | 'outcome'>[],
): number {
  const stirs = recipe.handling.stir.map((_, i) => `stir${i + 1}`);
  const leftOut = stirs.filter(
    (key) => marks.findLast((mark) => mark.key === key)?.outcome === 'skipped',
  );
  return stirs.length === 0 ? 0 : leftOut.length / stirs.length;
}
/**
 * A brew whose stirs were left out: leaf that lies still gives more slowly. The recipe is taken to be as it is with its
 * stirs, so what they add (`AGITATION.stirred`, a guess) is taken off.
 */
export const withStirs = (brew: ColouredBrew, leftOut: number): ColouredBrew =>
  leftOut === 0 ? brew : { ...brew, contact: (brew.contact ?? 1) * AGITATION.stirred ** -leftOut };
/** What the water has on the leaf in the same vessel, not warmed. */
const coldOnLeaf = ({ onLeaf, water, leaf, ambient, vessel }: BrewPlan): Celsius =>
  inColdVessel(onLeaf, {
    water: grams(water * waterDensity(ROOM)),
    ...{ material: vessel.material, capacity: vessel.brim, leaf, leafAt: ambient },
  });
/**
 * The plan with what was recorded in its place: leaf that was weighed, heat that was read, a vessel that was not warmed, water
 * that waited longer off the boil, or less.
 * Of a later steep the leaf was weighed with the first.
 */
export function planAsDone(plan: BrewPlan, style: StyleId, recorded: Recorded): DonePlan {
  const leafShare = leafShareOf(plan, recorded.marks);
  const heatOff = heatOffOf(plan, style, recorded);
  const notWarmed = wasNotWarmed(plan, recorded.marks);
  const stirsLeftOut = stirsLeftOutOf(plan, recorded.marks);
  const kettleWait = kettleWaitOf(plan, recorded.marks, recorded.waterOn);
  const found = { leafShare, heatOff, notWarmed, stirsLeftOut, kettleWait };
  if (leafShare === null && heatOff === null && kettleWait === null && !notWarmed)
    return { ...found, plan };
  const leaf = leafShare === null ? plan.leaf : grams(leafShare * plan.leaf);
  const unread = (notWarmed ? coldOnLeaf(plan) : plan.onLeaf) + (kettleWait?.off ?? 0);
  // What a thermometer showed is what was: it has the wait and the cold vessel in it.
  const heat = heatOff === null ? unread : plan.onLeaf + heatOff;
  const onLeaf = celsius(Math.min(HOTTEST, heat));
  return { ...found, plan: { ...plan, leaf, onLeaf } };
}
/** A brew whose leaf was out of its water for a while. */
export const withOuts = (brew: ColouredBrew, outs: readonly LeafOut[] | undefined): ColouredBrew =>
  outs && outs.length > 0 ? { ...brew, outs } : brew;
/** The brew as the models need it, as it was really made, its seconds on the leaf too. */
export function asDone(plan: BrewPlan, style: StyleId, recorded: Recorded): DoneBrew {
  const { plan: done, ...found } = planAsDone(plan, style, recorded);
  const brew = withOuts(toModelInput(done, style, recorded.steeped), recorded.outs);
  return { ...found, brew: withStirs(brew, found.stirsLeftOut) };
}

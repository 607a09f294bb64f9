import type { Brewing } from '#core/cup';
import { normal, type Random, seeded } from '#core/numeric';
import type { StyleId } from '#core/styles';
import { turned } from '../levers';
import { type Attribute, ATTRIBUTE_NAMES } from '../marks';
import {
  type Belief,
  beliefMoved,
  type Doubts,
  type Evidence,
  metCup,
  preparedCup,
  USUAL_TASTER,
} from './belief';
import { placeOf, SENSED, slopesOf } from './sensed';
import { rootOf } from './square';
import {
  added,
  doseTurned,
  negative,
  NO_UNITS,
  type RecipeDose,
  THREE,
  type Three,
  unitsBetween,
} from './units';

// What to do with a recipe, from what is believed of it: nothing, one lever, or all three.

/** A change is advised when it takes away more than this, marks (root mean square over the five taste indices). */
export const WORTH_CHANGING = 0.35;
/** Three levers at once have to beat the best of one by so much, marks squared. */
const THREE_MUST_BEAT = 0.04;
/** Below this chance that it is better, more cups are asked for first. */
export const SURE_ENOUGH = 0.7;
const DRAWS = 2000;
/** So many more cups are looked ahead. */
const MOST_AHEAD = 20;
/** What the bar can do: leaf per 100 ml, °C, s. */
const BAR = { gPer100ml: 0.05, temperatureC: 1, seconds: 5 } as const;

/** Draws of a version are always the same: the last figures of its id. */
export const seedOfVersion = (versionId: string): number =>
  parseInt(versionId.replaceAll('-', '').slice(-8), 16);

/** An attribute as all cups together have it: marks off, and how sure that is. */
export type PooledMark = { readonly mean: number; readonly sd: number };
export type PooledMarks = Readonly<Record<Attribute, PooledMark>>;
export type RecipeAdvice = {
  /** Mean square of the marks that the five attributes are off, as it is believed. */
  readonly loss: number;
  /** The change that takes most of it away; null: none is worth it. */
  readonly change: {
    readonly exact: RecipeDose;
    /** By what the bar can do. */
    readonly rounded: RecipeDose;
    readonly units: Three;
    /** What cups of the changed recipe are expected to show. */
    readonly expected: PooledMarks;
  } | null;
  readonly lossAfter: number;
  /** The chance that the rounded change is better than none; null: no change. */
  readonly chance: number | null;
  /** So many more judged cups would make it sure enough; 0: it is; null: not within twenty, or no change. */
  readonly more: number | null;
  readonly pooled: PooledMarks;
};

const ROWS = ATTRIBUTE_NAMES.map(placeOf);
type Slopes = Float64Array;
const slopeRow = (slopes: Slopes, row: number): Three => [
  slopes[row] as number,
  slopes[SENSED + row] as number,
  slopes[2 * SENSED + row] as number,
];
/** Mean square of the five taste indices for a recipe that stands so far above the right one. */
function lossAt(rows: readonly Three[], [leaf, heat, time]: Three): number {
  let sum = 0;
  for (const [a, b, c] of rows) sum += (a * leaf + b * heat + c * time) ** 2;
  return sum / rows.length;
}
const doseOf = (brew: Brewing): RecipeDose => ({
  gPer100ml: (100 * brew.leaf) / brew.water,
  temperatureC: brew.temperature,
  seconds: brew.time,
});
/** Turned by so much, but never outside what its style is brewed by. */
const inRange = (brew: Brewing, style: StyleId, [leafGrams, temperatureC, seconds]: Three): Three =>
  unitsBetween(doseOf(brew), doseOf(turned(brew, style, { leafGrams, temperatureC, seconds })));
/** The turn of one lever that takes most away. */
function bestOf(rows: readonly Three[], mean: Three, lever: 0 | 1 | 2): Three {
  let [along, square] = [0, 0];
  for (const row of rows) {
    along += row[lever] * (row[0] * mean[0] + row[1] * mean[1] + row[2] * mean[2]);
    square += row[lever] ** 2;
  }
  const turn = square > 0 ? -along / square : 0;
  return THREE.map((_, i) => (i === lever ? turn : 0)) as unknown as Three;
}
const nearest = (value: number, step: number): number =>
  Number((step * Math.round(value / step)).toFixed(4));
/** What was turned, by what the bar can do; what was not turned stays as it is. */
function roundedDose(from: RecipeDose, to: RecipeDose): RecipeDose {
  const by = (key: keyof RecipeDose) =>
    Math.abs(to[key] - from[key]) < 1e-9 ? from[key] : nearest(to[key], BAR[key]);
  return {
    gPer100ml: by('gPer100ml'),
    temperatureC: by('temperatureC'),
    seconds: by('seconds'),
  };
}

/** The share of draws of what is believed in which the change is better than none. */
function chanceOf(
  rows: readonly Three[],
  { mean, covariance }: Pick<Belief, 'mean' | 'covariance'>,
  units: Three,
  random: Random,
): number {
  const root = rootOf(covariance);
  let better = 0;
  for (let i = 0; i < DRAWS; i++) {
    const [x, y, z] = [normal(random, 0, 1), normal(random, 0, 1), normal(random, 0, 1)];
    const drawn: Three = [
      mean[0] + root[0] * x,
      mean[1] + root[3] * x + root[4] * y,
      mean[2] + root[6] * x + root[7] * y + root[8] * z,
    ];
    if (lossAt(rows, added(drawn, units)) < lossAt(rows, drawn)) better += 1;
  }
  return better / DRAWS;
}
/** One more cup as the card has it, nothing weighed or read: it only makes what is believed surer. */
const oneMore = (brew: Brewing): Evidence => ({
  ...{ id: '', plan: brew, done: brew, leafWeighed: false, heatRead: false, moved: NO_UNITS },
  marks: Object.fromEntries(ATTRIBUTE_NAMES.map((a) => [a, 0])),
  taster: USUAL_TASTER,
});
/** How many more cups make a change sure enough; null: more than twenty. */
function moreCups(
  rows: readonly Three[],
  belief: Belief,
  units: Three,
  { brew, seed, doubts }: { brew: Brewing; seed: number; doubts: Doubts | undefined },
): number | null {
  const cup = preparedCup(oneMore(brew));
  let then = belief;
  for (let n = 0; n <= MOST_AHEAD; n++) {
    const sure = { mean: belief.mean, covariance: then.covariance };
    if (chanceOf(rows, sure, units, seeded(seed)) >= SURE_ENOUGH) return n;
    then = metCup(then, cup, doubts).belief;
  }
  return null;
}

/**
 * What is advised for a recipe.
 * @param brew the recipe as it is planned in a vessel; its leaf, heat and time are those that the belief is of
 * @param seed of the draws: the same for the same recipe version
 * @param doubts how far what is not recorded may be off; the usual where absent
 */
export function recipeAdvice(
  belief: Belief,
  {
    brew,
    style,
    seed,
    doubts,
  }: {
    readonly brew: Brewing;
    readonly style: StyleId;
    readonly seed: number;
    readonly doubts?: Doubts;
  },
): RecipeAdvice {
  const slopes = slopesOf(brew);
  const rows = ROWS.map((row) => slopeRow(slopes, row));
  const { mean } = belief;
  const lossOf = (units: Three) => lossAt(rows, added(mean, units));
  const singles = ([0, 1, 2] as const).map((lever) =>
    inRange(brew, style, bestOf(rows, mean, lever)),
  );
  const single = singles.reduce((best, c) => (lossOf(c) < lossOf(best) ? c : best), NO_UNITS);
  const three = inRange(brew, style, negative(mean));
  const units = lossOf(three) < lossOf(single) - THREE_MUST_BEAT ? three : single;
  const loss = lossOf(NO_UNITS);
  const isWorth = loss - lossOf(units) > WORTH_CHANGING ** 2;
  const from = doseOf(brew);
  const exact = doseTurned(from, units);
  const rounded = roundedDose(from, exact);
  const byBar = unitsBetween(from, rounded);
  return {
    loss,
    change: isWorth
      ? { exact, rounded, units: byBar, expected: pooledMarks(rows, beliefMoved(belief, byBar)) }
      : null,
    lossAfter: isWorth ? lossOf(units) : loss,
    chance: isWorth ? chanceOf(rows, belief, byBar, seeded(seed)) : null,
    more: isWorth ? moreCups(rows, belief, byBar, { brew, seed, doubts }) : null,
    pooled: pooledMarks(rows, belief),
  };
}
function pooledMarks(rows: readonly Three[], { mean, covariance }: Belief): PooledMarks {
  const [a, b, c, , d, e, , , f] = covariance;
  return Object.fromEntries(
    ATTRIBUTE_NAMES.map((attribute, i): [Attribute, PooledMark] => {
      const [x, y, z] = rows[i] as Three;
      const variance = a * x * x + d * y * y + f * z * z + 2 * (b * x * y + c * x * z + e * y * z);
      return [
        attribute,
        { mean: x * mean[0] + y * mean[1] + z * mean[2], sd: Math.sqrt(variance) },
      ];
    }),
  ) as Record<Attribute, PooledMark>;
}

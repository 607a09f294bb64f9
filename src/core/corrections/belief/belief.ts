import type { Brewing } from '#core/cup';
import { HEAT_STEP, LEAF_STEP } from '../levers';
import { JUDGED, type JudgedIndex, type Marks } from '../search';
import { placeOf, SENSED, sensed, slopesOf } from './sensed';
import {
  applied,
  determinantOf,
  diagonal,
  inner,
  inverseOf,
  plus,
  product,
  scaled,
  type Square,
  symmetric,
} from './square';
import { added, negative, NO_UNITS, type Three } from './units';

// What all judged cups of a recipe say of it together. One cup is noisy: a spoon is off, the water is not as hot as the
// card says, a taster errs. So a cup is evidence of how far the recipe stands from the right one, with how sure that is; it is
// weighed by what was recorded of its making. An extended Kalman filter with three levers as its state (Kalman 1960; sizes of
// errors are choices, tried on simulated shops: `npm run bench:advice`).

/** A taster: how steady, and what is known to be added to each index, marks. */
export type TasterError = {
  readonly sd: number;
  readonly bias?: Readonly<Partial<Record<JudgedIndex, number>>>;
};
/** Until a taster sat in a calibration: half a mark. */
export const USUAL_TASTER: TasterError = { sd: 0.5 };

/** How far what was not recorded may be off. */
export type Doubts = {
  /** Leaf by the spoon, as a share. */
  readonly leaf: number;
  /** Water on the leaf, °C. */
  readonly heatC: number;
  /** Multiplies the variance of every taster. */
  readonly taster: number;
};
export const USUAL_DOUBTS: Doubts = { leaf: 0.06, heatC: 2.5, taster: 1 };

/** A judged cup as evidence. */
export type Evidence = {
  readonly id: string;
  /** The recipe as it was planned for that vessel. */
  readonly plan: Brewing;
  /** The same with all that was recorded in its place: seconds, and leaf, heat and handling where they were. */
  readonly done: Brewing;
  readonly leafWeighed: boolean;
  readonly heatRead: boolean;
  /** From the recipe that was brewed to the one that is asked about, effort units. */
  readonly moved: Three;
  /** Only what was looked at: a colour that was left alone is absent. */
  readonly marks: Marks;
  readonly taster: TasterError;
  /** Brewed elsewhere: another site, water or kettle. */
  readonly elsewhere?: boolean;
  /** The first cup of a lot that came after the cups before it. */
  readonly newLot?: boolean;
};

/** How far the recipe stands above the right one: leaf, heat and time in effort units, with their covariance. */
export type Belief = {
  readonly mean: Three;
  readonly covariance: Square;
  /** Judged cups it rests on. */
  readonly cups: number;
};
/** One cup as it was met. */
export type Met = {
  readonly id: string;
  /** Marks that were expected, and marks less those, in the order of `JUDGED`; null: not looked at. */
  readonly expected: readonly (number | null)[];
  readonly off: readonly (number | null)[];
  /** How unlikely it is: about 1 for each index that was marked; from `SLIP` on it is taken for a slip. */
  readonly distance: number;
  readonly isSlip: boolean;
  readonly logLikelihood: number;
};

/** Before any cup: one unit and a half of each lever either way; after a fit of the tea to this house one. */
export const PRIOR_SD = 1.5;
export const FITTED_PRIOR_SD = 1;
const LOT_SD = 0.7;
const ELSEWHERE_SD = 0.4;
/** A mark is a whole number. */
const ROUNDING = 1 / 12;
/** Of six indices; with fewer marked as many times less. */
const SLIP = 12;
const HIGHEST_MARK = 2;

export const priorOf = (sd: number): Belief => ({
  mean: NO_UNITS,
  covariance: diagonal(sd * sd, sd * sd, sd * sd),
  cups: 0,
});
/** The same belief of a recipe that was turned: what is known of the tea goes on. */
export const beliefMoved = (belief: Belief, by: Three): Belief => ({
  ...belief,
  mean: added(belief.mean, by),
});
const widened = (covariance: Square, sd: number): Square =>
  plus(covariance, diagonal(sd * sd, sd * sd, sd * sd));
/** A mark at the end of the scale is that much or more: beyond it on the same side nothing is off. */
function offOf(given: number, bias: number, expected: number): number {
  const mark = given - bias;
  const isBeyond = Math.abs(given) >= HIGHEST_MARK && given * (expected - mark) > 0;
  return isBeyond ? 0 : mark - expected;
}

const variance = (sd: number): number => sd * sd;
/** Variance of what was not recorded, effort units squared: leaf, heat, time. */
const unrecorded = (cup: Evidence, doubts: Doubts): Square =>
  diagonal(
    cup.leafWeighed ? 0 : variance(doubts.leaf / Math.log(LEAF_STEP)),
    cup.heatRead ? 0 : variance(doubts.heatC / HEAT_STEP),
    0,
  );

/** A cup worked out once, whatever is believed when it is met. */
export type Prepared = {
  readonly cup: Evidence;
  /** Indices that were marked, by their places among the six. */
  readonly rows: readonly number[];
  /** As `slopesOf` has them, of all six. */
  readonly slopes: Float64Array;
  /** Slopes of the marked indices times themselves, 3 x 3. */
  readonly squares: Square;
  /** Marks that follow from how it was made, whatever the recipe is; by row. */
  readonly made: readonly number[];
};
/** Cups of one recipe in one vessel share most of their figures: what was worked out is kept here. */
export class CupFigures {
  private readonly planned = new Map<Brewing, Float64Array>();
  private readonly slopes = new Map<Brewing, Map<string, Float64Array>>();
  /** A card’s marks. */
  ofPlan(plan: Brewing): Float64Array {
    const known = this.planned.get(plan) ?? sensed(plan);
    this.planned.set(plan, known);
    return known;
  }
  /** Slopes where a cup was made; `plan` tells everything but leaf, heat and time. */
  slopesAt(plan: Brewing, done: Brewing): Float64Array {
    const of = this.slopes.get(plan) ?? new Map<string, Float64Array>();
    this.slopes.set(plan, of);
    const key = `${done.leaf} ${done.temperature} ${done.time} ${done.agitation ?? ''} ${done.contact ?? ''}`;
    const known = of.get(key) ?? slopesOf(done);
    of.set(key, known);
    return known;
  }
}
function squaresOf(slopes: Float64Array, rows: readonly number[]): Square {
  const squares: [...Square] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  for (const row of rows)
    for (let a = 0; a < 3; a++)
      for (let b = 0; b < 3; b++)
        squares[3 * a + b] =
          (squares[3 * a + b] as number) +
          (slopes[a * SENSED + row] as number) * (slopes[b * SENSED + row] as number);
  return squares;
}
/** What the levers, standing so, add to one index. */
const atRow = (slopes: Float64Array, row: number, [leaf, heat, time]: Three): number =>
  (slopes[row] as number) * leaf +
  (slopes[SENSED + row] as number) * heat +
  (slopes[2 * SENSED + row] as number) * time;
/** Slopes and expectations of a cup. @throws {RangeError} when nothing was marked */
export function preparedCup(cup: Evidence, figures = new CupFigures()): Prepared {
  const rows = JUDGED.filter((index) => cup.marks[index] !== undefined).map(placeOf);
  if (rows.length === 0) throw new RangeError('no attribute was marked');
  const slopes = figures.slopesAt(cup.plan, cup.done);
  const [plan, done] = [figures.ofPlan(cup.plan), sensed(cup.done)];
  const squares = squaresOf(slopes, rows);
  const made = rows.map((row) => (done[row] as number) - (plan[row] as number));
  return { cup, rows, slopes, squares, made };
}

type Step = { readonly belief: Belief; readonly met: Met };
/** What was marked against what was expected: how far off, and the same along each lever. */
function offFrom({ cup, rows, slopes, made }: Prepared, { mean }: Belief) {
  // The recipe of this cup stood at the belief less what was turned since.
  const stood = added(mean, negative(cup.moved));
  const [expected, off]: [number[], number[]] = [[], []];
  const along: [number, number, number] = [0, 0, 0];
  let squared = 0;
  for (let i = 0; i < rows.length; i++) {
    const row = rows[i] as number;
    const index = JUDGED[row] as JudgedIndex;
    const e = (made[i] as number) + atRow(slopes, row, stood);
    const by = offOf(cup.marks[index] ?? 0, cup.taster.bias?.[index] ?? 0, e);
    expected.push(e);
    off.push(by);
    squared += by * by;
    for (let lever = 0; lever < 3; lever++)
      along[lever] = (along[lever] as number) + (slopes[lever * SENSED + row] as number) * by;
  }
  return { expected, off, along: along as Three, squared };
}
/** The inverse of the covariance on the three levers, and how unlikely the cup is. */
function weighed(M: Square, A: Square, noise: number, b: Three, squared: number) {
  const K = inverseOf(plus(A, inverseOf(M), noise));
  const Kb = applied(K, b);
  return { M, K, Kb, noise, distance: (squared - inner(b, Kb)) / noise };
}
/**
 * What is believed after one more cup. With J the slopes, E what was not recorded, r the variance of a mark, marks less what was
 * expected have the covariance S = J (P + E) J' + r; its inverse is taken on three levers instead of six indices:
 * (1 - J K J') / r, K = (r (P + E)^-1 + J'J)^-1 (Woodbury 1950).
 */
export function metCup(belief: Belief, prepared: Prepared, doubts: Doubts = USUAL_DOUBTS): Step {
  const { cup, rows, squares: A } = prepared;
  const P = cup.newLot ? widened(belief.covariance, LOT_SD) : belief.covariance;
  const { expected, off, along: b, squared } = offFrom(prepared, belief);
  const own = unrecorded(cup, doubts);
  const E = cup.elsewhere ? widened(own, ELSEWHERE_SD) : own;
  const r = doubts.taster * variance(cup.taster.sd) + ROUNDING;
  const plain = weighed(plus(P, E), A, r, b, squared);
  const most = (SLIP * rows.length) / SENSED;
  const isSlip = plain.distance > most;
  const times = plain.distance / most;
  const { K, Kb, noise } = isSlip ? weighed(plus(P, E, times), A, times * r, b, squared) : plain;
  const left = applied(A, Kb);
  const by = applied(scaled(P, 1 / noise), added(b, negative(left)));
  const told = plus(A, product(A, product(K, A)), -1);
  const less = product(P, product(told, P));
  const spread = plus(diagonal(1, 1, 1), product(plain.M, A), 1 / r);
  const logDeterminant = rows.length * Math.log(r) + Math.log(determinantOf(spread));
  return {
    belief: {
      mean: added(belief.mean, by),
      covariance: symmetric(plus(P, less, -1 / noise)),
      cups: belief.cups + 1,
    },
    met: {
      ...{ id: cup.id, distance: plain.distance, isSlip },
      expected: bySix(rows, expected),
      off: bySix(rows, off),
      logLikelihood: -0.5 * (plain.distance + logDeterminant),
    },
  };
}
function bySix(rows: readonly number[], values: readonly number[]): (number | null)[] {
  const six: (number | null)[] = [null, null, null, null, null, null];
  for (let i = 0; i < rows.length; i++) six[rows[i] as number] = values[i] ?? null;
  return six;
}

export type Gathered = { readonly belief: Belief; readonly met: readonly Met[] };
/** What is believed after all cups, the oldest first. */
export function gathered(
  prior: Belief,
  cups: readonly Prepared[],
  doubts: Doubts = USUAL_DOUBTS,
): Gathered {
  const met: Met[] = [];
  let belief = prior;
  for (const cup of cups) {
    const step = metCup(belief, cup, doubts);
    belief = step.belief;
    met.push(step.met);
  }
  return { belief, met };
}

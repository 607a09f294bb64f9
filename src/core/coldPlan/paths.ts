import TinyQueue from 'tinyqueue';
import type { Network, Step } from './network';
import { addTaken, type Between, fits, fitsWithin, type Room, type Taken } from './room';

/** How much has been looked at: the measure of a search, since the same work always comes to the same plan. */
export type Work = { steps: number };

/**
 * What it costs to take room, at one of the levels of cost. `rank` parts what is equal otherwise; the steps' own rank
 * parts what is equal in that too.
 */
export type Weights = {
  readonly level: 'lost' | 'effort' | 'rank';
  /** Sums of the weights of each row up to each moment; the last of a row is their sum. */
  readonly sums: Float64Array;
  readonly rowLength: number;
};

/** Weights as a table of rows and moments, summed along the moments. */
export function weightsOf(room: Room, level: Weights['level'], each: Float64Array): Weights {
  const size = room.moments.length;
  const rowLength = size + 1;
  const sums = new Float64Array(room.rows * rowLength);
  for (let row = 0; row < room.rows; row++)
    for (let i = 0; i < size; i++)
      sums[row * rowLength + i + 1] =
        (sums[row * rowLength + i] ?? 0) + (each[row * size + i] ?? 0);
  return { level, sums, rowLength };
}
function weightOf({ sums, rowLength }: Weights, rows: number, t: Taken): number {
  const along = (row: number, { first, end }: Between) =>
    (sums[row * rowLength + end] ?? 0) - (sums[row * rowLength + first] ?? 0);
  return (
    along(t.vessel, t.inVessel) +
    t.places * along(rows - 2, t.inFridge) +
    t.water * along(rows - 1, t.inFridge)
  );
}

type Priced = { lost: number; effort: number; rank: number };
export const inOrder = (a: Priced, b: Priced): number =>
  a.lost - b.lost || a.effort - b.effort || a.rank - b.rank;
export const less = (a: Priced, b: Priced): boolean => inOrder(a, b) < 0;
const sum = (a: Priced, b: Priced): Priced => ({
  lost: a.lost + b.lost,
  effort: a.effort + b.effort,
  rank: a.rank + b.rank,
});
const NOTHING_SPENT: Priced = { lost: 0, effort: 0, rank: 0 };

const priceOf = (step: Step, weights: Weights | null, rows: number): number =>
  weights && step.batch ? weightOf(weights, rows, step.batch.taken) : 0;
/** What a step costs with its weights. */
export function pricedStep(step: Step, weights: Weights | null, rows: number): Priced {
  const price = priceOf(step, weights, rows);
  return {
    lost: step.lost + (weights?.level === 'lost' ? price : 0),
    effort: step.effort + (weights?.level === 'effort' ? price : 0),
    rank: weights?.level === 'rank' ? step.rank + price : 0,
  };
}

/** Places along a line are told apart by the pins that are used already, a bit each. */
export const stateOf = (net: Network, at: number, used: number): number =>
  used * (net.glasses + 1) + at;
const everyPin = (net: Network): number => (1 << net.idle.length) - 1;
/** The steps from a place: at the end only the first of the pins that are used nowhere. */
export function stepsFrom(net: Network, at: number, used: number): readonly Step[] {
  if (at < net.glasses) return net.steps[at] ?? [];
  const unused = net.idle.findIndex((_, i) => ((used >> i) & 1) === 0);
  return unused < 0 ? [] : net.idle.slice(unused, unused + 1);
}
export const isUsed = (step: Step, used: number): boolean =>
  step.pin >= 0 && ((used >> step.pin) & 1) === 1;
const usedAfter = (step: Step, used: number): number =>
  step.pin < 0 ? used : used | (1 << step.pin);
const arrivesAt = (step: Step, net: Network, at: number): number =>
  at < net.glasses ? step.to : net.glasses;

/**
 * What each state costs from there to the end, and the step that begins the cheapest way. Tables, not objects: they are
 * filled again for every change of weights.
 */
export type ToGo = {
  readonly lost: Float64Array;
  readonly effort: Float64Array;
  readonly rank: Float64Array;
  readonly next: readonly (Step | null)[];
};
const costToGo = ({ lost, effort, rank }: ToGo, state: number): Priced => ({
  lost: lost[state] ?? Infinity,
  effort: effort[state] ?? Infinity,
  rank: rank[state] ?? Infinity,
});
/** The ends of a line: pins that are used nowhere yet are added, one after another. */
function endsToGo(net: Network, rows: number, weights: Weights | null, toGo: ToGo): void {
  const next = toGo.next as (Step | null)[];
  for (let used = everyPin(net); used >= 0; used--) {
    const state = stateOf(net, net.glasses, used);
    const unused = net.idle.findIndex((_, i) => ((used >> i) & 1) === 0);
    const idle = net.idle[unused];
    const price = idle ? pricedStep(idle, weights, rows) : NOTHING_SPENT;
    const after = idle
      ? costToGo(toGo, stateOf(net, net.glasses, used | (1 << unused)))
      : NOTHING_SPENT;
    toGo.lost[state] = price.lost + after.lost;
    toGo.effort[state] = price.effort + after.effort;
    toGo.rank[state] = price.rank + after.rank;
    next[state] = idle ?? null;
  }
}

/** Backwards from the end: every state once. */
export function costsToGo(net: Network, rows: number, weights: Weights | null, work: Work): ToGo {
  const size = (net.glasses + 1) * (everyPin(net) + 1);
  const table = () => new Float64Array(size).fill(Infinity);
  const next = new Array<Step | null>(size).fill(null);
  const toGo: ToGo = { lost: table(), effort: table(), rank: table(), next };
  const { lost, effort, rank } = toGo;
  endsToGo(net, rows, weights, toGo);
  const level = weights?.level ?? null;
  for (let at = net.glasses - 1; at >= 0; at--) {
    const steps = net.steps[at] ?? [];
    work.steps += steps.length;
    for (const step of steps) {
      const price = priceOf(step, weights, rows);
      const ownLost = step.lost + (level === 'lost' ? price : 0);
      const ownEffort = step.effort + (level === 'effort' ? price : 0);
      const ownRank = level === 'rank' ? step.rank + price : 0;
      for (let used = everyPin(net); used >= 0; used--) {
        if (isUsed(step, used)) continue;
        const state = stateOf(net, at, used);
        const after = stateOf(net, step.to, usedAfter(step, used));
        const [bestLost, bestEffort] = [lost[state]!, effort[state]!];
        const thisLost = ownLost + lost[after]!;
        if (thisLost > bestLost) continue;
        const thisEffort = ownEffort + effort[after]!;
        const thisRank = ownRank + rank[after]!;
        const isLess =
          thisLost < bestLost ||
          thisEffort < bestEffort ||
          (thisEffort === bestEffort && thisRank < rank[state]!);
        if (!isLess) continue;
        lost[state] = thisLost;
        effort[state] = thisEffort;
        rank[state] = thisRank;
        next[state] = step;
      }
    }
  }
  return toGo;
}

/** The cheapest way, weights counted, and what it costs with them. */
export function cheapestPath(net: Network, toGo: ToGo): { path: Step[]; priced: Priced } {
  const path: Step[] = [];
  let [at, used] = [0, 0];
  for (;;) {
    const step = toGo.next[stateOf(net, at, used)];
    if (!step) break;
    path.push(step);
    used = usedAfter(step, used);
    at = arrivesAt(step, net, at);
  }
  return { path, priced: costToGo(toGo, stateOf(net, 0, 0)) };
}

/** A way that was begun: where it is, what it cost so far, and (as its own cost) what it will cost at least in all. */
export type Begun = Priced & {
  readonly at: number;
  readonly used: number;
  readonly spent: Priced;
  readonly step: Step | null;
  readonly before: Begun | null;
  /** What it has at the places where it is limited. */
  readonly uses: readonly number[];
};
export function pathOf(begun: Begun): Step[] {
  const path: Step[] = [];
  for (let b: Begun | null = begun; b?.step; b = b.before) path.push(b.step);
  return path.reverse();
}
export const isWhole = (net: Network, b: Begun): boolean =>
  b.at === net.glasses && b.used === everyPin(net);
export function beginning(net: Network, toGo: ToGo, uses: readonly number[]): Begun {
  const { lost, effort, rank } = costToGo(toGo, stateOf(net, 0, 0));
  return {
    ...{ lost, effort, rank, at: 0, used: 0, spent: NOTHING_SPENT },
    ...{ step: null, before: null, uses },
  };
}
/** One step further. It is made hundreds of thousands of times: each field is written out. */
export function onward(
  net: Network,
  toGo: ToGo,
  before: Begun,
  step: Step,
  price: Priced,
  uses: readonly number[],
): Begun {
  const used = usedAfter(step, before.used);
  const at = arrivesAt(step, net, before.at);
  const spent = sum(before.spent, price);
  const state = stateOf(net, at, used);
  return {
    lost: spent.lost + toGo.lost[state]!,
    effort: spent.effort + toGo.effort[state]!,
    rank: spent.rank + toGo.rank[state]!,
    at,
    used,
    spent,
    step,
    before,
    uses,
  };
}

export const takenOf = (step: Step): Taken | null => step.batch?.taken ?? null;
/** So many ways are begun before the best of them is gone on with as it is. */
const MOST_BEGUN = 600;

/**
 * The cheapest way that fits into the room left, beside itself too. Where there are too many, the best that was begun is
 * gone on with step by step, so that there is always one: to serve nobody, where that fits.
 */
export function fittingPath(
  whole: Network,
  room: Room,
  free: Float64Array,
  weights: Weights | null,
  work: Work,
): Step[] | null {
  const fitsAlone = fitsWithin(free, room);
  const canBe = (step: Step) => !step.batch || fitsAlone(step.batch.taken);
  const net: Network = { ...whole, steps: whole.steps.map((steps) => steps.filter(canBe)) };
  const fitsBeside = (step: Step) => !step.batch || fits(free, room, step.batch.taken);
  const toGo = costsToGo(net, room.rows, weights, work);
  let queue = new TinyQueue<Begun>([beginning(net, toGo, [])], inOrder);
  let begun = 0;
  for (let best = queue.pop(); best; best = queue.pop()) {
    if (isWhole(net, best)) return pathOf(best);
    // Too many were begun: from here on only the one that is gone on with.
    if (begun > MOST_BEGUN) queue = new TinyQueue<Begun>([], inOrder);
    const path = pathOf(best).flatMap((s) => takenOf(s) ?? []);
    for (const taken of path) addTaken(free, room, taken, -1);
    for (const step of stepsFrom(net, best.at, best.used)) {
      work.steps += 1;
      if (isUsed(step, best.used) || !fitsBeside(step)) continue;
      queue.push(onward(net, toGo, best, step, pricedStep(step, weights, room.rows), []));
      begun += 1;
    }
    for (const taken of path) addTaken(free, room, taken, 1);
  }
  return null;
}

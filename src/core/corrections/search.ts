import type { Brewing } from '#core/cup';
import { CUP, newCup, quickCup } from '#core/quick';
import type { StyleId } from '#core/styles';
import { MARK } from '#core/taste';
import {
  EFFORT,
  MODEL_LEVERS,
  type ModelLever,
  nearsRecipe,
  type RecipePoint,
  turnable,
  turned,
  turnInto,
  type Turns,
  valueOf,
} from './levers';
import type { Mark } from './marks';

/** What a taster can mark and the model can predict. */
export const JUDGED = [
  'strength',
  'bitterness',
  'astringency',
  'sweetness',
  'aroma',
  'colour',
] as const;
export type JudgedIndex = (typeof JUDGED)[number];
export type Indices = Readonly<Record<JudgedIndex, number>>;
export type Marks = Readonly<Partial<Record<JudgedIndex, Mark>>>;

export type Question = {
  readonly style: StyleId;
  readonly brew: Brewing;
  readonly recipe: RecipePoint;
  /** Absent: not asked. 0: asked and right. */
  readonly marks: Marks;
  /** Nobody can stir less than not at all: a still brew's contact goes up only. */
  readonly stillAlready?: boolean;
  /** What may be turned; all of them when absent. */
  readonly levers?: readonly ModelLever[];
};
/** A way to turn the levers and what it is worth. Cost is J: misfit plus effort. */
export type Answer = {
  readonly levers: readonly { readonly lever: ModelLever; readonly value: number }[];
  readonly cost: number;
  readonly turns: Turns;
};
export type Search = {
  readonly before: Indices;
  readonly costNone: number;
  readonly best: Answer & { readonly predicted: Indices };
  readonly bestSingle: Answer;
  /** The second single lever: told beside the first, for the two are often near a tie. */
  readonly runnerUp: Answer | null;
  /** What is left unanswered is over two fifths of the complaint. */
  readonly partlyMet: boolean;
};

// Weights and dead bands of marked, marked right, and not asked: from memory, tuned on worked cases.
const WEIGHT = { marked: 1, right: 0.6, silent: 0.1 } as const;
const DEAD = { marked: 0, right: 0.35, silent: 0.8 } as const;
const SCALE = 0.5;
const EFFORT_WEIGHT = 0.035;
/** Effort that leads back to the recipe is cheap. */
const HOMEWARD = 0.3;
const HIGHEST = 9.5;
const PAIR_PENALTY = 0.45;
const PAIR_MUST_BEAT = 0.85;
const NEAR_TIE = 1.15;
const LEFT_OVER = 0.4;
const SINGLE_POINTS = 13;
const PAIR_POINTS = 4;
const FIRST_STEP = 1;
/** Where a pair is compared with the others, and where the last ones standing are left. */
const ROUGH_STEP = 1 / 8;
const LAST_STEP = 1 / 64;
const POLISHED = 2;

const cup = newCup();
/** Indices of a brew. */
export function predict(b: Brewing): Indices {
  quickCup(b, cup);
  return {
    strength: cup[CUP.strength] as number,
    bitterness: cup[CUP.bitterness] as number,
    astringency: cup[CUP.astringency] as number,
    sweetness: cup[CUP.sweetness] as number,
    aroma: cup[CUP.aroma] as number,
    colour: cup[CUP.colour] as number,
  };
}

/** How far each lever may be turned for one question. */
export type Reach = Readonly<
  Record<ModelLever, { readonly from: number; readonly to: number; readonly cost: number }>
>;
/** A cup whose levers a search turns: a hot brew, or a batch of hours in the fridge. */
export type TurnableCup = {
  readonly levers: readonly ModelLever[];
  readonly reach: Reach;
  /** Only one lever at a time is looked for. */
  readonly singly?: true;
  /** Its indices with the levers so turned. */
  readonly taste: (turns: Turns) => Indices;
  /** True when a lever of the turns tasted last ends nearer the tea's own recipe than it began. */
  readonly nears: (lever: ModelLever) => boolean;
  /** What a lever comes to. */
  readonly value: (turns: Turns, lever: ModelLever) => number;
};
/** A hot brew. One object is turned in place, so that the quick cup always meets the same shape. */
function turnableBrew({ brew, style, recipe, stillAlready, levers }: Question): TurnableCup {
  const next = turnable(brew);
  return {
    levers: levers ?? MODEL_LEVERS,
    reach: stillAlready
      ? { ...EFFORT, contactFactor: { ...EFFORT.contactFactor, from: 0 } }
      : EFFORT,
    taste: (turns) => {
      turnInto(next, brew, style, turns);
      return predict(next);
    },
    nears: (lever) => nearsRecipe(brew, next, lever, recipe),
    value: (turns, lever) => valueOf(turned(brew, style, turns), lever),
  };
}

type Cost = {
  readonly reach: Reach;
  readonly total: (turns: Turns) => number;
  readonly fit: (turns: Turns) => number;
};
function costOf(turnedCup: TurnableCup, marks: Marks, before: Indices): Cost {
  const { reach } = turnedCup;
  const wants = JUDGED.map((index) => {
    const mark = marks[index];
    const kind = markKind(mark);
    return {
      index,
      target: Math.min(HIGHEST, Math.max(0, before[index] - MARK * (mark ?? 0))),
      weight: WEIGHT[kind],
      dead: DEAD[kind],
    };
  });
  const fitOf = (turns: Turns) => {
    const tastes = turnedCup.taste(turns);
    let sum = 0;
    for (const w of wants) {
      const off = Math.abs(tastes[w.index] - w.target) - w.dead;
      if (off > 0) sum += w.weight * (off / SCALE) * (off / SCALE);
    }
    return sum;
  };
  return {
    reach,
    fit: fitOf,
    total: (turns) => {
      const fit = fitOf(turns);
      let effort = 0;
      for (const lever of MODEL_LEVERS) {
        const u = turns[lever];
        if (u)
          effort +=
            EFFORT_WEIGHT *
            (reach[lever].cost * u) *
            (reach[lever].cost * u) *
            (turnedCup.nears(lever) ? HOMEWARD : 1);
      }
      return fit + effort;
    },
  };
}

/** How much is known of an attribute: nothing, that it is right, or how far off. */
function markKind(mark: Mark | undefined) {
  if (mark === undefined) return 'silent';
  if (mark === 0) return 'right';
  return 'marked';
}

const grid = ({ from, to }: { from: number; to: number }, points: number): number[] =>
  Array.from({ length: points }, (_, i) => from + ((to - from) * i) / (points - 1));
type Found = { turns: Turns; cost: number };

/**
 * Compass search from a start: a step each way, on in the way that helped, the step halved when nothing does.
 */
function follow(
  start: Found,
  levers: readonly ModelLever[],
  cost: Cost,
  first = FIRST_STEP,
  last = LAST_STEP,
): Found {
  let best = start;
  for (let step = first; step >= last;) {
    let moved = false;
    for (const lever of levers) {
      const { from, to } = cost.reach[lever];
      const at = best.turns[lever] ?? 0;
      for (const u of [Math.min(to, at + step), Math.max(from, at - step)]) {
        if (u === at) continue;
        const turns = { ...best.turns, [lever]: u };
        const c = cost.total(turns);
        if (c < best.cost - 1e-9) {
          best = { turns, cost: c };
          moved = true;
          break;
        }
      }
    }
    if (!moved) step /= 2;
  }
  return best;
}

const least = (found: readonly Found[]): Found => found.reduce((a, b) => (b.cost < a.cost ? b : a));

function bestSingleOf(lever: ModelLever, cost: Cost): Found {
  const found = grid(cost.reach[lever], SINGLE_POINTS).map((u) => ({
    turns: { [lever]: u },
    cost: cost.total({ [lever]: u }),
  }));
  return follow(least(found), [lever], cost);
}
function bestPairOf(levers: readonly ModelLever[], cost: Cost): Found {
  const rough = levers
    .flatMap((a, i) =>
      levers.slice(i + 1).map((b) => {
        let start: Found = { turns: {}, cost: Infinity };
        for (const u of grid(cost.reach[a], PAIR_POINTS))
          for (const v of grid(cost.reach[b], PAIR_POINTS)) {
            const turns = { [a]: u, [b]: v };
            const c = cost.total(turns);
            if (c < start.cost) start = { turns, cost: c };
          }
        return {
          levers: [a, b] as const,
          found: follow(start, [a, b], cost, FIRST_STEP, ROUGH_STEP),
        };
      }),
    )
    .sort((x, y) => x.found.cost - y.found.cost);
  return least(
    rough.slice(0, POLISHED).map(({ levers, found }) => follow(found, levers, cost, ROUGH_STEP)),
  );
}

/**
 * The least correction that answers the marks: one lever if it does, two if one is clearly not enough, none if nothing
 * is worth it. Deterministic; some 900 predicted cups.
 * @throws {RangeError} on a brew without water, leaf or time.
 */
export const searchCorrection = (q: Question): Search => searchTurns(turnableBrew(q), q.marks);

/** The same for any cup whose levers can be turned. */
export function searchTurns(turnedCup: TurnableCup, marks: Marks): Search {
  const before = turnedCup.taste({});
  const cost = costOf(turnedCup, marks, before);
  const answer = (f: Found): Answer => ({
    ...f,
    levers: MODEL_LEVERS.map((lever) => ({ lever, value: turnedCup.value(f.turns, lever) })).filter(
      ({ lever, value }) => Math.abs(value - turnedCup.value({}, lever)) > 1e-6,
    ),
  });
  const costNone = cost.total({});
  const { levers } = turnedCup;
  const singles = levers
    .map((lever) => ({ lever, ...bestSingleOf(lever, cost) }))
    .sort((a, b) => a.cost - b.cost);
  const home = ({ turns, lever }: (typeof singles)[number]) => {
    turnedCup.taste(turns);
    return turnedCup.nears(lever);
  };
  const first = singles[0] as (typeof singles)[number];
  if (!home(first)) {
    const better = singles.findIndex((s) => s.cost <= first.cost * NEAR_TIE && home(s));
    if (better > 0) singles.unshift(...singles.splice(better, 1));
  }
  const single = singles[0] as (typeof singles)[number];
  const pair = turnedCup.singly ? single : bestPairOf(levers, cost);
  const best: Found = cheapest(costNone, single, pair);
  const second = singles[1];
  return {
    before,
    costNone,
    best: { ...answer(best), predicted: turnedCup.taste(best.turns) },
    bestSingle: answer(single),
    runnerUp: second && second.cost < costNone ? answer(second) : null,
    partlyMet: cost.fit(best.turns) > LEFT_OVER * cost.fit({}),
  };
}

/** The cheapest of no turn, one, or two; two only where they are much better than one. */
function cheapest(costNone: number, single: Found, pair: Found): Found {
  if (costNone <= Math.min(single.cost, pair.cost + PAIR_PENALTY))
    return { turns: {}, cost: costNone };
  if (pair.cost + PAIR_PENALTY < PAIR_MUST_BEAT * single.cost) return pair;
  return single;
}

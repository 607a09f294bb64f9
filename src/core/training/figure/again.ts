import { cupInTime, leafAfter } from '#core/cup';
import { pick, type Random } from '#core/numeric';
import { type LeafAgain, type NextSteep, nextSteep } from '#core/recipes';
import { type Seconds, seconds } from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import { type DrillCup, houseCupOf } from '../diagnosis/draw';
import { drawnFair } from '../drawnFair';
import { type Band, bandWhere, type Figure, IMPOSSIBLE, type Mistake } from './figures';

// How long the same leaf is steeped next.

/** A window in plain numbers, s. */
type PlainWindow = {
  readonly earliest: number;
  readonly best: number;
  readonly latest: number;
};
/** A tea whose leaf is steeped again, or would be. */
export type AgainTea = {
  readonly cup: DrillCup;
  /** Later steeps of the house recipe. */
  readonly later: readonly PlainWindow[];
  readonly inBags: boolean;
};
export type AgainGiven = AgainTea & {
  /** Share of the liquor that stays under the leaf. */
  readonly root: number;
  /** Seconds of every steep so far. */
  readonly past: readonly number[];
  readonly level: Level;
};
export type AgainMistake = 'same' | 'half' | 'sum';

/** Strength this near the best steep’s counts, in the index. */
const [RIGHT, NEAR] = [0.4, 0.8];
const [SHORTEST, LONGEST] = [5, 900];

const leafOf = ({ later, inBags, root, cup }: AgainGiven): LeafAgain => ({
  later: later.map(({ earliest, best, latest }) => ({
    earliest: seconds(earliest),
    best: seconds(best),
    latest: seconds(latest),
  })),
  // What a bag holds does not matter here: that the leaf is in one does.
  bag: inBags ? houseCupOf(cup).brew.leaf : null,
  handling: { root, squeeze: false },
});
/** Worked out once for a question: the model steeps its leaf some hundred times. */
const steeps = new WeakMap<AgainGiven, NextSteep>();
const figures = new WeakMap<AgainGiven, Figure<AgainMistake>>();
function once<T>(known: WeakMap<AgainGiven, T>, given: AgainGiven, work: () => T): T {
  const there = known.get(given);
  if (there !== undefined) return there;
  const made = work();
  known.set(given, made);
  return made;
}
/** The steep that comes next, as the recipe or the model has it. */
export const steepAfter = (given: AgainGiven): NextSteep =>
  once(steeps, given, () =>
    nextSteep(houseCupOf(given.cup).brew, leafOf(given), given.past.map(seconds)),
  );
/** The strength of the cup of such a next steep, by its time: for many times tried. */
function strengthsAfter({ cup, root: kept, past }: AgainGiven): (time: number) => number {
  const { brew } = houseCupOf(cup);
  const leaf = leafAfter(
    brew,
    past.map((t) => ({ time: seconds(t), kept })),
  );
  const next = cupInTime(brew, leaf, kept);
  return (time) => next(seconds(time)).taste.strength;
}
/** The strength of the cup of such a next steep. */
export const strengthAfter = (given: AgainGiven, time: number): number =>
  strengthsAfter(given)(time);
/** Times about the best one whose cup is as strong, to so much of the index. */
function timesWithin(strengthOf: (time: number) => number, best: number, off: number): Band {
  const wanted = strengthOf(best);
  return bandWhere(best, [SHORTEST, LONGEST], (time) => Math.abs(strengthOf(time) - wanted) <= off);
}
const wider = (a: Band, b: Band): Band => [Math.min(a[0], b[0]), Math.max(a[1], b[1])];

/** The seconds of the next steep; that the leaf is spent is an answer too. */
export const againFigure = (given: AgainGiven): Figure<AgainMistake> =>
  once(figures, given, () => workAgain(given));
function workAgain(given: AgainGiven): Figure<AgainMistake> {
  const next = steepAfter(given);
  if (next.kind === 'spent') return IMPOSSIBLE;
  const { best, earliest, latest } = next.window;
  const last = given.past.at(-1) ?? 0;
  const strengthOf = strengthsAfter(given);
  const right = wider([earliest, latest], timesWithin(strengthOf, best, RIGHT));
  const near = wider(right, timesWithin(strengthOf, best, NEAR));
  const mistakes: Mistake<AgainMistake>[] = [
    { id: 'same', value: last },
    { id: 'half', value: Math.round(last / 2) },
    { id: 'sum', value: given.past.reduce((a, b) => a + b, 0) },
  ];
  const isWrong = ({ value }: Mistake) => value < near[0] || value > near[1];
  return {
    ...{ truth: best, shown: best, right, near },
    mistakes: mistakes.filter(isWrong),
    distractors: [],
  };
}

/** Where nearly any time will do there is nothing to ask. */
const MOST_SPREAD = 3;
const isAsked = ({ impossible, right }: Figure, level: Level): boolean =>
  impossible ? level === 5 : right[1] <= MOST_SPREAD * right[0];

/** Of a pot whose root is kept. */
const ROOT = 0.25;
/** Leaf is asked about after so many steeps, at level 5. */
const LONG_USED = [1, 2, 3, 4] as const;
function stepsBefore(level: Level, later: number, random: Random): number {
  switch (level) {
    case 1:
      return 1 + Math.floor(random() * Math.max(1, later));
    case 3:
      return 2;
    case 5:
      return pick(random, LONG_USED);
    default:
      return 1;
  }
}
/** Draws a tea of the house and how often its leaf was steeped. @throws {RangeError} when there is none */
export function drawAgain(teas: readonly AgainTea[], level: Level, random: Random): AgainGiven {
  return drawnFair(level, (l) => {
    const tea = pick(random, teas);
    const isWritten = l === 1;
    if (isWritten && tea.later.length === 0) return null;
    if (l !== 5 && tea.inBags) return null;
    const later = isWritten ? tea.later : [];
    const before = stepsBefore(l, tea.later.length, random);
    const base: AgainGiven = {
      ...{ cup: tea.cup, later, inBags: tea.inBags, root: l === 4 ? ROOT : 0, level: l },
      past: [tea.cup.seconds],
    };
    const given = steepedTo(base, before);
    const figure = given && againFigure(given);
    return figure && isAsked(figure, l) ? given : null;
  });
}
/** With so many steeps behind it, each as it should have been; null: it was spent sooner. */
function steepedTo(given: AgainGiven, steeps: number): AgainGiven | null {
  let now = given;
  while (now.past.length < steeps) {
    const next = steepAfter(now);
    if (next.kind === 'spent') return null;
    now = { ...now, past: [...now.past, next.window.best as Seconds] };
  }
  return now;
}

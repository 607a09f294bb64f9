import type { Judged } from '../diagnosis/score';

// Questions whose answer is a figure: its bands, what a named mistake comes to, and the choices that follow from those.

/** From the least to the most that counts, both included. */
export type Band = readonly [low: number, high: number];
/** How far off still counts: the larger of so much in the figure’s own unit, and a share of the figure. */
export type Off = { readonly by: number; readonly share: number };
/** What somebody comes to who makes that mistake. */
export type Mistake<Id extends string = string> = { readonly id: Id; readonly value: number };
/** A figure that is asked for, worked out. */
export type Figure<Id extends string = string> = {
  /** Exact. */
  readonly truth: number;
  /** As it is said: to a tenth of a gram, to a quarter of a spoon. */
  readonly shown: number;
  readonly right: Band;
  readonly near: Band;
  readonly mistakes: readonly Mistake<Id>[];
  /** Mistakes that are offered as choices: three, or none. */
  readonly distractors: readonly Id[];
  /** No figure will do: that is the answer. */
  readonly impossible?: true;
  /** Numbered things to choose from, at any level. */
  readonly isChosen?: true;
};
/** What was typed, pulled or chosen; or that no figure will do. */
export type FigureValue = number | 'cannot';
export type FigureAnswer = { readonly value: FigureValue };

/** A typed figure is seldom right by chance. */
const TYPED_GUESS = 0.05;
const DISTRACTORS = 3;
/** An answer this near a mistake's figure is taken for it. */
const SAME = 0.04;
/** Float sums end a hair beside the edge of a band. */
const HAIR = 1e-9;
/** At these levels the figure is one of several that are shown. */
const LEVELS_WITH_CHOICES = 2;

/** A figure to so many digits. @example toDigits(9.56, 1) // 9.6 */
export const toDigits = (value: number, digits: number): number => Number(value.toFixed(digits));
const isIn = (value: number, [low, high]: Band): boolean =>
  value >= low - HAIR && value <= high + HAIR;

/** How an answer lies to the bands. */
export function judgedFigure(
  { right, near, impossible }: Pick<Figure, 'right' | 'near' | 'impossible'>,
  value: FigureValue,
): Judged {
  if (value === 'cannot') return impossible ? 'right' : 'wrong';
  if (impossible) return 'wrong';
  if (isIn(value, right)) return 'right';
  return isIn(value, near) ? 'near' : 'wrong';
}
/** How far two choices have to be from each other: in the figure’s own unit, and as a share (ln). */
export type Apart = Off;
/** Leaf in g: what is right, what is nearly right, and how far choices lie from each other. */
export const LEAF_OFF = {
  right: { by: 0.1, share: 0.03 },
  near: { by: 0.2, share: 0.08 },
  apart: { by: 0.3, share: 0.12 },
} as const;
/** The band about a figure. */
export function bandAbout(truth: number, { by, share }: Off): Band {
  const off = Math.max(by, share * truth);
  return [truth - off, truth + off];
}
/** Halvings until the edge of a band is known to a small part of a step. */
const EDGE_STEPS = 12;
/** All about the best answer that is good enough, within a range along which answers get worse on either side. */
export function bandWhere(best: number, [least, most]: Band, isGood: (x: number) => boolean): Band {
  const edge = (end: number): number => {
    if (isGood(end)) return end;
    let [inside, outside] = [best, end];
    for (let i = 0; i < EDGE_STEPS; i++) {
      const middle = (inside + outside) / 2;
      if (isGood(middle)) inside = middle;
      else outside = middle;
    }
    return inside;
  };
  return [edge(least), edge(most)];
}
const NO_BAND: Band = [Infinity, -Infinity];
/** Where no figure will do. */
export const IMPOSSIBLE: Figure<never> = {
  ...{ truth: 0, shown: 0, right: NO_BAND, near: NO_BAND, impossible: true },
  mistakes: [],
  distractors: new Array<never>(),
};
/** The first three mistakes that lie apart from what is right and from each other; none where there are fewer. */
export function distractorsOf<Id extends string>(
  { truth, near, mistakes }: Pick<Figure<Id>, 'truth' | 'near' | 'mistakes'>,
  apart: Apart,
): Id[] {
  const isApart = (a: number, b: number) =>
    Math.abs(a - b) >= apart.by - HAIR && Math.abs(Math.log(a / b)) >= apart.share - HAIR;
  return firstApart(
    mistakes,
    ({ value }) => !isIn(value, near) && isApart(value, truth),
    (a, b) => isApart(a.value, b.value),
  );
}
/** The first three that are wrong enough and apart from each other; none where there are fewer. */
export function firstApart<M extends Mistake>(
  mistakes: readonly M[],
  isWrong: (mistake: M) => boolean,
  isApart: (a: M, b: M) => boolean,
): M['id'][] {
  const chosen: M[] = [];
  for (const mistake of mistakes.filter(isWrong)) {
    if (chosen.every((c) => isApart(mistake, c))) chosen.push(mistake);
    if (chosen.length === DISTRACTORS) return chosen.map((c) => c.id);
  }
  return [];
}
/** The mistake an answer looks like, whatever it is worth: the first whose figure is within 4 %; null: none. */
export const mistakeOf = <Id extends string>(
  { mistakes }: Pick<Figure<Id>, 'mistakes'>,
  value: FigureValue,
): Id | null =>
  value === 'cannot'
    ? null
    : (mistakes.find((m) => Math.abs(value / m.value - 1) <= SAME)?.id ?? null);
/** The figures that are offered, the smallest first; null: the figure is typed or pulled. */
export function choicesOf(
  { shown, mistakes, distractors, isChosen }: Figure,
  level: number,
): number[] | null {
  const hasChoices = isChosen === true || level <= LEVELS_WITH_CHOICES;
  if (!hasChoices || distractors.length === 0) return null;
  const wrong = mistakes.filter((m) => distractors.includes(m.id)).map((m) => m.value);
  return [shown, ...wrong].sort((a, b) => a - b);
}
/** The chance of a blind answer. */
export const figureGuess = (choices: readonly number[] | null): number =>
  choices === null ? TYPED_GUESS : 1 / choices.length;

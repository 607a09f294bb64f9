import type { Liquor } from '#core/colour';
import {
  bestRescue,
  houseTaste,
  rescued,
  type RescueTask,
  rescueTask,
  type RescueTaskKind,
  rescueTastes,
} from '#core/corrections';
import { brewCup } from '#core/cup';
import { pick, type Random, seeded } from '#core/numeric';
import { JUST_NOTICEABLE, MARK, type Taste } from '#core/taste';
import { grams, seconds } from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import { type DrillCup, houseCupOf } from '../diagnosis/draw';
import { drawnFair } from '../drawnFair';
import { type Band, bandWhere, type Figure, judgedFigure, type Mistake } from './figures';

// A cup that went wrong: what is done with it, how much of it, and what it does not mend.

export type RescueAsk = 'act' | 'amount' | 'mark';
/** Over-steeped, weak, one beside a weak one, an extract; or thin and bitter, which nothing mends. */
export type RescueKind = RescueTaskKind | 'lost';
export type RescueGiven = {
  readonly cup: DrillCup;
  readonly kind: RescueKind;
  /** The chance that the cup was made by. */
  readonly chance: number;
  readonly ask: RescueAsk;
  readonly level: Level;
};
/** What can be done with a cup, as it is numbered in an answer from 1. */
export const RESCUE_ACTS = ['water', 'leafBack', 'blend', 'none'] as const;
export type RescueAct = (typeof RESCUE_ACTS)[number];
/** What may still be off afterwards, as it is numbered in an answer from 1. */
export const RESCUE_MARKS = ['bitterness', 'astringency', 'stewed', 'aroma', 'nothing'] as const;
export type RescueMark = (typeof RESCUE_MARKS)[number];
export type RescueMistake = 'indexShare' | 'twice' | RescueAct | RescueMark;

const ACT_OF: Readonly<Record<RescueKind, RescueAct>> = {
  over: 'water',
  extract: 'water',
  weak: 'leafBack',
  blend: 'blend',
  lost: 'none',
};
/** A cup that nothing mends: half of the leaf, drawn far too long. */
const [LOST_LEAF, LOST_TIME] = [0.45, 3];

/** The cup in hand and the house cup, as they were made. */
export function rescueCups({ cup, kind, chance }: RescueGiven): RescueTask {
  const house = houseCupOf(cup).brew;
  if (kind !== 'lost') return rescueTask(house, seeded(chance), kind);
  const brew = {
    ...{ ...house, leaf: grams(house.leaf * LOST_LEAF), time: seconds(house.time * LOST_TIME) },
  };
  return { ...rescueTask(house, seeded(chance), 'over'), brew };
}

/** Where several marks are near each other none of them is the one that stands out. */
const CLEAR = 0.2;
/** The mark that is still wrong once the strength is right; null: none stands out. */
export function markLeft(task: RescueTask, best: number): RescueMark | null {
  const [then, house] = [rescueTastes(task)(best), houseTaste(task)];
  const marks = RESCUE_MARKS.flatMap((mark) =>
    mark === 'nothing' ? [] : [{ mark, off: Math.abs(then[mark] - house[mark]) }],
  ).sort((a, b) => b.off - a.off);
  const [first, second] = marks;
  if (!first || !second || first.off < JUST_NOTICEABLE - CLEAR) return 'nothing';
  const isClear = first.off >= JUST_NOTICEABLE && first.off - second.off >= CLEAR;
  return isClear ? first.mark : null;
}

/** One of several that are numbered from 1; the others are choices. */
function chosenOf<Id extends string>(ids: readonly Id[], right: Id): Figure<Id> {
  const truth = ids.indexOf(right) + 1;
  const mistakes = ids.flatMap((id, i): Mistake<Id>[] =>
    id === right ? [] : [{ id, value: i + 1 }],
  );
  const band: Band = [truth, truth];
  return {
    ...{ truth, shown: truth, right: band, near: band, mistakes, isChosen: true },
    distractors: mistakes.map((m) => m.id),
  };
}
/** Answers that a taster takes for the same strength: strength rises or falls along the range. */
const amountsWithin = (
  { most }: RescueTask,
  best: number,
  strengthOff: (amount: number) => number,
  off: number,
): Band => bandWhere(best, [0, most], (amount) => strengthOff(amount) <= off);
/** The best answer lies well inside its range. */
const [LEAST, MOST] = [0.1, 0.9];

/** The question worked out; null: it is no fair one. */
export function rescueFigure(given: RescueGiven): Figure<RescueMistake> | null {
  const task = rescueCups(given);
  const [now, house] = [brewCup(task.brew).taste, houseTaste(task)];
  if (given.ask === 'act') {
    const isLost =
      now.strength < house.strength - JUST_NOTICEABLE && now.bitterness > house.bitterness;
    const isOff = Math.abs(now.strength - house.strength) >= MARK;
    const isFair = given.kind === 'lost' ? isLost : isOff && !isLost;
    return isFair ? chosenOf(RESCUE_ACTS, ACT_OF[given.kind]) : null;
  }
  const best = given.kind === 'lost' ? null : bestRescue(task);
  if (best === null || best < LEAST * task.most || best > MOST * task.most) return null;
  if (given.ask === 'mark') {
    const left = markLeft(task, best);
    return left && chosenOf(RESCUE_MARKS, left);
  }
  const tasteWith = rescueTastes(task);
  const strengthOff = (amount: number) => Math.abs(tasteWith(amount).strength - house.strength);
  const right = amountsWithin(task, best, strengthOff, JUST_NOTICEABLE);
  const byIndex = task.volume * (now.strength / house.strength - 1);
  const mistakes: Mistake<RescueMistake>[] = [
    ...(task.unit === 'ml' && byIndex > 0
      ? [{ id: 'indexShare' as const, value: Math.round(byIndex) }]
      : []),
    { id: 'twice', value: Math.round(2 * best) },
  ];
  const isWrong = ({ value }: Mistake) => value < right[0] || value > right[1];
  return {
    ...{ truth: best, shown: task.step * Math.round(best / task.step), right },
    near: amountsWithin(task, best, strengthOff, MARK),
    ...{ mistakes: mistakes.filter(isWrong), distractors: [] },
  };
}
/** How the cup tastes with so much of it. */
export const tasteRescued = (given: RescueGiven, value: number): Taste =>
  rescueTastes(rescueCups(given))(value);

/** How it looks with so much of it. */
export const liquorRescued = (given: RescueGiven, value: number): Liquor =>
  rescued(rescueCups(given), value).liquor;

const ASKS: Readonly<Record<Level, RescueAsk>> = {
  1: 'act',
  2: 'amount',
  3: 'amount',
  4: 'mark',
  5: 'amount',
};
/** While one pulls it is said how the cup would taste, at this level only. */
export const RESCUE_LIVE = 2;
function kindOf(level: Level, random: Random): RescueKind {
  if (level === 1) return pick(random, ['over', 'weak', 'blend', 'lost'] as const);
  if (level === 5) return pick(random, ['blend', 'extract'] as const);
  return pick(random, ['over', 'weak', 'blend'] as const);
}
const CHANCES = 2 ** 32;
/** Draws a cup that went wrong. @throws {RangeError} when no cup of the house can be asked about */
export function drawRescue(cups: readonly DrillCup[], level: Level, random: Random): RescueGiven {
  return drawnFair(level, (l) => {
    const given: RescueGiven = {
      ...{ cup: pick(random, cups), kind: kindOf(l, random), ask: ASKS[l], level: l },
      chance: Math.floor(random() * CHANCES),
    };
    const figure = rescueFigure(given);
    return figure && judgedFigure(figure, figure.shown) === 'right' ? given : null;
  });
}

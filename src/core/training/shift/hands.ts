import { SHIFT_S, type ShiftGiven } from './orders';
import {
  bestMoment,
  isShiftOver,
  isSteeping,
  nextMoment,
  type ShiftAct,
  type ShiftAnswer,
  type ShiftHand,
  ShiftRun,
  type ShiftStand,
} from './play';

// Hands that go through a shift by simple rules: whether a shift can be run, and what learners make of it.

/** Nobody begins to pour when a leaf is due so soon, s. */
const SOON_S = 20;
export type Hands = {
  /** How late they are at the leaf of an order, s. */
  readonly lateBy: (order: number) => number;
  readonly seesLid: boolean;
};
export const STEADY: Hands = { lateBy: () => 0, seesLid: true };

/** When such hands lift the leaf of each order, s; Infinity: nothing steeps. */
const dueOf = (
  { cups }: Pick<ShiftGiven, 'cups'>,
  { orders }: Pick<ShiftStand, 'orders'>,
  { lateBy }: Pick<Hands, 'lateBy'>,
): number[] =>
  orders.map((o, i) => (isSteeping(o) ? (bestMoment(o, cups) ?? Infinity) + lateBy(i) : Infinity));
/** What such hands want to do now, most urgent first: the lid, a leaf that is due, a pour, a cup to be served. */
function handsWanted(
  { cups }: ShiftGiven,
  { orders }: ShiftStand,
  now: number,
  { lateBy, seesLid }: Hands,
): { readonly hand: ShiftHand; readonly order: number }[] {
  const due = dueOf({ cups }, { orders }, { lateBy });
  const of = (hand: ShiftHand, isWanted: (order: number) => boolean) =>
    orders.flatMap((_, order) => (isWanted(order) ? [{ hand, order }] : []));
  const isPullSoon = due.some((at) => at <= now + SOON_S);
  return [
    ...of('lid', () => seesLid),
    ...of('pull', (i) => (due[i] ?? Infinity) <= now).sort(
      (a, b) => (due[a.order] ?? 0) - (due[b.order] ?? 0),
    ),
    ...(isPullSoon ? [] : of('pour', () => true)),
    ...of('serve', () => true),
  ];
}
/** The next second at which such hands may want something else. */
function nextLook(given: ShiftGiven, stand: ShiftStand, now: number, hands: Hands): number {
  const late = dueOf(given, stand, hands).flatMap((due) => [due - SOON_S, due]);
  return Math.min(nextMoment(given, stand, now), ...late.filter((at) => at > now));
}
/** What such hands do, from the first order to the last. */
export function handsThrough(given: ShiftGiven, hands: Hands): ShiftAnswer {
  const acts: ShiftAct[] = [];
  const run = new ShiftRun(given);
  let now = 0;
  while (now < SHIFT_S) {
    const stand = run.at(now);
    if (isShiftOver(given, stand, now)) break;
    const act = handsWanted(given, stand, now, hands)
      .map((wanted) => ({ ...wanted, at: now }))
      .find((a) => run.act(a));
    if (act) acts.push(act);
    else now = nextLook(given, stand, now, hands);
  }
  return { acts };
}

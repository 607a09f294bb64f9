import { APART, clashesAhead } from '#core/brews';
import { pick, type Random } from '#core/numeric';
import { epochMs } from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import { drawnFair, GIVEN_BYTES } from '../drawnFair';
import { handsThrough, STEADY } from './hands';
import { judgedShift } from './judged';
import {
  HANDS_S,
  SHIFT_S,
  type ShiftCup,
  type ShiftFacts,
  type ShiftGiven,
  type ShiftMishap,
  type ShiftOrder,
} from './orders';

// How a shift is drawn: vessels, a stream of orders as busy as its level, and one mishap; steady hands get through it.

/** No order comes after this, s. */
const LAST_ORDER_S = 450;
/** A draw takes it that somebody pours so long after the order, s. */
const POURED_AFTER_S = 20;
const [FIRST_S, LEAST_GAP_S] = [5, 15];
const MISHAP_S = [150, 350] as const;
/** So many different teas at most are asked for. */
const MOST_TEAS = 4;

const ORDERS: Readonly<Record<Level, number>> = { 1: 4, 2: 5, 3: 6, 4: 7, 5: 9 };
const VESSELS: Readonly<Record<Level, number>> = { 1: 3, 2: 4, 3: 4, 4: 5, 5: 6 };
/** How many pulls of one who pours at once lie too near each other. */
const CLASHES: Readonly<Record<Level, readonly [least: number, most: number]>> = {
  ...{ 1: [0, 0], 2: [0, 1], 3: [1, Infinity], 4: [2, Infinity], 5: [3, Infinity] },
};

/** When each order comes; null: the last of them would come too late. */
function orderTimes(count: number, random: Random): number[] | null {
  const mean = LAST_ORDER_S / count - LEAST_GAP_S;
  const times = [FIRST_S];
  while (times.length < count) {
    const gap = LEAST_GAP_S - mean * Math.log(1 - random());
    times.push(Math.round((times.at(-1) ?? 0) + gap));
  }
  return (times.at(-1) ?? 0) > LAST_ORDER_S ? null : times;
}
/** Leaf out of one who pours at once and pulls at the best moment. */
const pullOf = ({ at, cup }: ShiftOrder, cups: readonly ShiftCup[]): number =>
  at + POURED_AFTER_S + (cups[cup]?.seconds ?? 0);
/** Each order with a cup whose vessel is free by then and whose steep ends in time; null: there is none. */
function ordersOf(
  times: readonly number[],
  cups: readonly ShiftCup[],
  random: Random,
): ShiftOrder[] | null {
  const freeAt = cups.map(() => 0);
  const orders: ShiftOrder[] = [];
  for (const at of times) {
    const can = cups.flatMap((_, cup) => {
      const served = pullOf({ at, cup }, cups) + HANDS_S.pull + HANDS_S.serve;
      return (freeAt[cup] ?? 0) <= at && served <= SHIFT_S ? [{ cup, served }] : [];
    });
    if (can.length === 0) return null;
    const { cup, served } = pick(random, can);
    freeAt[cup] = served;
    orders.push({ at, cup });
  }
  return orders;
}
/** Pulls of one who pours at once that lie too near each other. */
function clashesOf(orders: readonly ShiftOrder[], cups: readonly ShiftCup[]): number {
  const moments = orders.map((order, i) => ({
    id: String(i),
    at: epochMs(1000 * pullOf(order, cups)),
  }));
  return clashesAhead(moments, epochMs(0)).length;
}

/** What can go wrong at that moment. */
function mishapsAt(
  at: number,
  orders: readonly ShiftOrder[],
  cups: readonly ShiftCup[],
): Exclude<ShiftMishap['kind'], 'wrongTea'>[] {
  const steeping = orders.filter(
    (o) => o.at + POURED_AFTER_S < at - APART && pullOf(o, cups) > at + APART,
  );
  return [
    ...(['kettleEmpty', 'calledAway'] as const),
    ...(steeping.length > 0 ? (['spilled'] as const) : []),
    ...(steeping.some((o) => cups[o.cup]?.lid) ? (['lidOff'] as const) : []),
  ];
}
function mishapOf(
  orders: readonly ShiftOrder[],
  cups: readonly ShiftCup[],
  random: Random,
): ShiftMishap {
  const [from, to] = MISHAP_S;
  const at = from + Math.floor(random() * (to - from + 1));
  const misnamed = orders.flatMap((o, order) => (o.at >= from && o.at <= to ? [order] : []));
  const kinds = mishapsAt(at, orders, cups);
  const kind = pick(random, misnamed.length > 0 ? [...kinds, 'wrongTea' as const] : kinds);
  if (kind !== 'wrongTea') return { kind, at };
  const order = pick(random, misnamed);
  const { at: ordered, cup: asked } = orders[order] ?? { at, cup: 0 };
  const others = cups.flatMap((_, cup) => (cup === asked ? [] : [cup]));
  return { kind, at: ordered, order, named: pick(random, others) };
}

const rounded = (x: number): number => Math.round(x * 1000) / 1000;
/** What was drawn, as it is kept. */
function kept(cups: readonly ShiftCup[]): Pick<ShiftGiven, 'site' | 'teas' | 'cups'> | null {
  const [first] = cups;
  if (!first) return null;
  const { ambientC, boilingC, pourLoss } = first;
  const names = [...new Set(cups.map((c) => c.tea))];
  const teas = names.flatMap((name) => cups.find((c) => c.tea === name) ?? []);
  return {
    site: { ambientC, boilingC, pourLoss },
    teas: teas.map(({ tea, style, fitted }) => ({
      ...{ tea, style },
      fitted: fitted && {
        ...{ rate: rounded(fitted.rate), pool: rounded(fitted.pool) },
        ...{ bite: rounded(fitted.bite), sensitivity: rounded(fitted.sensitivity) },
      },
    })),
    cups: cups.map((cup) => ({
      ...{ tea: names.indexOf(cup.tea), vessel: cup.vessel, kind: cup.kind },
      ...{ material: cup.material, capacityMl: cup.capacityMl, lid: cup.lid },
      ...{ infuser: cup.infuser, basketMl: cup.basketMl, warm: cup.warm },
      ...{ leafGrams: rounded(cup.leafGrams), waterMl: rounded(cup.waterMl) },
      ...{ temperatureC: rounded(cup.temperatureC), seconds: cup.seconds },
      ...{ earliest: cup.earliest, latest: cup.latest },
    })),
  };
}
/** So many vessels, each with one tea that is brewed in it; null: there are not as many. */
function cupsOf(facts: ShiftFacts, count: number, random: Random): ShiftCup[] | null {
  const cups: ShiftCup[] = [];
  let left = facts;
  while (cups.length < count) {
    if (left.length === 0) return null;
    const taken = pick(random, left);
    cups.push(taken);
    // No tea twice as long as there are others, up to so many of them.
    const others = left.filter((c) => c.vessel !== taken.vessel);
    const isTaken = (c: ShiftCup) => cups.some((t) => t.tea === c.tea);
    const isFull = new Set(cups.map((c) => c.tea)).size >= MOST_TEAS;
    const better = others.filter((c) => isTaken(c) === isFull);
    left = better.length > 0 ? better : others;
  }
  return cups;
}
/** Rushes are rarer than they are asked for: each vessel set is given so many streams of orders. */
const STREAMS = 30;
/** Orders for these vessels that clash as often as the level asks for; null: none of so many streams does. */
function rushOf(cups: readonly ShiftCup[], level: Level, random: Random): ShiftOrder[] | null {
  const [least, most] = CLASHES[level];
  for (let i = 0; i < STREAMS; i++) {
    const times = orderTimes(ORDERS[level], random);
    const orders = times && ordersOf(times, cups, random);
    const clashes = orders ? clashesOf(orders, cups) : -1;
    if (orders && clashes >= least && clashes <= most) return orders;
  }
  return null;
}
/** Steady hands without a plan run it well. */
const canBeRun = (given: ShiftGiven): boolean =>
  judgedShift(given, handsThrough(given, STEADY))?.judged === 'right';
/** Draws a shift of the house. @throws {RangeError} when it has too few vessels and teas */
export function drawShift(facts: ShiftFacts, level: Level, random: Random): ShiftGiven {
  return drawnFair(level, (l) => {
    const cups = cupsOf(facts, VESSELS[l], random);
    const shared = cups && kept(cups);
    const orders = cups && rushOf(cups, l, random);
    if (!orders || !shared) return null;
    const mishap = mishapOf(orders, cups, random);
    const given: ShiftGiven = { level: l, ...shared, orders, mishap };
    return JSON.stringify(given).length <= GIVEN_BYTES && canBeRun(given) ? given : null;
  });
}

import { houseCupOf } from '../diagnosis/draw';
import { cupsOfShift, HANDS_S, MISHAP_LASTS_S, SHIFT_S, type ShiftGiven } from './orders';
import type { ShiftBrew } from './score';

// A shift as it goes: a fold of what the hands did and of what happened, up to a moment.

export type ShiftHand = keyof typeof HANDS_S;
/** What a hand did to one order, s from the beginning of the shift. */
export type ShiftAct = { readonly at: number; readonly hand: ShiftHand; readonly order: number };
export type ShiftAnswer = { readonly acts: readonly ShiftAct[] };

/** One order as it stands. */
export type OrderStand = {
  /** The cup it goes by now: under a wrong name the wrong one. */
  readonly cup: number;
  readonly orderedS: number;
  readonly pouredS: number | null;
  readonly pulledS: number | null;
  readonly servedS: number | null;
  /** Left: nobody saw it in time, and the cup is the worse for it. */
  readonly lid: 'on' | 'off' | 'left';
  /** So often it had to be begun again. */
  readonly lost: number;
};
export type ShiftStand = {
  /** Until then the hands are at work, or called away, s. */
  readonly handsUntil: number;
  /** Until then there is no hot water, s. */
  readonly kettleUntil: number;
  /** Those that were ordered until now, in the order in which they came. */
  readonly orders: readonly OrderStand[];
};

export const isSteeping = (o: OrderStand): boolean => o.pouredS !== null && o.pulledS === null;
/** How long its leaf was in the water, s; null: nobody has poured it. */
export const steepedS = ({ pouredS, pulledS }: OrderStand, now: number): number | null =>
  pouredS === null ? null : (pulledS ?? now) - pouredS;
/** When its leaf is best lifted out, s from the beginning of the shift; null: nobody has poured it. */
export const bestMoment = (
  { pouredS, cup }: OrderStand,
  cups: readonly { readonly seconds: number }[],
): number | null => (pouredS === null ? null : pouredS + (cups[cup]?.seconds ?? 0));
export const isServed = (o: OrderStand): boolean => o.servedS !== null;
/** A vessel is taken from the pour until its tea is served. */
const holdsVessel = (o: OrderStand): boolean => o.pouredS !== null && o.servedS === null;

/** Why a hand can do nothing now. */
export type ShiftRefusal = 'notOrdered' | 'done' | 'hands' | 'kettle' | 'vessel' | 'over';
/** Whether a hand can do that now; null: it can. */
export function refusalOf(stand: ShiftStand, { at, hand, order }: ShiftAct): ShiftRefusal | null {
  const o = stand.orders[order];
  if (at > SHIFT_S) return 'over';
  if (!o) return 'notOrdered';
  const isNext = {
    pour: o.pouredS === null,
    pull: isSteeping(o),
    serve: o.pulledS !== null && o.servedS === null,
    lid: isSteeping(o) && o.lid === 'off',
  }[hand];
  if (!isNext) return 'done';
  if (hand === 'pour' && at < stand.kettleUntil) return 'kettle';
  if (hand === 'pour' && stand.orders.some((x) => x.cup === o.cup && holdsVessel(x)))
    return 'vessel';
  return at < stand.handsUntil ? 'hands' : null;
}

const withOrder = (
  stand: ShiftStand,
  order: number,
  change: (o: OrderStand) => Partial<OrderStand>,
): ShiftStand => ({
  ...stand,
  orders: stand.orders.map((o, i) => (i === order ? { ...o, ...change(o) } : o)),
});
const begunAgain = (o: OrderStand): Partial<OrderStand> => ({
  ...{ pouredS: null, pulledS: null, lid: 'on', lost: o.lost + 1 },
});
function done(stand: ShiftStand, { at, hand, order }: ShiftAct): ShiftStand {
  const busy = { ...stand, handsUntil: at + HANDS_S[hand] };
  switch (hand) {
    case 'pour':
      return withOrder(busy, order, () => ({ pouredS: at, lid: 'on' }));
    case 'pull':
      return withOrder(busy, order, (o) => ({ pulledS: at, lid: o.lid === 'off' ? 'on' : o.lid }));
    case 'serve':
      return withOrder(busy, order, () => ({ servedS: at + HANDS_S.serve }));
    case 'lid':
      return withOrder(busy, order, () => ({ lid: 'on' }));
  }
}

type Happening = { readonly at: number; readonly to: (stand: ShiftStand) => ShiftStand };
/** The brew that was poured last of those that steep; -1: none does. */
const lastPoured = (
  { orders }: ShiftStand,
  isMeant: (o: OrderStand) => boolean = () => true,
): number => {
  const meant = orders.flatMap((o, i) => (isSteeping(o) && isMeant(o) ? [i] : []));
  return meant.sort((a, b) => (orders[b]?.pouredS ?? 0) - (orders[a]?.pouredS ?? 0))[0] ?? -1;
};
/** Whoever is called away finishes what the hands are at. */
const awayUntil = ({ handsUntil }: ShiftStand, at: number): number =>
  Math.max(handsUntil, at) + MISHAP_LASTS_S.calledAway;
/** What happens by itself: orders come, and one thing goes wrong. */
function happenings({ orders, mishap, cups }: ShiftGiven): Happening[] {
  const { at } = mishap;
  const come = orders.map((o, i): Happening => {
    const cup = mishap.kind === 'wrongTea' && mishap.order === i ? mishap.named : o.cup;
    const order: OrderStand = {
      ...{ cup, orderedS: o.at, pouredS: null, pulledS: null, servedS: null },
      ...{ lid: 'on', lost: 0 },
    };
    return { at: o.at, to: (s) => ({ ...s, orders: [...s.orders, order] }) };
  });
  switch (mishap.kind) {
    case 'spilled':
      return [...come, { at, to: (s) => withOrder(s, lastPoured(s), begunAgain) }];
    case 'lidOff': {
      const hasLid = (o: OrderStand) => cups[o.cup]?.lid === true;
      const off = (s: ShiftStand) =>
        withOrder(s, lastPoured(s, hasLid), () => ({ lid: 'off' }) as const);
      const left = (s: ShiftStand): ShiftStand => ({
        ...s,
        orders: s.orders.map((o) => (o.lid === 'off' ? { ...o, lid: 'left' } : o)),
      });
      return [...come, { at, to: off }, { at: at + MISHAP_LASTS_S.lidOff, to: left }];
    }
    case 'kettleEmpty':
      return [...come, { at, to: (s) => ({ ...s, kettleUntil: at + MISHAP_LASTS_S.kettleEmpty }) }];
    case 'calledAway':
      return [...come, { at, to: (s) => ({ ...s, handsUntil: awayUntil(s, at) }) }];
    case 'wrongTea': {
      const cup = orders[mishap.order]?.cup ?? 0;
      const right = (s: ShiftStand) =>
        withOrder(s, mishap.order, (o) => ({
          ...{ cup },
          ...(o.pouredS === null || isServed(o) ? {} : begunAgain(o)),
        }));
      return [...come, { at: at + MISHAP_LASTS_S.wrongTea, to: right }];
    }
  }
}

const BEGUN: ShiftStand = { handsUntil: 0, kettleUntil: 0, orders: [] };
/** A shift that goes on: what happens by itself, and what hands do, one after the other. */
export class ShiftRun {
  private stand = BEGUN;
  private next = 0;
  private readonly happen: readonly Happening[];
  constructor(given: ShiftGiven) {
    this.happen = happenings(given).sort((a, b) => a.at - b.at);
  }
  /** How it stands at a moment; none of these moments is before an earlier one. */
  at(now: number): ShiftStand {
    for (let h = this.happen[this.next]; h && h.at <= now; h = this.happen[this.next]) {
      this.stand = h.to(this.stand);
      this.next += 1;
    }
    return this.stand;
  }
  /** What happens at the moment of an act happens before it. @returns false where a hand could not do that then */
  act(act: ShiftAct): boolean {
    if (refusalOf(this.at(act.at), act) !== null) return false;
    this.stand = done(this.stand, act);
    return true;
  }
}
/**
 * How a shift stands at a moment after those acts.
 * @returns null where a hand did what it could not do then
 */
export function shiftAt(
  given: ShiftGiven,
  acts: readonly ShiftAct[],
  now: number,
): ShiftStand | null {
  const run = new ShiftRun(given);
  for (const [i, act] of acts.entries()) {
    if (act.at > now || act.at < (acts[i - 1]?.at ?? 0)) return null;
    if (!run.act(act)) return null;
  }
  return run.at(now);
}
/** A shift is over at its end, or as soon as every order is served. */
export const isShiftOver = (given: ShiftGiven, stand: ShiftStand, now: number): boolean =>
  now >= SHIFT_S || (stand.orders.length === given.orders.length && stand.orders.every(isServed));

/**
 * The next moment at which something changes, s: an order, a mishap or its end, hands or kettle free, an edge or the best of a
 * window, the end.
 */
export function nextMoment(given: ShiftGiven, stand: ShiftStand, now: number): number {
  const windows = stand.orders.flatMap((o) => {
    const cup = given.cups[o.cup];
    if (!cup || !isSteeping(o)) return [];
    return [cup.earliest, cup.seconds, cup.latest].map((s) => (o.pouredS ?? 0) + s);
  });
  const moments = [
    ...happenings(given).map((h) => h.at),
    ...windows,
    ...[stand.handsUntil, stand.kettleUntil, SHIFT_S],
  ];
  return Math.min(...moments.filter((m) => m > now));
}

/** Every order as it ended, for its score. Those that nobody poured are among them. */
export function brewsOfShift(given: ShiftGiven, { orders }: ShiftStand): ShiftBrew[] {
  const cups = cupsOfShift(given);
  return given.orders.map(({ at, cup: asked }, i): ShiftBrew => {
    const cup = cups[asked];
    if (!cup) throw new RangeError(`order ${i + 1} is of no cup of the shift`);
    const o = orders[i];
    return {
      house: houseCupOf(cup),
      window: { earliest: cup.earliest, best: cup.seconds, latest: cup.latest },
      ...{ orderedS: at, pouredS: o?.pouredS ?? null, pulledS: o?.pulledS ?? null },
      ...{ servedS: o?.servedS ?? null, lidLeftOff: o?.lid === 'left' },
    };
  });
}

import { type BrewState, phaseAt } from '#core/brews';
import type { Window } from '#core/recipes';
import {
  HANDS_S,
  isSteeping,
  MISHAP_LASTS_S,
  type OrderStand,
  type ShiftCup,
  type ShiftGiven,
  type ShiftHand,
  type ShiftRefusal,
  type ShiftStand,
} from '#core/training';
import { epochMs, minutesText, seconds } from '#core/units';
import { leafActWords } from '#core/vessels';
import { type BrewStatus, steepPlate } from '../../../entities/brews/status';
import { handAt } from './model';

const clock = (s: number): string => minutesText(seconds(Math.max(0, s)));

/** What a vessel says of itself, and how many seconds are left until best; null: nothing steeps in it. */
export type VesselStatus = Pick<
  BrewStatus,
  'name' | 'over' | 'short' | 'figure' | 'late' | 'step' | 'act'
> & { readonly left: number | null };

export const windowOf = (cup: ShiftCup): Window => ({
  earliest: seconds(cup.earliest),
  best: seconds(cup.seconds),
  latest: seconds(cup.latest),
});
/** A moment of the shift as an instant, from any beginning. */
const atOf = (s: number) => epochMs(1000 * s);
/** An order as the bar keeps a brew. */
function stateOf({ orderedS, pouredS, pulledS }: OrderStand): BrewState {
  if (pouredS === null) return { kind: 'warming', since: atOf(orderedS) };
  const waterOn = atOf(pouredS);
  return pulledS === null
    ? { kind: 'steeping', waterOn }
    : { kind: 'pulled', waterOn, pulled: atOf(pulledS) };
}
/** What a vessel of the shift says of itself, in the words of the bar. */
export function vesselStatus(cup: ShiftCup, order: OrderStand | null, now: number): VesselStatus {
  const still = { late: false, left: null };
  if (!order)
    return {
      ...{ ...still, name: 'warming', over: 'Free', short: 'Free', figure: '–' },
      ...{ step: 'No order yet', act: 'Free' },
    };
  const phase = phaseAt(stateOf(order), windowOf(cup), atOf(now));
  const words = leafActWords(cup);
  switch (phase.kind) {
    // A shift's leaf is not lifted to be tasted.
    case 'tasting':
    case 'warming':
    case 'done':
      return {
        ...{ ...still, name: 'warming', over: 'Ordered, will steep', short: 'Ordered' },
        ...{ figure: clock(cup.seconds), act: 'Water on' },
        step: `Guest waits ${clock(Math.floor(now - order.orderedS))}`,
      };
    case 'pulled':
      return {
        ...{ ...still, name: 'pulled', over: `${words.done} at`, short: words.done },
        ...{ figure: clock(Math.round(phase.steeped)), act: 'Serve' },
        step: `Ready since ${clock(Math.floor(now - (order.pulledS ?? now)))}`,
      };
    case 'steeping':
    case 'window':
    case 'past':
    case 'late': {
      const steps = {
        steeping: `Latest ${clock(cup.latest)}`,
        window: `${words.act} soon`,
        past: `${words.act} now`,
        late: `${words.act} at once`,
      };
      return { ...steepPlate(phase, words), step: steps[phase.kind], left: phase.left };
    }
  }
}
/** What the button of a vessel says: a lid comes first; else what its state asks for. */
export const handWords = (hand: ShiftHand | null, { act }: VesselStatus): string =>
  hand === 'lid' ? 'Lid on' : act;
const HANDS_AT: Readonly<Record<ShiftHand, string>> = {
  pour: 'You pour',
  pull: 'You lift the leaf',
  serve: 'You serve',
  lid: '',
};
export const REFUSAL_WORDS: Readonly<Record<ShiftRefusal, string>> = {
  notOrdered: 'There is no such order.',
  done: 'That is done already.',
  hands: 'Your hands are not free yet.',
  kettle: 'The kettle is empty.',
  vessel: 'The vessel is not free yet.',
  over: 'The shift is over.',
};
/** What the hands do now, in a sentence. */
export function handsWords(
  { handsUntil }: ShiftStand,
  last: { readonly hand: ShiftHand; readonly at: number } | undefined,
  now: number,
): string {
  if (now >= handsUntil) return 'Your hands are free.';
  const isAtWork = last !== undefined && now < last.at + HANDS_S[last.hand];
  const what = isAtWork ? HANDS_AT[last.hand] : 'You are called away';
  return `${what}: ${clock(Math.ceil(handsUntil - now))} left.`;
}
/** A moment of the shift for who does not see the shelves: the time, and every vessel that has an order. */
export function momentWords(stand: ShiftStand, cups: readonly ShiftCup[], now: number): string {
  const vessels = cups.flatMap((cup, i) => {
    const next = handAt(stand, i);
    const order = next && stand.orders[next.order];
    if (!order) return [];
    const { over, figure, step } = vesselStatus(cup, order, now);
    return [`${cup.vessel}: ${over.toLowerCase()} ${figure}, ${step.toLowerCase()}.`];
  });
  return [`${clock(Math.floor(now))}.`, ...vessels].join(' ');
}
/** A wrong name that was put right is said so long after the order came, s. */
const SAID_S = 60;
/** What has gone wrong and still counts, in a sentence; '': nothing. */
export function mishapNow(
  given: ShiftGiven,
  stand: ShiftStand,
  cups: readonly ShiftCup[],
  now: number,
): string {
  const { mishap } = given;
  if (now < mishap.at) return '';
  const since = now - mishap.at;
  switch (mishap.kind) {
    case 'spilled': {
      const lost = stand.orders.find((o) => o.lost > 0 && o.pouredS === null);
      const cup = lost && cups[lost.cup];
      return cup ? `The pot was spilled. Brew ${cup.tea} again.` : '';
    }
    case 'kettleEmpty':
      return now < stand.kettleUntil
        ? `The kettle is empty. You have hot water again in ${clock(Math.ceil(stand.kettleUntil - now))}.`
        : '';
    case 'lidOff':
      return stand.orders.some((o) => isSteeping(o) && o.lid === 'off')
        ? 'A lid is off. Put the lid on.'
        : '';
    case 'calledAway':
      return since < MISHAP_LASTS_S.calledAway ? 'A guest asks you a question.' : '';
    case 'wrongTea': {
      const cup = cups[stand.orders[mishap.order]?.cup ?? 0];
      return since >= MISHAP_LASTS_S.wrongTea && since < SAID_S && cup
        ? `Order ${mishap.order + 1} had a wrong name. The guest wants ${cup.tea}.`
        : '';
    }
  }
}

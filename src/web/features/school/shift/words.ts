import {
  isSteeping,
  MISHAP_LASTS_S,
  type OrderStand,
  type ShiftCup,
  type ShiftGiven,
  type ShiftHand,
  type ShiftRefusal,
  type ShiftStand,
  steepedS,
} from '#core/training';
import { minutesText, seconds } from '#core/units';
import { leafActWords } from '#core/vessels';
import type { BrewStatus } from '../../../entities/brews/status';

const clock = (s: number): string => minutesText(seconds(Math.max(0, s)));

/** What a vessel of the shift says of itself, in the words of the bar. */
export function vesselStatus(
  cup: ShiftCup,
  order: OrderStand | null,
  now: number,
): Pick<BrewStatus, 'name' | 'over' | 'figure' | 'late' | 'step'> {
  if (!order)
    return { name: 'warming', over: 'Free', figure: '–', late: false, step: 'No order yet' };
  const steeped = steepedS(order, now);
  const words = leafActWords(cup);
  if (steeped === null)
    return {
      ...{ name: 'warming', over: 'Ordered, will steep', figure: clock(cup.seconds) },
      ...{ late: false, step: `Waits ${clock(Math.floor(now - order.orderedS))}` },
    };
  if (order.pulledS !== null)
    return {
      ...{
        name: 'pulled',
        over: `${words.done} at`,
        figure: clock(Math.round(steeped)),
        late: false,
      },
      step: `Stands ${clock(Math.floor(now - order.pulledS))}`,
    };
  const left = cup.seconds - steeped;
  if (steeped > cup.latest)
    return {
      ...{ name: 'late', over: 'Late, past latest by', late: true },
      ...{ figure: clock(Math.floor(steeped - cup.latest)), step: `${words.act} at once` },
    };
  if (left < 0)
    return {
      ...{ name: 'past', over: 'In its window, past best by', late: true },
      ...{ figure: clock(Math.floor(-left)), step: `${words.act} now` },
    };
  const isIn = steeped >= cup.earliest;
  return {
    ...(isIn
      ? { name: 'window', over: 'In its window, best in', step: `${words.act} soon` }
      : { name: 'steeping', over: 'Steeping, left', step: `Latest ${clock(cup.latest)}` }),
    ...{ figure: clock(Math.ceil(left)), late: false },
  };
}
/** What a button says, in the words of the bar. */
export function handWords(
  hand: ShiftHand,
  cup: ShiftCup,
  order: OrderStand | null,
  now: number,
): string {
  switch (hand) {
    case 'pour':
      return 'Water on';
    case 'pull': {
      const steeped = (order && steepedS(order, now)) ?? 0;
      const { early, done } = leafActWords(cup);
      return steeped < cup.earliest ? early : done;
    }
    case 'serve':
      return 'Serve';
    case 'lid':
      return 'Lid on';
  }
}
const HANDS_AT: Readonly<Record<ShiftHand, string>> = {
  pour: 'pouring',
  pull: 'lifting the leaf',
  serve: 'serving',
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
/** What the hands are at; '' : they are free. */
export function handsWords(
  { handsUntil }: ShiftStand,
  lastHand: { readonly hand: ShiftHand; readonly at: number } | undefined,
  given: ShiftGiven,
  now: number,
): string {
  if (now >= handsUntil) return '';
  const { mishap } = given;
  const isAway = mishap.kind === 'calledAway' && now >= mishap.at && handsUntil > mishap.at;
  const what = isAway ? 'called away' : HANDS_AT[lastHand?.hand ?? 'pour'];
  return `${what}, ${clock(Math.ceil(handsUntil - now))} left`;
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
      return cup ? `${cup.tea} was spilled. Begin it again.` : '';
    }
    case 'kettleEmpty':
      return now < stand.kettleUntil
        ? `The kettle is empty. Hot water in ${clock(Math.ceil(stand.kettleUntil - now))}.`
        : '';
    case 'lidOff':
      return stand.orders.some((o) => isSteeping(o) && o.lid === 'off') ? 'A lid is off.' : '';
    case 'calledAway':
      return since < MISHAP_LASTS_S.calledAway ? 'A guest asks you a question.' : '';
    case 'wrongTea': {
      const cup = cups[stand.orders[mishap.order]?.cup ?? 0];
      return since >= MISHAP_LASTS_S.wrongTea && since < SAID_S && cup
        ? `Order ${mishap.order + 1} was named wrongly. The guest wants ${cup.tea}.`
        : '';
    }
  }
}

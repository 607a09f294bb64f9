import { APART, type Moment, waitToPour } from '#core/brews';
import { capital, type EpochMs, epochMs, minutesText, type Seconds, seconds } from '#core/units';
import { asTheHouse, type MadeCup } from '../diagnosis/faults';
import { tasteWords } from '../diagnosis/words';
import {
  cupsOfShift,
  HANDS_S,
  MISHAP_LASTS_S,
  SHIFT_S,
  type ShiftCup,
  type ShiftGiven,
} from './orders';
import {
  bestMoment,
  brewsOfShift,
  type OrderStand,
  type ShiftAct,
  shiftAt,
  steepedS,
} from './play';
import { madeInShift, scoreShift, type ShiftBrewScore } from './score';

// After a shift: each order, the worst cup first, with what came of it and why.

export type OrderDebrief = {
  readonly order: number;
  readonly tea: string;
  readonly vessel: string;
  readonly score: ShiftBrewScore;
  /** When the leaf was out, and when it should have been. */
  readonly pull: string;
  /** How the cup tastes beside the house cup. */
  readonly taste: string;
  /** Whose moment it met, what went wrong, how long the guest waited. */
  readonly why: readonly string[];
  /** What the bar would have said at the pour; null: nothing. */
  readonly advice: string | null;
  /** The cup that was served, and the cup as the house brews it; null: there is none. */
  readonly cups: { readonly made: MadeCup; readonly house: MadeCup } | null;
};
type Ended = {
  readonly given: ShiftGiven;
  readonly cups: readonly ShiftCup[];
  readonly acts: readonly ShiftAct[];
  readonly orders: readonly OrderStand[];
};

const clock = (s: number): string => minutesText(seconds(Math.round(s)));
const atOf = (s: number): EpochMs => epochMs(1000 * s);
const cupOf = ({ given, cups, orders }: Ended, order: number) =>
  cups[orders[order]?.cup ?? given.orders[order]?.cup ?? 0];
const nameOf = (ended: Ended, order: number): string => {
  const cup = cupOf(ended, order);
  return cup ? `${cup.tea} (${cup.vessel})` : '';
};
/** When its leaf should be out, s; null: it was not poured. */
function bestOf({ orders, cups }: Ended, order: number): number | null {
  const o = orders[order];
  return o ? bestMoment(o, cups) : null;
}

function pullWords(ended: Ended, order: number, { errorS }: ShiftBrewScore): string {
  const o = ended.orders[order];
  const cup = cupOf(ended, order);
  if (!o || !cup || o.pouredS === null) return 'Nobody poured this order.';
  if (o.pulledS === null || errorS === null) return 'Nobody lifted the leaf out.';
  const window = `The window is ${clock(cup.earliest)} to ${clock(cup.latest)}.`;
  return `Leaf out at ${clock(o.pulledS - o.pouredS)}, best ${clock(cup.seconds)}. ${window}`;
}
function tasteOf({ steps }: ShiftBrewScore): string {
  if (steps === null) return '';
  const words = tasteWords(steps);
  return words.length === 0 ? 'Tastes like the house cup.' : `${capital(words.join(', '))}.`;
}

/** Orders whose best moment lies too near that of this one. */
const metBy = (ended: Ended, order: number): number[] => {
  const best = bestOf(ended, order);
  if (best === null) return [];
  return ended.orders.flatMap((_, i) => {
    const other = bestOf(ended, i);
    return i !== order && other !== null && Math.abs(other - best) < APART ? [i] : [];
  });
};
const HAND_WORDS = {
  pour: 'poured',
  pull: 'lifted the leaf of',
  serve: 'served',
  lid: '',
} as const;
/** What the hands did to another order when this one was at its best; '': nothing. */
function busyWords(ended: Ended, order: number): string {
  const best = bestOf(ended, order);
  if (best === null) return '';
  const act = ended.acts.find(
    (a) => a.order !== order && a.at <= best && best < a.at + HANDS_S[a.hand],
  );
  return act ? `At the best moment you ${HAND_WORDS[act.hand]} ${nameOf(ended, act.order)}.` : '';
}
function mishapWords({ given: { mishap }, orders }: Ended, order: number): string {
  const o = orders[order];
  if (!o) return '';
  switch (mishap.kind) {
    case 'spilled':
      return o.lost > 0 ? 'The pot was spilled. You had to brew again.' : '';
    case 'wrongTea':
      if (mishap.order !== order) return '';
      return o.lost > 0
        ? 'The order had a wrong name at first. You poured before the name was corrected.'
        : 'The order had a wrong name at first.';
    case 'lidOff':
      return o.lid === 'left' ? 'The pot had no lid.' : '';
    case 'kettleEmpty':
      return o.orderedS < mishap.at + MISHAP_LASTS_S.kettleEmpty &&
        (o.pouredS ?? SHIFT_S) > mishap.at
        ? 'The kettle was empty for a minute.'
        : '';
    case 'calledAway':
      return o.pouredS !== null && o.pouredS < mishap.at && (o.pulledS ?? SHIFT_S) > mishap.at
        ? 'You were called away.'
        : '';
  }
}
function whyOf(ended: Ended, order: number, score: ShiftBrewScore): string[] {
  const o = ended.orders[order];
  const isOff = score.kind !== 'inWindow' && score.kind !== 'never';
  const met = isOff
    ? metBy(ended, order).map((i) => `${nameOf(ended, i)} was due at the same moment.`)
    : [];
  const waited =
    score.longWait && score.waitedS !== null ? `The guest waited ${clock(score.waitedS)}.` : '';
  const stood =
    (score.stoodS ?? 0) > 0 && o && o.servedS !== null && o.pulledS !== null
      ? `The cup stood for ${clock(o.servedS - o.pulledS)} before you served the cup.`
      : '';
  const unserved = score.kind !== 'never' && o?.servedS === null ? 'Nobody served the cup.' : '';
  return [mishapWords(ended, order), ...met, isOff ? busyWords(ended, order) : '']
    .concat(waited, stood, unserved)
    .filter(Boolean);
}

/** What the bar says at a pour: wait, so that no two best moments meet. */
function adviceOf(ended: Ended, order: number): string | null {
  const o = ended.orders[order];
  const cup = cupOf(ended, order);
  if (!o || !cup || o.pouredS === null) return null;
  const poured = o.pouredS;
  const running = ended.orders.flatMap((x, i): Moment[] => {
    const best = bestOf(ended, i);
    const isRunning =
      i !== order && x.pouredS !== null && x.pouredS <= poured && (x.pulledS ?? SHIFT_S) > poured;
    return isRunning && best !== null ? [{ id: String(i), at: atOf(best) }] : [];
  });
  const wait: Seconds = waitToPour([seconds(cup.seconds)], running, atOf(poured));
  return wait > 0
    ? `The bar’s advice at this pour: wait ${wait} s. Then no two leaves are due at the same moment.`
    : null;
}

/** Each order of a shift that is over, the worst cup first. */
export function debriefOf(given: ShiftGiven, acts: readonly ShiftAct[]): OrderDebrief[] {
  const stand = shiftAt(given, acts, SHIFT_S);
  if (!stand) throw new RangeError('these hands could not have done that');
  const cups = cupsOfShift(given);
  const ended: Ended = { given, cups, acts, orders: stand.orders };
  const brews = brewsOfShift(given, stand);
  const debriefs = scoreShift(brews).brews.map((score, order): OrderDebrief => {
    const [o, brew] = [stand.orders[order], brews[order]];
    const cup = cups[given.orders[order]?.cup ?? 0];
    const steeped = o && o.pulledS !== null ? steepedS(o, SHIFT_S) : null;
    return {
      ...{ order, tea: cup?.tea ?? '', vessel: cup?.vessel ?? '', score },
      ...{ pull: pullWords(ended, order, score), taste: tasteOf(score) },
      ...{ why: whyOf(ended, order, score), advice: adviceOf(ended, order) },
      cups:
        brew && cup && steeped !== null
          ? {
              made: madeInShift(brew, steeped),
              house: asTheHouse(brew.house),
            }
          : null,
    };
  });
  const badness = ({ score }: OrderDebrief) => score.worst ?? Infinity;
  return debriefs.sort((a, b) => a.score.credit - b.score.credit || badness(b) - badness(a));
}

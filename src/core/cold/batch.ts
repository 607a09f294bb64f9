import type { Observed } from '#core/brews';
import type { Proposal, Verdict } from '#core/corrections';
import type { Window } from '#core/recipes';
import { type Celsius, type EpochMs, epochMs, type Millilitres, millilitres } from '#core/units';
import { labelTime } from './keeping';
import type { BatchPlan, ColdPlace } from './planBatch';

/** Why liquor was thrown out. */
export const DISCARD_REASONS = {
  past: 'time ended',
  warm: 'too warm',
  off: 'bad taste',
  spilled: 'spilled',
  left: 'left over',
  doubt: 'in doubt',
} as const;
export type DiscardReason = keyof typeof DISCARD_REASONS;
export const DISCARD_REASON_NAMES = Object.keys(DISCARD_REASONS) as readonly DiscardReason[];

export type NamedVessel = { readonly id: string; readonly name: string };
/** What hands do to a batch once its leaf is in. */
export type BatchAct =
  /** The leaf comes out. `yield` as measured; null: as reckoned. */
  | { readonly kind: 'lift'; readonly yield: Millilitres | null; readonly squeezed: boolean }
  /** Of warm-then-cold: the hot minute is over and the cold water is on. */
  | { readonly kind: 'coldOn' }
  | { readonly kind: 'pour'; readonly ml: Millilitres; readonly glasses: number | null }
  /** Water that goes to what is drawn. */
  | { readonly kind: 'dilute'; readonly ml: Millilitres }
  /** What somebody sees standing there. */
  | { readonly kind: 'count'; readonly ml: Millilitres }
  /** The liquor as it was judged, with the correction said for the next batch; `accepted`: the lead is to see it. */
  | {
      readonly kind: 'taste';
      readonly verdict: Verdict;
      readonly proposal: Proposal;
      readonly accepted: boolean;
      readonly remark: string;
      /** How clear it is, words for the liquor and for the leaf; absent: nothing was noted. */
      readonly observed?: Observed | undefined;
    }
  | { readonly kind: 'discard'; readonly ml: Millilitres; readonly reason: DiscardReason }
  /** A lead says an earlier end, or a later one, and why. */
  | { readonly kind: 'shorten'; readonly until: EpochMs; readonly reason: string }
  | { readonly kind: 'override'; readonly until: EpochMs; readonly reason: string }
  /** Into another vessel: the old one is free. */
  | { readonly kind: 'decant'; readonly from: NamedVessel; readonly to: NamedVessel }
  /** Out of the fridge, or back into it; `air` is how warm it is where the batch stands now. */
  | { readonly kind: 'shelve'; readonly place: ColdPlace; readonly air: Celsius }
  /** A label was printed that says until when it is kept. */
  | { readonly kind: 'label'; readonly until: EpochMs }
  /** The leaf went in at another time than was kept. */
  | { readonly kind: 'retime'; readonly from: EpochMs; readonly to: EpochMs }
  /** It is the double of another: one pitcher was started on two devices that did not know of each other. */
  | { readonly kind: 'void'; readonly double: string }
  /** Of the leaf-in itself, by the batch's own id: it never began. */
  | { readonly kind: 'undo'; readonly of: string };
export type BatchEvent = BatchAct & { readonly id: string; readonly at: EpochMs };

export type BatchState =
  | { readonly kind: 'infusing'; readonly leafIn: EpochMs }
  | { readonly kind: 'drawn'; readonly leafIn: EpochMs; readonly lifted: EpochMs }
  | { readonly kind: 'finished'; readonly at: EpochMs }
  | { readonly kind: 'discarded'; readonly at: EpochMs; readonly reason: DiscardReason }
  | { readonly kind: 'cancelled'; readonly at: EpochMs }
  | { readonly kind: 'void'; readonly at: EpochMs; readonly double: string };

/** Always: yield + diluted = poured + discarded + counted off + left, and left is never less than nothing. */
export type Ledger = {
  readonly yield: Millilitres;
  readonly diluted: Millilitres;
  readonly poured: Millilitres;
  readonly discarded: Millilitres;
  /** Less than reckoned when somebody looked; negative: more. */
  readonly countedOff: Millilitres;
  readonly left: Millilitres;
};
/** A batch that was put elsewhere: where it stands from then on. */
export type Shelved = {
  readonly at: EpochMs;
  readonly place: ColdPlace;
  readonly air: Celsius;
};
/** Where a batch stands now. */
export const placeOf = (plan: BatchPlan, { shelved }: Pick<BatchNow, 'shelved'>) =>
  shelved.at(-1)?.place ?? plan.place;
export type Level = { readonly at: EpochMs; readonly ml: Millilitres };
/** A batch as it stands: what its events come to. */
export type BatchNow = {
  readonly state: BatchState;
  readonly ledger: Ledger;
  /** When the cold water of warm-then-cold went on; null: it has not, or there is none. */
  readonly coldOn: EpochMs | null;
  /** When it was first poured from; null: it is closed. */
  readonly openedAt: EpochMs | null;
  /** The label that was printed last; null: none. */
  readonly printed: PrintedLabel | null;
  /** The end that a lead chose last; null: none. */
  readonly chosenEnd: ChosenEnd | null;
  /** Where it was put since leaf in, in order; nothing: it stands where it was begun. */
  readonly shelved: readonly Shelved[];
  /** Events that could not be: a second lift, a pour from nothing. They are kept and change nothing. */
  readonly ignored: readonly string[];
  /** Events that were taken back. */
  readonly undone: ReadonlySet<string>;
  /** What stood in the vessel after each change, from leaf in on. */
  readonly levels: readonly Level[];
  /** The last event that stands; null: nothing but the leaf-in. */
  readonly last: BatchEvent | null;
};

const ML_0 = millilitres(0);
const NOTHING: Ledger = {
  yield: ML_0,
  diluted: ML_0,
  poured: ML_0,
  discarded: ML_0,
  countedOff: ML_0,
  left: ML_0,
};
const leftOf = (l: Omit<Ledger, 'left'>): Ledger => ({
  ...l,
  left: millilitres(l.yield + l.diluted - l.poured - l.discarded - l.countedOff),
});
/** Less than this left is nothing left, ml. */
const EMPTY_ML = 1;

/** Until when a lead wants a batch kept: sooner than worked out, or later. */
export type ChosenEnd = { readonly kind: 'shorten' | 'override'; readonly until: EpochMs };
/** What the last label says, how often one was printed, and whether the liquor is in another vessel since. */
export type PrintedLabel = {
  readonly times: number;
  readonly until: EpochMs;
  readonly isElsewhere: boolean;
};
type Standing = Pick<
  BatchNow,
  'state' | 'ledger' | 'openedAt' | 'chosenEnd' | 'printed' | 'coldOn' | 'shelved'
>;

/** True while it stands somewhere and holds its vessel. */
export const isStanding = ({ kind }: BatchState): boolean =>
  kind === 'infusing' || kind === 'drawn';

/** What runs off the leaf, as it is worked out. */
const yieldOf = (plan: BatchPlan, squeezed: boolean): Millilitres =>
  squeezed ? plan.squeezedLiquor : plan.liquor;
const endedIfEmpty = (b: Standing, at: EpochMs): Standing =>
  b.ledger.left > EMPTY_ML ? b : { ...b, state: { kind: 'finished', at } };

/** One act done to a batch; null where it cannot be. */
function applied(b: Standing, e: BatchEvent, plan: BatchPlan): Standing | null {
  const { state, ledger } = b;
  if (e.kind === 'void' && isStanding(state))
    return { ...b, state: { kind: 'void', at: e.at, double: e.double } };
  if (isStanding(state) && (e.kind === 'shorten' || e.kind === 'override'))
    return { ...b, chosenEnd: { kind: e.kind, until: e.until } };
  if (isStanding(state) && e.kind === 'label')
    return {
      ...b,
      printed: { times: (b.printed?.times ?? 0) + 1, until: e.until, isElsewhere: false },
    };
  // Where it stands and since when is kept with the batch itself.
  if (isStanding(state) && e.kind === 'retime') return b;
  if (isStanding(state) && e.kind === 'decant')
    return { ...b, printed: b.printed && { ...b.printed, isElsewhere: true } };
  if (isStanding(state) && e.kind === 'shelve') {
    const { at, place, air } = e;
    return placeOf(plan, b) === place
      ? null
      : { ...b, shelved: [...b.shelved, { at, place, air }] };
  }
  if (state.kind === 'infusing') {
    if (e.kind === 'coldOn')
      return plan.hotFirst && b.coldOn === null ? { ...b, coldOn: e.at } : null;
    if (e.kind === 'lift') {
      const drawn = e.yield ?? yieldOf(plan, e.squeezed);
      return {
        ...b,
        state: { kind: 'drawn', leafIn: state.leafIn, lifted: e.at },
        ledger: leftOf({ ...ledger, yield: drawn }),
      };
    }
    if (e.kind === 'discard')
      return { ...b, state: { kind: 'discarded', at: e.at, reason: e.reason } };
    return null;
  }
  if (state.kind !== 'drawn') return null;
  switch (e.kind) {
    case 'pour': {
      const ml = millilitres(Math.min(e.ml, ledger.left));
      return endedIfEmpty(
        {
          ...b,
          openedAt: b.openedAt ?? e.at,
          ledger: leftOf({ ...ledger, poured: millilitres(ledger.poured + ml) }),
        },
        e.at,
      );
    }
    case 'dilute':
      return { ...b, ledger: leftOf({ ...ledger, diluted: millilitres(ledger.diluted + e.ml) }) };
    case 'count': {
      const off = ledger.countedOff + ledger.left - e.ml;
      return endedIfEmpty(
        { ...b, ledger: leftOf({ ...ledger, countedOff: millilitres(off) }) },
        e.at,
      );
    }
    case 'taste':
      return b;
    case 'discard': {
      const ml = Math.min(e.ml, ledger.left);
      const after = leftOf({ ...ledger, discarded: millilitres(ledger.discarded + ml) });
      return after.left > EMPTY_ML
        ? { ...b, ledger: after }
        : { ...b, ledger: after, state: { kind: 'discarded', at: e.at, reason: e.reason } };
    }
    default:
      return null;
  }
}
/**
 * A batch as its events leave it, in the order in which they happened, whatever order they came in. What was taken back
 * is as if it had never been; a repeated id counts once.
 */
export function foldBatch(
  id: string,
  plan: BatchPlan,
  leafIn: EpochMs,
  events: readonly BatchEvent[],
): BatchNow {
  const once = [...new Map(events.map((e) => [e.id, e])).values()];
  const inOrder = once.sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  const undone = new Set(inOrder.flatMap((e) => (e.kind === 'undo' ? [e.of] : [])));
  const cancelled = inOrder.find((e) => e.kind === 'undo' && e.of === id);
  let now: Standing = {
    state: cancelled ? { kind: 'cancelled', at: cancelled.at } : { kind: 'infusing', leafIn },
    ledger: NOTHING,
    openedAt: null,
    coldOn: null,
    chosenEnd: null,
    printed: null,
    shelved: [],
  };
  const ignored: string[] = [];
  const levels: Level[] = [{ at: leafIn, ml: plan.water }];
  let last: BatchEvent | null = null;
  for (const e of inOrder) {
    if (e.kind === 'undo' || undone.has(e.id)) continue;
    const next = applied(now, e, plan);
    if (next) {
      now = next;
      // Paper does nothing to the liquor: what was done before can still be taken back.
      if (e.kind === 'label') continue;
      last = e;
      levels.push({ at: e.at, ml: now.ledger.left });
    } else ignored.push(e.id);
  }
  return { ...now, ignored, undone, levels, last };
}
/** Where a batch stands and since when its leaf was in: what an event of it may move. */
export type Placed = {
  readonly leafIn: EpochMs;
  readonly vesselId: string;
  readonly vesselName: string;
};
/** What an event changes of that; `undone` is the event that an undo takes back. */
export function placedAfter(b: Placed, e: BatchEvent, undone?: BatchEvent): Placed {
  const at = (leafIn: EpochMs): Placed => ({ ...b, leafIn });
  const within = ({ id, name }: NamedVessel): Placed => ({ ...b, vesselId: id, vesselName: name });
  if (e.kind === 'retime') return at(e.to);
  if (e.kind === 'decant') return within(e.to);
  if (e.kind !== 'undo') return b;
  if (undone?.kind === 'retime') return at(undone.from);
  return undone?.kind === 'decant' ? within(undone.from) : b;
}
/** True when the label on a batch says too late a time, or another vessel. */
export const isLabelOutdated = ({ printed }: BatchNow, discardAt: EpochMs): boolean =>
  printed !== null && (printed.isElsewhere || labelTime(discardAt) < printed.until);
/** When it may be poured: lifted, and cold. */
export const readyAt = (plan: BatchPlan, state: BatchState): EpochMs | null =>
  state.kind === 'drawn'
    ? epochMs(Math.max(state.lifted, state.leafIn + (plan.coldAfter ?? 0) * 1000))
    : null;
/** The window of a batch as instants. */
export const windowOf = (window: Window, leafIn: EpochMs) => ({
  earliest: epochMs(leafIn + window.earliest * 1000),
  best: epochMs(leafIn + window.best * 1000),
  latest: epochMs(leafIn + window.latest * 1000),
});

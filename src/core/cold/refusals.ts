import { type EpochMs, epochMs, type Millilitres, millilitres } from '#core/units';
import {
  type BatchAct,
  type BatchNow,
  type BatchState,
  isStanding,
  placeOf,
  readyAt,
} from './batch';
import { type Because, LONGEST_KEEP_HOURS, mayExtend } from './keeping';
import type { BatchPlan, ColdPlace } from './planBatch';

/** Why an act cannot be done to a batch now. */
export type BatchRefusal =
  | { readonly kind: 'tooEarly' }
  | { readonly kind: 'inTheFuture' }
  | { readonly kind: 'alreadyLifted'; readonly at: EpochMs }
  | { readonly kind: 'notLifted' }
  | { readonly kind: 'ended' }
  | { readonly kind: 'notCold'; readonly readyAt: EpochMs }
  | { readonly kind: 'past'; readonly discardAt: EpochMs }
  | { readonly kind: 'moreThanLeft'; readonly left: Millilitres }
  | { readonly kind: 'squeezedHot' }
  | { readonly kind: 'oneSteep' }
  | { readonly kind: 'oneWater' }
  | { readonly kind: 'coldOnAlready'; readonly at: EpochMs }
  | { readonly kind: 'forLeads' }
  | { readonly kind: 'noReason' }
  | { readonly kind: 'notSooner'; readonly discardAt: EpochMs }
  | { readonly kind: 'notLater'; readonly discardAt: EpochMs }
  | { readonly kind: 'notOverAge' }
  | { readonly kind: 'overFiveDays'; readonly most: EpochMs }
  | { readonly kind: 'liftedBefore'; readonly lifted: EpochMs }
  | { readonly kind: 'sameVessel' }
  | { readonly kind: 'standsThere'; readonly place: ColdPlace }
  | { readonly kind: 'tooLateToUndo' }
  | { readonly kind: 'notTheLast' };

const MINUTE = 60_000;
/** A device's clock may be ahead by so much. */
const MOST_AHEAD = 2 * MINUTE;
const UNDO_WITHIN = 10 * MINUTE;
/** A pour may be over what the book has by the larger of these. */
const [OVER_ML, OVER_SHARE] = [30, 0.05];

/** Null where it can be done at `at`; `now` is the server's clock, `discardAt` until when it is kept. */
export function refuseAct(
  batch: { readonly id: string; readonly plan: BatchPlan; readonly leafIn: EpochMs } & BatchNow,
  act: BatchAct,
  when: {
    readonly at: EpochMs;
    readonly now: EpochMs;
    readonly discardAt: EpochMs;
    readonly because: Because;
    readonly isLead: boolean;
  },
): BatchRefusal | null {
  const { state, ledger, plan } = batch;
  if (when.at > when.now + MOST_AHEAD) return { kind: 'inTheFuture' };
  if (when.at < batch.leafIn) return { kind: 'tooEarly' };
  if (act.kind === 'undo') return refuseUndo(batch, act.of, when);
  if (!isStanding(state)) return { kind: 'ended' };
  if (act.kind === 'discard' || act.kind === 'void' || act.kind === 'label') return null;
  if (act.kind === 'shorten' || act.kind === 'override') return refuseEnd(batch, act, when);
  if (act.kind === 'coldOn') return refuseColdOn(batch);
  if (act.kind === 'shelve')
    return placeOf(plan, batch) === act.place ? { kind: 'standsThere', place: act.place } : null;
  if (act.kind === 'retime') return refuseRetime(state, act.to, when.now);
  if (act.kind === 'lift') {
    if (state.kind === 'drawn') return { kind: 'alreadyLifted', at: state.lifted };
    return act.squeezed && plan.hotFirst !== null ? { kind: 'squeezedHot' } : null;
  }
  if (state.kind !== 'drawn') return { kind: 'notLifted' };
  if (act.kind === 'decant') return act.from.id === act.to.id ? { kind: 'sameVessel' } : null;
  if (act.kind === 'taste' && when.at >= when.discardAt)
    return { kind: 'past', discardAt: when.discardAt };
  if (act.kind !== 'pour') return null;
  const ready = readyAt(plan, state);
  if (ready !== null && when.at < ready) return { kind: 'notCold', readyAt: ready };
  if (when.at >= when.discardAt) return { kind: 'past', discardAt: when.discardAt };
  const most = ledger.left + Math.max(OVER_ML, OVER_SHARE * ledger.left);
  return act.ml > most ? { kind: 'moreThanLeft', left: millilitres(ledger.left) } : null;
}
/** The second water is for leaf that is in, once, and where the recipe has one. */
function refuseColdOn({
  state,
  plan,
  coldOn,
}: { readonly plan: BatchPlan } & BatchNow): BatchRefusal | null {
  if (state.kind === 'drawn') return { kind: 'oneSteep' };
  if (plan.hotFirst === null) return { kind: 'oneWater' };
  return coldOn === null ? null : { kind: 'coldOnAlready', at: coldOn };
}
/** A lead's own end: sooner always, later only over age and to five days from lift. Both want a reason. */
function refuseEnd(
  { state }: BatchNow,
  act: { readonly kind: 'shorten' | 'override'; readonly until: EpochMs; readonly reason: string },
  when: {
    readonly at: EpochMs;
    readonly discardAt: EpochMs;
    readonly because: Because;
    readonly isLead: boolean;
  },
): BatchRefusal | null {
  if (!when.isLead) return { kind: 'forLeads' };
  if (act.reason.trim() === '') return { kind: 'noReason' };
  const { discardAt } = when;
  if (act.kind === 'shorten')
    return act.until < discardAt ? null : { kind: 'notSooner', discardAt };
  if (!mayExtend(when.because)) return { kind: 'notOverAge' };
  if (state.kind !== 'drawn') return { kind: 'notLifted' };
  if (act.until <= discardAt) return { kind: 'notLater', discardAt };
  const most = epochMs(state.lifted + LONGEST_KEEP_HOURS * 60 * MINUTE);
  return act.until > most ? { kind: 'overFiveDays', most } : null;
}
/** Leaf was in before it came out, and not in the future. */
function refuseRetime(state: BatchState, to: EpochMs, now: EpochMs): BatchRefusal | null {
  if (to > now + MOST_AHEAD) return { kind: 'inTheFuture' };
  return state.kind === 'drawn' && to >= state.lifted
    ? { kind: 'liftedBefore', lifted: state.lifted }
    : null;
}
/** Only the last thing is taken back, within ten minutes; later by a lead. */
function refuseUndo(
  batch: { readonly id: string; readonly leafIn: EpochMs } & BatchNow,
  of: string,
  { now, isLead }: { readonly now: EpochMs; readonly isLead: boolean },
): BatchRefusal | null {
  const last = batch.last ?? { id: batch.id, at: batch.leafIn };
  if (last.id !== of) return { kind: 'notTheLast' };
  return now - last.at > UNDO_WITHIN && !isLead ? { kind: 'tooLateToUndo' } : null;
}

/** How times and amounts are written where it is said. */
export type Say = {
  readonly time: (at: EpochMs) => string;
  readonly volume: (ml: Millilitres) => string;
};
/** A refusal in words. */
export function refusalWords(r: BatchRefusal, say: Say): string {
  switch (r.kind) {
    case 'tooEarly':
      return 'The batch has not started yet.';
    case 'inTheFuture':
      return 'That time is in the future. Check the clock of this device.';
    case 'alreadyLifted':
      return `The leaf was lifted at ${say.time(r.at)}.`;
    case 'notLifted':
      return 'The leaf is still in. Lift the leaf first.';
    case 'ended':
      return 'This batch has ended.';
    case 'notCold':
      return `Not cold yet. Pour from about ${say.time(r.readyAt)}.`;
    case 'past':
      return `The time of this batch ended at ${say.time(r.discardAt)}. Throw the batch out.`;
    case 'moreThanLeft':
      return `Only ${say.volume(r.left)} should be left. Measure the liquor in the pitcher.`;
    case 'squeezedHot':
      return 'Squeeze only cold brews. This batch started with hot water.';
    case 'oneSteep':
      return 'Cold-brewed leaf is done after one steep.';
    case 'oneWater':
      return 'This batch gets one water only.';
    case 'coldOnAlready':
      return `The cold water went on at ${say.time(r.at)}.`;
    case 'forLeads':
      return 'Only a lead can change the end of a batch.';
    case 'noReason':
      return 'Give the reason.';
    case 'notSooner':
      return `That is not before ${say.time(r.discardAt)}.`;
    case 'notLater':
      return `That is not after ${say.time(r.discardAt)}.`;
    case 'notOverAge':
      return 'This batch was warm, or is a counter brew. Nobody can allow a later time.';
    case 'overFiveDays':
      return `Five days after lifting is the most: ${say.time(r.most)}. The local food code decides.`;
    case 'liftedBefore':
      return `The leaf was lifted at ${say.time(r.lifted)}, before that.`;
    case 'sameVessel':
      return 'The liquor is in that vessel already.';
    case 'standsThere':
      return r.place === 'fridge'
        ? 'The batch is in the fridge already.'
        : 'The batch is on the counter already.';
    case 'tooLateToUndo':
      return 'More than ten minutes have passed. A lead can still take this back.';
    case 'notTheLast':
      return 'Something else was done to the batch after that.';
  }
}

/** Why a pitcher takes no other leaf: what is in it, in words. */
export function inUseWords(
  vessel: string,
  batch: { readonly tea: { readonly name: string }; readonly now: BatchNow },
  volume: Say['volume'],
): string {
  const { state, ledger } = batch.now;
  return state.kind === 'drawn'
    ? `${vessel} still holds ${volume(ledger.left)} of ${batch.tea.name}.`
    : `${batch.tea.name} is in the ${vessel}.`;
}

import {
  type BatchNow,
  type FridgeAir,
  type HouseLimits,
  inOneVessel,
  isStanding,
  type Keeping,
  keptUntil,
  nowOf,
  placedAfter,
  readyAt,
  useFirst,
  windowOf,
} from '#core/cold';
import type { EpochMs, Millilitres } from '#core/units';
import type { Batch } from '#contracts/batches';
import type { BatchHappened } from '#contracts/batchEvents';
import type { FridgeReading } from '#contracts/fridge';
import type { WaitingWrite } from '../../platform/outbox/writes';
import { isBatchWrite } from './writes';

/** A batch as it stands here and now; `unsaved` while something of it waits to be sent. */
export type ColdBatch = Batch & {
  readonly unsaved: boolean;
  readonly now: BatchNow;
  readonly kept: Keeping;
  readonly window: ReturnType<typeof windowOf>;
  /** When it may be poured; null while its leaf is in. */
  readonly ready: EpochMs | null;
};

/** What the server knows, with what still waits to be sent laid over it. */
export function readingsOf(
  kept: readonly FridgeReading[],
  waiting: readonly WaitingWrite[],
): FridgeReading[] {
  const byId = new Map(kept.map((r) => [r.id, r]));
  for (const w of waiting.filter(isBatchWrite))
    if (w.kind === 'fridgeReading' && !byId.has(w.id)) byId.set(w.id, w.reading);
  return [...byId.values()].sort((a, b) => a.at - b.at);
}

/** Every batch as it stands, the unsaved included. */
export function batchesOf(
  kept: readonly Batch[],
  waiting: readonly WaitingWrite[],
  air: FridgeAir,
  limits: HouseLimits,
): ColdBatch[] {
  const byId = new Map(kept.map((b) => [b.id, { batch: b, unsaved: false }]));
  for (const w of waiting.filter(isBatchWrite)) {
    if (w.kind === 'batchStart' && !byId.has(w.id))
      byId.set(w.id, { batch: w.batch, unsaved: true });
    if (w.kind !== 'batchEvent') continue;
    const there = byId.get(w.batchId);
    if (!there || there.batch.events.some((e) => e.id === w.id)) continue;
    const event = { ...w.body, by: w.by, flag: null } as BatchHappened;
    const { batch } = there;
    const undone = event.kind === 'undo' ? batch.events.find((e) => e.id === event.of) : undefined;
    byId.set(w.batchId, {
      batch: { ...batch, ...placedAfter(batch, event, undone), events: [...batch.events, event] },
      unsaved: true,
    });
  }
  return [...byId.values()].map(({ batch, unsaved }) => standing(batch, unsaved, air, limits));
}

function standing(batch: Batch, unsaved: boolean, air: FridgeAir, limits: HouseLimits): ColdBatch {
  const now = nowOf(batch);
  return {
    ...batch,
    unsaved,
    now,
    kept: keptUntil(batch, now, air, limits),
    window: windowOf(batch.plan.window, batch.leafIn),
    ready: readyAt(batch.plan, now.state),
  };
}
export const stands = (b: ColdBatch): boolean => isStanding(b.now.state);

/** What hands are wanted for next: by when, and what. */
export type NextHand = {
  readonly kind: 'lift' | 'discard';
  readonly from: EpochMs;
  readonly by: EpochMs;
};
export function nextHand(b: ColdBatch): NextHand | null {
  if (b.now.state.kind === 'infusing')
    return { kind: 'lift', from: b.window.earliest, by: b.window.latest };
  if (b.now.state.kind === 'drawn')
    return { kind: 'discard', from: b.kept.discardAt, by: b.kept.discardAt };
  return null;
}
/** What else is in the same pitcher, and how it came there; null: nothing. */
export function sharesVessel(
  b: ColdBatch,
  standing: readonly ColdBatch[],
): { readonly other: ColdBatch; readonly how: 'startedTwice' | 'filledAgain' } | null {
  const started = (x: ColdBatch) => ({ ...x, teaId: x.tea.id });
  for (const other of standing) {
    const how = inOneVessel(started(b), started(other));
    if (how) return { other, how };
  }
  return null;
}
/** Of the same tea and method, the drawn one that is to be poured first. */
export function pouredFirst(b: ColdBatch, standing: readonly ColdBatch[]): ColdBatch | undefined {
  const kept = (x: ColdBatch) => ({ ...x, discardAt: x.kept.discardAt });
  return standing
    .filter(
      (x) =>
        x.tea.id === b.tea.id && x.plan.method === b.plan.method && x.now.state.kind === 'drawn',
    )
    .sort((x, y) => useFirst(kept(x), kept(y)))[0];
}
/** What stands, by what is to be done first. */
export const byNextHand = (a: ColdBatch, b: ColdBatch): number =>
  (nextHand(a)?.by ?? Infinity) - (nextHand(b)?.by ?? Infinity) || (a.id < b.id ? -1 : 1);

/** Millilitres left to pour; of one still infusing, what will run off. */
export const leftIn = (b: ColdBatch): Millilitres =>
  b.now.state.kind === 'infusing' ? b.plan.water : b.now.ledger.left;

import { useMemo } from 'react';
import type { BatchAct, BatchPlan } from '#core/cold';
import { type Celsius, type EpochMs, epochMs, readingText } from '#core/units';
import type { Batch } from '#contracts/batches';
import type { BatchEventBody } from '#contracts/batchEvents';
import type { Version } from '#contracts/recipes';
import type { Lot, Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { now } from '../../platform/clock';
import { newId } from '../../platform/ids';
import { queueWrite } from '../../platform/outbox/outbox';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { useSession, useUnits } from '../people/session';
import type { BatchWrite } from './writes';

/** What Undo takes back of a batch: the event of that id, or by the batch's own id its leaf-in. */
export type BatchUndo = { readonly kind: 'batch'; readonly batchId: string; readonly of: string };
export const isBatchUndo = (undo: { readonly kind: string }): undo is BatchUndo =>
  undo.kind === 'batch';

export type BatchToStart = {
  readonly tea: Tea;
  readonly lot: Lot | null;
  readonly version: Version;
  readonly vessel: Vessel;
  readonly plan: BatchPlan;
  /** The batch of the plan that it is: it goes on under its id. */
  readonly planned: string | null;
};

/** What is done to cold batches; each is kept on this device until the server has it. */
export function useBatchCommands() {
  const dispatch = useAppDispatch();
  const { personId, name, site } = useSession();
  const units = useUnits();
  return useMemo(() => {
    const write = (w: Parameters<typeof queueWrite<BatchWrite>>[0]) =>
      dispatch(queueWrite<BatchWrite>(w));
    const act = (batchId: string, done: BatchAct): string => {
      const id = newId();
      const body = { ...done, id, at: Math.round(now()) } as BatchEventBody;
      write({ kind: 'batchEvent', id, batchId, body, by: name });
      return id;
    };
    return {
      /** Leaf in. Returns the batch’s id. */
      start({ tea, lot, version, vessel, plan, planned }: BatchToStart): string {
        const id = planned ?? newId();
        const at = epochMs(Math.round(now()));
        const body = {
          id,
          siteId: site.id,
          teaId: tea.id,
          lotId: lot?.id ?? null,
          versionId: version.id,
          vesselId: vessel.id,
          water: plan.water,
          waterAt: plan.waterAt,
          at,
        };
        const batch: Batch = {
          id,
          siteId: site.id,
          tea: { id: tea.id, name: tea.name, style: tea.style, allergens: tea.allergens },
          lot: lot && { id: lot.id, name: lot.name },
          versionId: version.id,
          versionNumber: version.number,
          vesselId: vessel.id,
          vesselName: vessel.name,
          plan,
          leafIn: at,
          startedBy: { id: personId, name },
          events: [],
        };
        write({ kind: 'batchStart', id, body, batch });
        const undo: BatchUndo = { kind: 'batch', batchId: id, of: id };
        dispatch(toastShown({ text: `${tea.name}: leaf in, ${vessel.name}.`, undo }));
        return id;
      },
      /** Does something to a batch and says so, with Undo. */
      act(batch: { readonly id: string }, done: BatchAct, said: string): void {
        const undo: BatchUndo = { kind: 'batch', batchId: batch.id, of: act(batch.id, done) };
        dispatch(toastShown({ text: said, undo }));
      },
      /** A label is printed that says `until`. Paper is not taken back. */
      labelPrinted: (batch: { readonly id: string }, until: EpochMs): void =>
        void act(batch.id, { kind: 'label', until }),
      undo: ({ batchId, of }: BatchUndo) => void act(batchId, { kind: 'undo', of }),
      /** The fridge’s thermometer, read just now. */
      readFridge(read: Celsius): void {
        const id = newId();
        const at = epochMs(Math.round(now()));
        write({
          kind: 'fridgeReading',
          id,
          body: { id, siteId: site.id, at, celsius: read },
          reading: { id, at, celsius: read, source: 'typed', by: name },
        });
        dispatch(toastShown({ text: `Fridge read: ${readingText(read, units.temperature)}.` }));
      },
    };
  }, [dispatch, personId, name, site.id, units.temperature]);
}
export type BatchCommands = ReturnType<typeof useBatchCommands>;

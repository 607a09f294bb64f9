import type { Batch, startBatch } from '#contracts/batches';
import type { BatchEventBody } from '#contracts/batchEvents';
import type { BodyOf } from '#contracts/endpoint';
import type { addFridgeReading, FridgeReading } from '#contracts/fridge';
import { pathOf, ROUTES } from '#contracts/routes';
import { readAgain } from '../../platform/api';
import type { Send } from '../../platform/dispatch';
import type { WaitingWrite, WriteKind } from '../../platform/outbox/writes';
import { batchesApi } from './api';

type StartWrite = WaitingWrite & {
  readonly kind: 'batchStart';
  readonly body: BodyOf<typeof startBatch>;
  readonly batch: Batch;
};
type EventWrite = WaitingWrite & {
  readonly kind: 'batchEvent';
  readonly batchId: string;
  readonly body: BatchEventBody;
  readonly by: string;
};
type ReadingWrite = WaitingWrite & {
  readonly kind: 'fridgeReading';
  readonly body: BodyOf<typeof addFridgeReading>;
  readonly reading: FridgeReading;
};
/** What is written about cold batches. */
export type BatchWrite = StartWrite | EventWrite | ReadingWrite;

const changed = (
  dispatch: Send,
  change: (cold: { batches: Batch[]; readings: FridgeReading[] }) => void,
) => {
  readAgain(dispatch(batchesApi.util.getRunningQueryThunk('cold', undefined)));
  dispatch(batchesApi.util.updateQueryData('cold', undefined, change));
};
const acceptBatch = (_w: BatchWrite, answer: unknown, dispatch: Send) => {
  const batch = answer as Batch;
  changed(dispatch, (cold) => {
    cold.batches = [batch, ...cold.batches.filter((b) => b.id !== batch.id)];
  });
};
const reading = {
  stale: (live: boolean) => (live ? ([] as const) : (['Cold'] as const)),
  refused: ['Cold'] as const,
  maker: (w: WaitingWrite) => w.maker ?? null,
};
const batchStart: WriteKind<StartWrite> = {
  ...reading,
  call: ({ body }) => ({ url: ROUTES.startBatch.path, method: 'POST', body }),
  subjects: ({ body }) => [body.id, body.vesselId],
  accept: acceptBatch,
};
const batchEvent: WriteKind<EventWrite> = {
  ...reading,
  call: ({ batchId, body }) => ({
    url: pathOf(ROUTES.addBatchEvent, { id: batchId }),
    method: 'POST',
    body,
  }),
  subjects: ({ batchId }) => [batchId],
  accept: acceptBatch,
};
const fridgeReading: WriteKind<ReadingWrite> = {
  ...reading,
  call: ({ body }) => ({ url: ROUTES.addFridgeReading.path, method: 'POST', body }),
  subjects: ({ id }) => [id],
  accept: (_w, answer, dispatch) => {
    const read = answer as FridgeReading;
    changed(dispatch, (cold) => {
      cold.readings = [...cold.readings.filter((r) => r.id !== read.id), read];
    });
  },
};
export const batchWrites = { batchStart, batchEvent, fridgeReading };
export const isBatchWrite = (w: WaitingWrite): w is BatchWrite => w.kind in batchWrites;

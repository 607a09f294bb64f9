import { nowOf } from '#core/cold';
import type { Tx } from '../../db/pool';
import { batches, batchEvents } from '../../db/schema';
import { type ReadIn, secondOf } from './readingsIn';
import { type BatchIn, bodyOf } from './recordIn';
import { readingTimes } from './repository';

/** Readings whose second has none here yet. */
export async function freshOf(
  tx: Tx,
  siteId: string,
  readings: readonly ReadIn[],
): Promise<ReadIn[]> {
  const [first, last] = [readings[0], readings.at(-1)];
  if (!first || !last) return [];
  const here = new Set((await readingTimes(tx, siteId, first.at, last.at)).map(secondOf));
  return readings.filter((r) => !here.has(secondOf(r.at)));
}
/** A batch of a record, with all that was done to it, under the names of those who did it. */
export async function addBatchOf(
  tx: Tx,
  siteId: string,
  { batch, personOf, teaId, versionId, lotId, vesselId }: BatchIn,
): Promise<void> {
  const { state } = nowOf(batch);
  const person = (name: string) => personOf.get(name) ?? '';
  await tx.insert(batches).values({
    ...{ id: batch.id, siteId, teaId, versionId, lotId, vesselId, plan: batch.plan },
    leafIn: new Date(batch.leafIn),
    startedBy: person(batch.startedBy.name),
    standing: false,
    ended: 'at' in state ? new Date(state.at) : null,
  });
  if (batch.events.length === 0) return;
  await tx.insert(batchEvents).values(
    batch.events.map((e) => ({
      ...{ id: e.id, batchId: batch.id, body: bodyOf(e), flag: e.flag },
      ...{ at: new Date(e.at), received: new Date(e.at), personId: person(e.by) },
    })),
  );
}

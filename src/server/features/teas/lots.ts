import { eq } from 'drizzle-orm';
import type { z } from 'zod';
import { lotInUse } from '#core/teas';
import type { addLot, changeLot, Lot, Tea } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { lots, teas } from '../../db/schema';
import { updateAtRevision } from '../../db/updateAtRevision';
import type { Deps } from '../../deps';
import { invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction, type RecordChange } from '../history';
import { checkWeighing } from './checks';
import { lotRecord } from './records';
import { lotById, requireTea, versionsOf } from './repository';

/** The tea of a lot, its row locked: of two leads who put a lot in use at once the second sees the first's. */
async function lockTea(tx: Tx, id: string): Promise<Tea> {
  await tx.select({ id: teas.id }).from(teas).where(eq(teas.id, id)).for('update');
  return requireTea(tx, id);
}
async function checkVersion(tx: Tx, tea: Tea, versionId: string | null) {
  if (versionId === null) return;
  const versions = await versionsOf(tx, tea.id);
  if (!versions.some((v) => v.id === versionId))
    throw invalid({ versionId: `That version is not one of ${tea.name}.` });
}
/** One lot is in use at a time: the one before is finished. */
async function finishFormer(tx: Tx, tea: Tea, next: string, record: RecordChange) {
  const former = lotInUse(tea);
  if (!former || former.id === next) return;
  await tx
    .update(lots)
    .set({ state: 'finished', rev: former.rev + 1 })
    .where(eq(lots.id, former.id));
  await record({
    thing: 'lot',
    id: former.id,
    before: { state: former.state },
    after: { state: 'finished' },
  });
}

export function createLotService(deps: Deps) {
  const { db } = deps;
  return {
    /** A repeated id is the same lot. */
    async add(
      teaId: string,
      { id, ...fields }: z.infer<typeof addLot.body>,
      who: Signed,
    ): Promise<Lot> {
      await checkWeighing(db, fields.weighing);
      const made = await inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await lotById(tx, id);
        if (there) return there;
        const tea = await lockTea(tx, teaId);
        await checkVersion(tx, tea, fields.versionId);
        if (fields.state === 'inUse') await finishFormer(tx, tea, id, record);
        await tx.insert(lots).values({ id, teaId, ...fields, rev: 1 });
        await record({ thing: 'lot', id, before: null, after: fields });
        return lotById(tx, id);
      });
      if (!made) throw notFound('That lot');
      return made;
    },
    async change(
      id: string,
      { rev, ...fields }: z.infer<typeof changeLot.body>,
      who: Signed,
    ): Promise<Lot> {
      await checkWeighing(db, fields.weighing);
      return inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await lotById(tx, id);
        if (!before) throw notFound('That lot');
        const tea = await lockTea(tx, before.teaId);
        await checkVersion(tx, tea, fields.versionId);
        if (fields.state === 'inUse' && before.state !== 'inUse')
          await finishFormer(tx, tea, id, record);
        await updateAtRevision(tx, lots, before, rev, fields);
        await record({ thing: 'lot', id, before: lotRecord(before), after: fields });
        return (await lotById(tx, id)) ?? before;
      });
    },
  };
}

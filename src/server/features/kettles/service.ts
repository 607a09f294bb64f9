import { and, eq } from 'drizzle-orm';
import type { z } from 'zod';
import type { addKettle, addReading, changeKettle, Kettle } from '#contracts/kettles';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { kettleReadings, kettles } from '../../db/schema';
import { updateAtRevision } from '../../db/updateAtRevision';
import type { Deps } from '../../deps';
import { notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mayTend } from '../../http/sites';
import { inRecordedTransaction } from '../history';
import { allKettles, kettleById } from './repository';

async function requireKettle(tx: Tx, id: string): Promise<Kettle> {
  const kettle = await kettleById(tx, id);
  if (!kettle) throw notFound('That kettle');
  return kettle;
}

export function createKettleService(deps: Deps) {
  const { db, now } = deps;
  return {
    all: () => allKettles(db),
    /** A repeated id is the same kettle. */
    add: (
      { id, siteId, ...fields }: z.infer<typeof addKettle.body>,
      who: Signed,
    ): Promise<Kettle> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await kettleById(tx, id);
        if (there) return there;
        await tx.insert(kettles).values({ id, siteId, ...fields, rev: 1, retired: false });
        await record({ thing: 'kettle', id, before: null, after: fields });
        return requireKettle(tx, id);
      }),
    change: (
      id: string,
      { rev, ...fields }: z.infer<typeof changeKettle.body>,
      who: Signed,
    ): Promise<Kettle> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const { readings: _readings, ...before } = await requireKettle(tx, id);
        await updateAtRevision(tx, kettles, before, rev, fields);
        await record({ thing: 'kettle', id, before, after: fields });
        return requireKettle(tx, id);
      }),
    /** A repeated id is the same reading. */
    addReading: (
      kettleId: string,
      { at, ...reading }: z.infer<typeof addReading.body>,
      who: Signed,
    ): Promise<Kettle> =>
      inTransaction(db, async (tx) => {
        mayTend(who, (await requireKettle(tx, kettleId)).siteId);
        const [there] = await tx
          .select({ id: kettleReadings.id })
          .from(kettleReadings)
          .where(eq(kettleReadings.id, reading.id));
        if (!there)
          await tx.insert(kettleReadings).values({
            ...reading,
            kettleId,
            at: new Date(Math.min(at, now())),
            personId: who.personId,
          });
        return requireKettle(tx, kettleId);
      }),
    dropReading: (kettleId: string, readingId: string, who: Signed): Promise<Kettle> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const kettle = await requireKettle(tx, kettleId);
        const reading = kettle.readings.find((r) => r.id === readingId);
        if (!reading) return kettle;
        await tx
          .delete(kettleReadings)
          .where(and(eq(kettleReadings.id, readingId), eq(kettleReadings.kettleId, kettleId)));
        await record({
          thing: 'kettle',
          id: kettleId,
          before: { reading: `${reading.celsius} °C at ${reading.seconds} s` },
          after: {},
        });
        return requireKettle(tx, kettleId);
      }),
  };
}

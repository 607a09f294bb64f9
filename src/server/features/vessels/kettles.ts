import { and, asc, eq } from 'drizzle-orm';
import type { z } from 'zod';
import type {
  addKettle,
  addReading,
  changeKettle,
  Kettle,
  KettleReading,
} from '#contracts/kettles';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { kettleReadings, kettles, people } from '../../db/schema';
import type { Deps } from '../../deps';
import { notFound, recordChanged } from '../../http/errors';
import type { Signed } from '../../http/route';
import { recordChange } from '../history';

type ReadingRow = { r: typeof kettleReadings.$inferSelect; by: string };
const asReading = ({ r, by }: ReadingRow): Kettle['readings'][number] => ({
  ...({
    id: r.id,
    kind: r.kind,
    boil: r.boil,
    seconds: r.seconds,
    celsius: r.celsius,
    kettleCelsius: r.kettleCelsius,
    water: r.water,
    ambient: r.ambient,
    simulated: r.simulated,
  } as KettleReading),
  at: r.at.getTime(),
  by: { id: r.personId, name: by },
});
const asKettle = (k: typeof kettles.$inferSelect, readings: Kettle['readings']): Kettle => ({
  id: k.id,
  siteId: k.siteId,
  rev: k.rev,
  retired: k.retired,
  ...k.facts,
  readings,
});
const readingRows = (tx: Tx) =>
  tx
    .select({ r: kettleReadings, by: people.name })
    .from(kettleReadings)
    .innerJoin(people, eq(people.id, kettleReadings.personId));

/** Every kettle with its readings, oldest first. */
export async function allKettles(tx: Tx): Promise<Kettle[]> {
  const readings = await readingRows(tx).orderBy(
    asc(kettleReadings.at),
    asc(kettleReadings.seconds),
  );
  return (await tx.select().from(kettles))
    .map((k) => asKettle(k, readings.filter((x) => x.r.kettleId === k.id).map(asReading)))
    .sort((a, b) => a.name.localeCompare(b.name));
}

export function createKettleService({ db, now }: Deps) {
  const must = async (tx: Tx, id: string): Promise<Kettle> => {
    const [row] = await tx.select().from(kettles).where(eq(kettles.id, id));
    if (!row) throw notFound('That kettle');
    return asKettle(
      row,
      (
        await readingRows(tx)
          .where(eq(kettleReadings.kettleId, id))
          .orderBy(asc(kettleReadings.at), asc(kettleReadings.seconds))
      ).map(asReading),
    );
  };
  return {
    all: () => allKettles(db),
    add: ({ id, siteId, ...facts }: z.infer<typeof addKettle.body>, who: Signed): Promise<Kettle> =>
      inTransaction(db, async (tx) => {
        const [there] = await tx.select().from(kettles).where(eq(kettles.id, id));
        if (!there) {
          await tx.insert(kettles).values({ id, siteId, facts, rev: 1, retired: false });
          await recordChange(tx, {
            thing: 'kettle',
            id,
            before: null,
            after: facts,
            by: who.personId,
            now: now(),
          });
        }
        return must(tx, id);
      }),
    change: (
      id: string,
      { rev, retired, ...facts }: z.infer<typeof changeKettle.body>,
      who: Signed,
    ): Promise<Kettle> =>
      inTransaction(db, async (tx) => {
        const { readings: _readings, ...before } = await must(tx, id);
        const [result] = await tx
          .update(kettles)
          .set({ facts, retired, rev: rev + 1 })
          .where(and(eq(kettles.id, id), eq(kettles.rev, rev)));
        if (result.affectedRows === 0) throw recordChanged(before.name, before.rev);
        await recordChange(tx, {
          thing: 'kettle',
          id,
          before,
          after: { ...facts, retired },
          by: who.personId,
          now: now(),
        });
        return must(tx, id);
      }),
    /** A repeated id is the same reading. */
    read: (
      kettleId: string,
      { at, ...given }: z.infer<typeof addReading.body>,
      who: Signed,
    ): Promise<Kettle> =>
      inTransaction(db, async (tx) => {
        await must(tx, kettleId);
        const [there] = await tx
          .select({ id: kettleReadings.id })
          .from(kettleReadings)
          .where(eq(kettleReadings.id, given.id));
        if (!there)
          await tx.insert(kettleReadings).values({
            ...given,
            kettleId,
            at: new Date(Math.min(at, now())),
            personId: who.personId,
          });
        return must(tx, kettleId);
      }),
    drop: (kettleId: string, reading: string, who: Signed): Promise<Kettle> =>
      inTransaction(db, async (tx) => {
        const before = (await must(tx, kettleId)).readings.find((r) => r.id === reading);
        if (before) {
          await tx
            .delete(kettleReadings)
            .where(and(eq(kettleReadings.id, reading), eq(kettleReadings.kettleId, kettleId)));
          await recordChange(tx, {
            thing: 'kettle',
            id: kettleId,
            before: { reading: `${before.celsius} °C at ${before.seconds} s` },
            after: {},
            by: who.personId,
            now: now(),
          });
        }
        return must(tx, kettleId);
      }),
  };
}

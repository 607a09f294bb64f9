import { eq } from 'drizzle-orm';
import type { Deps } from '../../deps';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { brewPhotos } from '../../db/schema/index';
import { AppError, notFound } from '../../http/errors';
import { pictureOf } from '../../http/pictures';
import type { Signed } from '../../http/route';
import { brewById } from './queries';

/** Whether a brew has a picture, without its bytes. */
export const photoOf = async (tx: Tx, brewId: string): Promise<{ id: string; by: string } | null> =>
  (
    await tx
      .select({ id: brewPhotos.id, by: brewPhotos.personId })
      .from(brewPhotos)
      .where(eq(brewPhotos.brewId, brewId))
  )[0] ?? null;

export function brewPictures({ db }: Deps) {
  return {
    async set(
      brewId: string,
      { id, data }: { id: string; data: string },
      who: Signed,
    ): Promise<{ id: string }> {
      if (!(await brewById(db, brewId))) throw notFound('That brew');
      if ((await photoOf(db, brewId))?.id === id) return { id };
      const body = await pictureOf(data);
      await inTransaction(db, async (tx) => {
        await tx.delete(brewPhotos).where(eq(brewPhotos.brewId, brewId));
        await tx.insert(brewPhotos).values({ id, brewId, personId: who.personId, body });
      });
      return { id };
    },
    async drop(brewId: string, who: Signed): Promise<Record<string, never>> {
      const there = await photoOf(db, brewId);
      if (there && there.by !== who.personId && who.role !== 'lead')
        throw new AppError('session.forbidden', 403, 'Whoever kept it, or a lead, takes it away.');
      await db.delete(brewPhotos).where(eq(brewPhotos.brewId, brewId));
      return {};
    },
    async bytes(id: string): Promise<Buffer> {
      const [row] = await db
        .select({ body: brewPhotos.body })
        .from(brewPhotos)
        .where(eq(brewPhotos.id, id));
      if (!row) throw notFound('That picture');
      return row.body;
    },
  };
}

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

/** @throws 403 when the picture is another's, for anyone but a lead */
function refuseAnothers(there: { by: string } | null, who: Signed): void {
  if (there && there.by !== who.personId && who.role !== 'lead')
    throw new AppError('session.forbidden', 403, 'Whoever kept it, or a lead, takes it away.');
}

export function brewPictures({ db }: Deps) {
  return {
    async set(brewId: string, id: string, bytes: Uint8Array, who: Signed): Promise<{ id: string }> {
      if (!(await brewById(db, brewId))) throw notFound('That brew');
      const there = await photoOf(db, brewId);
      if (there?.id === id) return { id };
      refuseAnothers(there, who);
      const body = await pictureOf(bytes);
      await inTransaction(db, async (tx) => {
        await tx.delete(brewPhotos).where(eq(brewPhotos.brewId, brewId));
        await tx.insert(brewPhotos).values({ id, brewId, personId: who.personId, body });
      });
      return { id };
    },
    async drop(brewId: string, who: Signed): Promise<Record<string, never>> {
      refuseAnothers(await photoOf(db, brewId), who);
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

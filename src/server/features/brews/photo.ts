import { eq } from 'drizzle-orm';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { brewPhotos, brews } from '../../db/schema/index';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import { pictureOf } from '../../http/pictures';
import type { Signed } from '../../http/route';
import { mayRead, mustWorkAt } from '../../http/sites';
import { brewById } from './repository';

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
    throw new AppError(
      'session.forbidden',
      403,
      'Only the person who kept this picture, or a lead, can replace or remove it.',
    );
}

export function brewPictures({ db }: Deps) {
  const mine = async (brewId: string, who: Signed) => {
    const brew = await brewById(db, brewId);
    if (!brew) throw notFound('That brew');
    mustWorkAt(who, brew.siteId);
  };
  return {
    async set(brewId: string, id: string, bytes: Uint8Array, who: Signed): Promise<{ id: string }> {
      await mine(brewId, who);
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
      await mine(brewId, who);
      refuseAnothers(await photoOf(db, brewId), who);
      await db.delete(brewPhotos).where(eq(brewPhotos.brewId, brewId));
      return {};
    },
    async bytes(id: string, who: Signed): Promise<Buffer> {
      const [row] = await db
        .select({ body: brewPhotos.body, siteId: brews.siteId })
        .from(brewPhotos)
        .innerJoin(brews, eq(brews.id, brewPhotos.brewId))
        .where(eq(brewPhotos.id, id));
      if (!row) throw notFound('That picture');
      mayRead(who, row.siteId);
      return row.body;
    },
  };
}

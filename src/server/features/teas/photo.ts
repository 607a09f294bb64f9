import { eq } from 'drizzle-orm';
import type { Tea } from '#contracts/teas';
import { inTransaction } from '../../db/inTransaction';
import { photos } from '../../db/schema';
import type { Deps } from '../../deps';
import { notFound } from '../../http/errors';
import { pictureOf } from '../../http/pictures';
import type { Signed } from '../../http/route';
import { recordChange } from '../history';
import { teaById } from './queries';

export function teaPhotos({ db, now }: Deps) {
  const read = async (id: string): Promise<Tea> => {
    const tea = await teaById(db, id);
    if (!tea) throw notFound('That tea');
    return tea;
  };
  return {
    async set(teaId: string, id: string, bytes: Uint8Array, who: Signed): Promise<Tea> {
      const before = await read(teaId);
      if (before.photoId === id) return before;
      const body = await pictureOf(bytes);
      await inTransaction(db, async (tx) => {
        await tx.delete(photos).where(eq(photos.teaId, teaId));
        await tx.insert(photos).values({ id, teaId, body });
        await recordChange(tx, {
          thing: 'tea',
          id: teaId,
          before: { photo: before.photoId ? 'one' : null },
          after: { photo: 'a new one' },
          by: who.personId,
          now: now(),
        });
      });
      return read(teaId);
    },
    async drop(teaId: string, who: Signed): Promise<Tea> {
      const before = await read(teaId);
      if (before.photoId) {
        await inTransaction(db, async (tx) => {
          await tx.delete(photos).where(eq(photos.teaId, teaId));
          await recordChange(tx, {
            thing: 'tea',
            id: teaId,
            before: { photo: 'one' },
            after: { photo: null },
            by: who.personId,
            now: now(),
          });
        });
      }
      return read(teaId);
    },
    async bytes(id: string): Promise<Buffer> {
      const [row] = await db.select({ body: photos.body }).from(photos).where(eq(photos.id, id));
      if (!row) throw notFound('That photo');
      return row.body;
    },
  };
}

import { eq } from 'drizzle-orm';
import type { Tea } from '#contracts/teas';
import { photos } from '../../db/schema';
import type { Deps } from '../../deps';
import { notFound } from '../../http/errors';
import { pictureOf } from '../../http/pictures';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import { requireTea } from './repository';

export function createTeaPhotoService(deps: Deps) {
  const { db } = deps;
  return {
    /** A repeated id is the same photo. */
    async set(teaId: string, id: string, bytes: Uint8Array, who: Signed): Promise<Tea> {
      const found = await requireTea(db, teaId);
      if (found.photoId === id) return found;
      const body = await pictureOf(bytes);
      return inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await requireTea(tx, teaId);
        await tx.delete(photos).where(eq(photos.teaId, teaId));
        await tx.insert(photos).values({ id, teaId, body });
        await record({
          thing: 'tea',
          id: teaId,
          before: { photo: before.photoId ? 'one' : null },
          after: { photo: 'a new one' },
        });
        return requireTea(tx, teaId);
      });
    },
    drop: (teaId: string, who: Signed): Promise<Tea> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await requireTea(tx, teaId);
        if (!before.photoId) return before;
        await tx.delete(photos).where(eq(photos.teaId, teaId));
        await record({
          thing: 'tea',
          id: teaId,
          before: { photo: 'one' },
          after: { photo: null },
        });
        return requireTea(tx, teaId);
      }),
    async bytes(id: string): Promise<Buffer> {
      const [row] = await db.select({ body: photos.body }).from(photos).where(eq(photos.id, id));
      if (!row) throw notFound('That photo');
      return row.body;
    },
  };
}

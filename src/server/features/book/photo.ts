import { eq } from 'drizzle-orm';
import express, { type Express } from 'express';
import type { Tea } from '#contracts/book';
import type { Deps } from '../../deps';
import { inTransaction } from '../../db/inTransaction';
import { photos } from '../../db/schema/index';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { keepChange } from '../history';
import { teaById } from './queries';

const MOST_BYTES = '23mb';
/** A photo is larger than other requests. */
export const photoBody = (app: Express) => app.use('/api/teas/:id/photo', express.json({ limit: MOST_BYTES }));

const SIDE = { width: 1200, height: 900 };
/** More than any camera takes: a small file that would unpack to this is refused. */
const MOST_PIXELS = 120_000_000;

/** Turned the right way up, made small, and without what a camera writes beside the picture. */
async function madeSmall(bytes: Buffer): Promise<Buffer> {
  // Loaded with the first photo: a server starts without it.
  const { default: sharp } = await import('sharp');
  try {
    return await sharp(bytes, { limitInputPixels: MOST_PIXELS }).rotate().resize({ ...SIDE, fit: 'inside', withoutEnlargement: true }).jpeg({ quality: 80 }).toBuffer();
  } catch (error) {
    const heic = bytes.subarray(4, 12).toString('latin1').startsWith('ftyphe') || bytes.subarray(4, 12).toString('latin1').startsWith('ftypmif');
    throw new AppError('input.invalid', 422, heic ? 'This is a HEIC photo, which is not read here. Share or save it as JPEG first.' : 'This is not a picture that can be read: JPEG, PNG or WebP.', { fields: { data: 'not a picture' } }, { cause: error });
  }
}

export function teaPhotos({ db, now }: Deps) {
  const read = async (id: string): Promise<Tea> => {
    const tea = await teaById(db, id);
    if (!tea) throw notFound('That tea');
    return tea;
  };
  return {
    async set(teaId: string, { id, data }: { id: string; data: string }, who: Signed): Promise<Tea> {
      const before = await read(teaId);
      if (before.photoId === id) return before;
      const bytes = Buffer.from(data, 'base64');
      if (bytes.length === 0) throw invalid({ data: 'The picture is empty.' });
      const body = await madeSmall(bytes);
      await inTransaction(db, async (tx) => {
        await tx.delete(photos).where(eq(photos.teaId, teaId));
        await tx.insert(photos).values({ id, teaId, body });
        await keepChange(tx, { thing: 'tea', id: teaId, before: { photo: before.photoId ? 'one' : null }, after: { photo: 'a new one' }, by: who.personId, now: now() });
      });
      return read(teaId);
    },
    async drop(teaId: string, who: Signed): Promise<Tea> {
      const before = await read(teaId);
      if (before.photoId) {
        await inTransaction(db, async (tx) => {
          await tx.delete(photos).where(eq(photos.teaId, teaId));
          await keepChange(tx, { thing: 'tea', id: teaId, before: { photo: 'one' }, after: { photo: null }, by: who.personId, now: now() });
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

import express, { type Express } from 'express';
import { AppError, invalid } from './errors';

const MOST_BYTES = '23mb';
/** A picture is larger than other requests. */
export const pictureBody = (app: Express) =>
  app.use(['/api/teas/:id/photo', '/api/brews/:id/photo'], express.json({ limit: MOST_BYTES }));

const SIDE = { width: 1200, height: 900 };
/** More than any camera takes: a small file that would unpack to this is refused. */
const MOST_PIXELS = 120_000_000;

/** Turned the right way up, made small, and without what a camera writes beside the picture. */
async function madeSmall(bytes: Buffer): Promise<Buffer> {
  // Loaded with the first photo: a server starts without it.
  const { default: sharp } = await import('sharp');
  try {
    return await sharp(bytes, { limitInputPixels: MOST_PIXELS })
      .rotate()
      .resize({ ...SIDE, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 80 })
      .toBuffer();
  } catch (error) {
    const heic =
      bytes.subarray(4, 12).toString('latin1').startsWith('ftyphe') ||
      bytes.subarray(4, 12).toString('latin1').startsWith('ftypmif');
    throw new AppError(
      'input.invalid',
      422,
      heic
        ? 'This is a HEIC photo, which is not read here. Share or save it as JPEG first.'
        : 'This is not a picture that can be read: JPEG, PNG or WebP.',
      { fields: { data: 'not a picture' } },
      { cause: error },
    );
  }
}

/** A picture as it is kept, from its bytes in base64. @throws 422 on what is none. */
export async function pictureOf(data: string): Promise<Buffer> {
  const bytes = Buffer.from(data, 'base64');
  if (bytes.length === 0) throw invalid({ data: 'The picture is empty.' });
  return madeSmall(bytes);
}

import pLimit from 'p-limit';
import { AppError } from './errors';

const SIDE = { width: 1200, height: 900 };
/** More than the cameras of a shop take: a small file that would unpack to more is refused. */
const MOST_PIXELS = 40_000_000;
const MOST_SECONDS = 20;
/** Pictures are made small one at a time; so many wait. */
const oneAtATime = pLimit(1);
const MOST_WAITING = 8;

const startsWith = (bytes: Uint8Array, text: string, at = 0): boolean =>
  Buffer.from(bytes.subarray(at, at + text.length)).toString('latin1') === text;
/** What a file is by its first bytes; only these are given to the decoder. */
function kindOf(bytes: Uint8Array): 'picture' | 'heic' | 'other' {
  if (startsWith(bytes, '\xff\xd8\xff') || startsWith(bytes, '\x89PNG\r\n\x1a\n')) return 'picture';
  if (startsWith(bytes, 'RIFF') && startsWith(bytes, 'WEBP', 8)) return 'picture';
  return startsWith(bytes, 'ftyphe', 4) || startsWith(bytes, 'ftypmif', 4) ? 'heic' : 'other';
}
const notRead = (message: string, cause?: unknown) =>
  new AppError('input.invalid', 422, message, { fields: { data: 'not a picture' } }, { cause });

const busy = () =>
  new AppError(
    'server.busy',
    503,
    'The server is busy with other pictures. Send this picture again in a moment.',
  );

/** Turned the right way up, made small, and without what a camera writes beside the picture. */
async function madeSmall(bytes: Uint8Array): Promise<Buffer> {
  // Loaded with the first photo: a server starts without it.
  const { default: sharp } = await import('sharp');
  try {
    const { width, height } = await sharp(bytes).metadata();
    if (width * height > MOST_PIXELS)
      throw notRead(
        `The picture has ${Math.round((width * height) / 1e6)} million pixels: at most ${MOST_PIXELS / 1e6} million. Choose a smaller picture size in the camera.`,
      );
    return await sharp(bytes, { limitInputPixels: MOST_PIXELS })
      .timeout({ seconds: MOST_SECONDS })
      .rotate()
      .resize({ ...SIDE, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 80 })
      .toBuffer();
  } catch (error) {
    if (error instanceof AppError) throw error;
    // The decoder gave up: a picture all the same, perhaps, on a machine that had too much to do.
    if (error instanceof Error && error.message.startsWith('timeout')) throw busy();
    throw notRead('This is not a picture that can be read: JPEG, PNG or WebP.', error);
  }
}

/** A picture as it is kept, from its bytes. @throws 422 on what is none, 503 when too many wait */
export async function pictureOf(bytes: Uint8Array): Promise<Buffer> {
  const kind = kindOf(bytes);
  if (kind === 'heic')
    throw notRead('This is a HEIC photo, which is not read here. Share or save it as JPEG first.');
  if (kind === 'other') throw notRead('This is not a picture that can be read: JPEG, PNG or WebP.');
  if (oneAtATime.pendingCount >= MOST_WAITING) throw busy();
  return oneAtATime(() => madeSmall(bytes));
}

import { statfs } from 'node:fs/promises';
import type { RequestHandler } from 'express';
import { AppError } from './errors';

/** How long a look at the disk is believed, ms. */
const LOOK_MS = 5000;
const MEGABYTE = 1_048_576;

/** What is left on the disk that the house's records lie on. */
export type Disk = {
  /** Megabytes left when they are few; null when there is room, or nobody can tell. */
  low(): Promise<number | null>;
};
/** @param folder on that disk; empty: the records lie elsewhere. @param lowMegabytes fewer are few. */
export function diskOf(folder: string, lowMegabytes: number): Disk {
  let seen: { at: number; low: Promise<number | null> } | null = null;
  const look = async () => {
    const { bavail, bsize } = await statfs(folder);
    const left = Math.floor((bavail * bsize) / MEGABYTE);
    return left < lowMegabytes ? left : null;
  };
  return {
    async low() {
      if (folder === '') return null;
      const at = performance.now();
      if (!seen || at - seen.at > LOOK_MS) seen = { at, low: look().catch(() => null) };
      return seen.low;
    },
  };
}

/** Every answer says when the disk is nearly full, so that every page can. */
export const tellDisk =
  (disk: Disk): RequestHandler =>
  async (_req, res, next) => {
    const low = await disk.low();
    if (low !== null) res.setHeader('x-limnos-disk-left', String(low));
    next();
  };
/** @throws 507 when what is sent is large and there is little room for it */
export async function needRoom(disk: Disk): Promise<void> {
  const low = await disk.low();
  if (low !== null)
    throw new AppError(
      'disk.low',
      507,
      `The server’s disk is nearly full: ${low} MB are left. Limnos takes pictures and imports again when the disk has more room.`,
    );
}

import type { Brew } from '#contracts/brews';
import { BAR_SLOTS } from '#contracts/limits';
import type { Tx } from '../../db/pool';
import { AppError, notFound } from '../../http/errors';
import { appendEvents } from '../live';
import { brewById, takenPlaces } from './repository';

/** @throws 404 when there is no such brew */
export async function requireBrew(tx: Tx, id: string): Promise<Brew> {
  const brew = await brewById(tx, id);
  if (!brew) throw notFound('That brew');
  return brew;
}
/** The place a brew gets: the one wished for, else the first free one. @throws 409 when the bar is full */
export async function freePlace(tx: Tx, siteId: string, wished: number): Promise<number> {
  const taken = new Set(await takenPlaces(tx, siteId));
  const free = Array.from({ length: BAR_SLOTS }, (_, i) => i + 1).filter((p) => !taken.has(p));
  if (free[0] === undefined)
    throw new AppError('brew.barFull', 409, 'Twelve are on the bar: judge one or clear it first.');
  return free.includes(wished) ? wished : free[0];
}

/** Tells every page of the site of a brew, and of the queue where that changed too. */
export const announce = (tx: Tx, brew: Brew, queueChanged: boolean, now: number): Promise<void> =>
  appendEvents(
    tx,
    brew.siteId,
    queueChanged
      ? [
          ['brew', brew.id],
          ['queue', null],
        ]
      : [['brew', brew.id]],
    now,
  );

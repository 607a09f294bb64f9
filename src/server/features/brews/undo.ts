import { and, eq } from 'drizzle-orm';
import { isVesselInUse } from '#core/brews';
import type { Tx } from '../../db/pool';
import { brewEvents, brews, leadNotes, orders } from '../../db/schema';
import { AppError } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inVessel } from '../vessels';
import { restored } from './columns';
import { drawPocketsAgain, isLeafUnused } from './pocketed';
import { refused } from './refusals';
import { type BrewRow, eventById, lastEvent } from './repository';
import { freePlace, requireBrew } from './shared';
import { keepTerms } from './terms';

/**
 * Takes the last thing done to a brew back: its columns as they were, and what else came of it. Whether the queue
 * changed by it.
 */
export async function undoLast(tx: Tx, row: BrewRow, of: string, who: Signed): Promise<boolean> {
  const event = await eventById(tx, of);
  const brew = await requireBrew(tx, row.id);
  if (event?.undone) return false;
  if (!event || event.brewId !== row.id || !event.before)
    throw refused(brew, 'cannotUndo', 'That cannot be taken back.');
  if (who.lockedAs !== null && (event.kind !== 'pull' || event.device !== who.lockedAs))
    throw new AppError('session.locked', 423, 'This tablet is locked: type a PIN first.');
  if ((await lastEvent(tx, row.id))?.id !== of)
    throw refused(brew, 'movedOn', 'Something else was done to it since.');
  const before = restored(event.before);
  if (isVesselInUse(before.state)) {
    const held = row.vesselId && (await inVessel(tx, row.siteId, row.vesselId));
    if (held && held.id !== row.id)
      throw refused(brew, 'vesselInUse', `${held.tea} is in its vessel by now.`);
  }
  const place = before.open && !row.open ? await freePlace(tx, row.siteId, row.place) : row.place;
  await tx
    .update(brews)
    .set({ ...before, place })
    .where(eq(brews.id, row.id));
  await tx.update(brewEvents).set({ undone: true }).where(eq(brewEvents.id, of));
  if (event.kind === 'judge') {
    await tx.delete(leadNotes).where(eq(leadNotes.id, of));
    // What was kept before cups were noted has no such column.
    await keepTerms(tx, row.id, before.observed ?? null);
  }
  if (event.kind === 'abandon' && isLeafUnused(row, row.remark)) await drawPocketsAgain(tx, row);
  return (
    event.kind === 'abandon' &&
    (
      await tx
        .update(orders)
        .set({ state: 'started' })
        .where(and(eq(orders.brewId, row.id), eq(orders.state, 'waiting')))
    )[0].affectedRows > 0
  );
}

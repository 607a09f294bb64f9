import { and, count, eq } from 'drizzle-orm';
import { type EpochMs, epochMs } from '#core/units';
import type { BrewEventBody } from '#contracts/brewEvents';
import type { Brew } from '#contracts/brews';
import type { Tx } from '../../db/pool';
import { brewEvents, brews, leadNotes, orders } from '../../db/schema';
import { instantOf } from '../../http/clocks';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { changed, foundWords } from './changes';
import { snapshotOf } from './columns';
import { isLeafUnused, returnPockets } from './pocketed';
import { refused } from './refusals';
import { type BrewRow, eventById } from './repository';
import { announce, requireBrew } from './shared';
import { keepTerms } from './terms';
import { undoLast } from './undo';

/** Two devices' clocks may differ by so much, ms. */
const CLOCKS_APART = 60_000;
/** A brew is a few dozen acts; more is a device gone wild. */
const MOST_EVENTS = 300;

/**
 * When it happened. Where the server's own clock is behind what it has written of this brew, it was started with a
 * wrong clock: the last known moment counts then, so that nobody is stuck with the brew.
 */
function momentOf(row: BrewRow, given: number, now: number): EpochMs {
  const last = (row.pulled ?? row.startedAt).getTime();
  return now < last ? epochMs(last) : instantOf(given, now);
}
/** @throws when it cannot have happened then, or when there is no end of it */
async function refuseImpossible(
  tx: Tx,
  row: BrewRow,
  kind: BrewEventBody['kind'],
  at: number,
): Promise<void> {
  const first =
    kind === 'judge' && row.pulled !== null ? row.pulled.getTime() : row.startedAt.getTime();
  if (at < first - CLOCKS_APART)
    throw refused(
      await requireBrew(tx, row.id),
      'tooEarly',
      kind === 'judge'
        ? 'This judgement is dated before the end of the steep.'
        : 'This record is dated before the start of the brew.',
    );
  const [kept] = await tx
    .select({ n: count() })
    .from(brewEvents)
    .where(eq(brewEvents.brewId, row.id));
  if ((kept?.n ?? 0) >= MOST_EVENTS)
    throw refused(
      await requireBrew(tx, row.id),
      'tooMany',
      `This brew has ${MOST_EVENTS} records. Limnos keeps no more for one brew.`,
    );
}

/**
 * Adds one thing that happened to a brew, in the transaction `tx`. The first of two wins; the second is refused with
 * the name of the first. A repeated id changes nothing.
 */
export async function addEventIn(
  tx: Tx,
  id: string,
  given: BrewEventBody,
  who: Signed,
  now: number,
): Promise<Brew> {
  const [row] = await tx.select().from(brews).where(eq(brews.id, id)).for('update');
  if (!row) throw notFound('That brew');
  const known = await eventById(tx, given.id);
  if (known && (known.brewId !== id || known.kind !== given.kind))
    throw refused(
      await requireBrew(tx, id),
      'idTaken',
      'This record belongs to another brew. Nothing was changed.',
    );
  if (known) return requireBrew(tx, id);
  if (who.lockedAs !== null && given.kind !== 'pull' && given.kind !== 'undo')
    throw new AppError('session.locked', 423, 'This tablet is locked: type a PIN first.');
  mustWorkAt(who, row.siteId);
  const at = momentOf(row, given.at, now);
  await refuseImpossible(tx, row, given.kind, at);
  const kept = {
    id: given.id,
    brewId: id,
    kind: given.kind,
    at: new Date(at),
    received: new Date(now),
    personId: who.lockedAs === null ? who.personId : null,
    device: who.lockedAs,
    body: given,
    undone: false,
  };
  let queue = false;
  if (given.kind === 'undo') {
    queue = await undoLast(tx, row, given.of, who);
    await tx.insert(brewEvents).values(kept);
  } else {
    const set = await changed(tx, row, given, at, who);
    await tx.insert(brewEvents).values({ ...kept, before: snapshotOf(row) });
    if (Object.keys(set).length > 0) await tx.update(brews).set(set).where(eq(brews.id, id));
    if (set.observed) await keepTerms(tx, id, set.observed);
    if (given.kind === 'judge' && given.accepted && given.proposal.lever !== 'keep') {
      await tx.insert(leadNotes).values({
        id: given.id,
        teaId: row.teaId,
        brewId: id,
        personId: who.personId,
        at: new Date(at),
        headline: given.proposal.headline,
        change: given.proposal.change,
        found: foundWords(given.verdict, row.plan.wish),
      });
    }
  }
  if (given.kind === 'abandon') {
    queue =
      (
        await tx
          .update(orders)
          .set({ state: 'waiting' })
          .where(and(eq(orders.brewId, id), eq(orders.state, 'started')))
      )[0].affectedRows > 0;
    if (isLeafUnused(row, given.reason)) await returnPockets(tx, row);
  }
  const brew = await requireBrew(tx, id);
  await announce(tx, brew, queue, now);
  return brew;
}

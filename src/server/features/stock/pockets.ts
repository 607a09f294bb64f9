import { and, asc, desc, eq, gt, lt } from 'drizzle-orm';
import { lotInUse } from '#core/teas';
import type { BodyOf } from '#contracts/endpoint';
import type { countPockets, fillPockets, Pockets } from '#contracts/stock';
import type { Tx } from '../../db/pool';
import { pockets } from '../../db/schema';
import { updateAtRevision } from '../../db/updateAtRevision';
import type { Deps } from '../../deps';
import { invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { inRecordedTransaction } from '../history';
import { teaById } from '../teas';
import { pocketsById } from './repository';

async function requirePockets(tx: Tx, id: string): Promise<Pockets> {
  const found = await pocketsById(tx, id);
  if (!found) throw notFound('These pockets');
  return found;
}

export function createPocketService(deps: Deps) {
  return {
    fill: (
      { id, siteId, teaId, grams, filled }: BodyOf<typeof fillPockets>,
      who: Signed,
    ): Promise<Pockets> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        mustWorkAt(who, siteId);
        const there = await pocketsById(tx, id);
        if (there) return there;
        const tea = await teaById(tx, teaId);
        if (!tea) throw notFound('That tea');
        await tx.insert(pockets).values({
          ...{ id, siteId, teaId, grams, filled, left: filled, rev: 1 },
          ...{ lotId: lotInUse(tea)?.id ?? null, at: new Date(deps.now()) },
          personId: who.personId,
        });
        await record({
          ...{ thing: 'tea', id: teaId, before: { pocketsFilled: null } },
          after: { pocketsFilled: filled },
        });
        return requirePockets(tx, id);
      }),
    count: (
      id: string,
      { left, rev }: BodyOf<typeof countPockets>,
      who: Signed,
    ): Promise<Pockets> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await requirePockets(tx, id);
        mustWorkAt(who, before.siteId);
        if (left > before.filled)
          throw invalid({ left: `Only ${before.filled} pockets were filled.` });
        if (before.rev === rev + 1 && before.left === left) return before;
        await updateAtRevision(tx, pockets, { ...before, name: 'The pockets' }, rev, { left });
        await record({
          ...{ thing: 'tea', id: before.teaId },
          ...{ before: { pocketsLeft: before.left }, after: { pocketsLeft: left } },
        });
        return requirePockets(tx, id);
      }),
  };
}

/**
 * Bags of a brew out of the pockets of its tea that were filled first.
 * @returns how many there were: fewer than asked for where fewer are left
 */
export async function takePockets(
  tx: Tx,
  of: { readonly siteId: string; readonly teaId: string },
  bags: number,
): Promise<number> {
  const there = await tx
    .select({ id: pockets.id, left: pockets.left, rev: pockets.rev })
    .from(pockets)
    .where(and(eq(pockets.siteId, of.siteId), eq(pockets.teaId, of.teaId), gt(pockets.left, 0)))
    .orderBy(asc(pockets.at), asc(pockets.id))
    .for('update');
  let open = bags;
  for (const { id, left, rev } of there) {
    const taken = Math.min(open, left);
    if (taken === 0) break;
    await tx
      .update(pockets)
      .set({ left: left - taken, rev: rev + 1 })
      .where(eq(pockets.id, id));
    open -= taken;
  }
  return bags - open;
}
/**
 * Bags that were not brewed after all go back: into the pockets that were drawn from last, for the oldest are used
 * first.
 */
export async function putBackPockets(
  tx: Tx,
  of: { readonly siteId: string; readonly teaId: string },
  bags: number,
): Promise<void> {
  const there = await tx
    .select({ id: pockets.id, left: pockets.left, filled: pockets.filled, rev: pockets.rev })
    .from(pockets)
    .where(
      and(
        ...[eq(pockets.siteId, of.siteId), eq(pockets.teaId, of.teaId)],
        lt(pockets.left, pockets.filled),
      ),
    )
    .orderBy(desc(pockets.at), desc(pockets.id))
    .for('update');
  let open = bags;
  for (const { id, left, filled, rev } of there) {
    const back = Math.min(open, filled - left);
    if (back === 0) break;
    await tx
      .update(pockets)
      .set({ left: left + back, rev: rev + 1 })
      .where(eq(pockets.id, id));
    open -= back;
  }
}

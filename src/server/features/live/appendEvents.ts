import { sql } from 'drizzle-orm';
import type { FeedKind } from '#contracts/live';
import type { Tx } from '../../db/pool';
import { feed, sites } from '../../db/schema';

/**
 * Tells every open page of a site, with the write that it tells of: in its transaction, as its very last act. The
 * site's
 * numbers are taken under a lock that is held until the commit, so they have no gaps and follow the order of commits;
 * whatever is done after it makes every other writer of the site wait.
 */
export async function appendEvents(
  tx: Tx,
  siteId: string,
  what: readonly (readonly [kind: FeedKind, ref: string | null])[],
  now: number,
): Promise<void> {
  const n = what.length;
  const [done] = (await tx.execute(
    sql`insert into feed_heads (site_id, seq) values (${siteId}, last_insert_id(${n})) on duplicate key update seq = last_insert_id(seq + ${n})`,
  )) as unknown as [{ insertId: number }];
  await tx.insert(feed).values(
    what.map(([kind, ref], i) => ({
      siteId,
      seq: done.insertId - n + 1 + i,
      kind,
      ref,
      at: new Date(now),
    })),
  );
}

/** Records that every site shares have changed. Sites in one order, so that two writers never wait for each other. */
export async function appendRecordsChanged(tx: Tx, now: number): Promise<void> {
  for (const { id } of await tx.select({ id: sites.id }).from(sites).orderBy(sites.id))
    await appendEvents(tx, id, [['records', null]], now);
}

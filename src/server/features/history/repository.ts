import { and, desc, eq } from 'drizzle-orm';
import type { Change, Thing } from '#contracts/history';
import type { Tx } from '../../db/pool';
import { changes, people } from '../../db/schema';

const MOST = 100;
/** What was changed in one record, the newest first; at most the last hundred. */
export async function changesOf(tx: Tx, thing: Thing, id: string): Promise<Change[]> {
  const rows = await tx
    .select({ c: changes, by: people.name })
    .from(changes)
    .innerJoin(people, eq(people.id, changes.personId))
    .where(and(eq(changes.thing, thing), eq(changes.thingId, id)))
    .orderBy(desc(changes.at), desc(changes.id))
    .limit(MOST);
  return rows.map(({ c, by }) => ({
    id: c.id,
    at: c.at.getTime(),
    by: { id: c.personId, name: by },
    lines: c.lines,
  }));
}

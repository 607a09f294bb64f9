import { and, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { SaidEntry } from '#core/cold';
import { epochMs } from '#core/units';
import type { Tx } from '../../db/pool';
import { calendarEntries, calendarTokens, people } from '../../db/schema';

export async function tokenByHash(tx: Tx, hash: string) {
  const [row] = await tx.select().from(calendarTokens).where(eq(calendarTokens.hash, hash));
  return row;
}
export async function tokenById(tx: Tx, id: string) {
  const [row] = await tx.select().from(calendarTokens).where(eq(calendarTokens.id, id));
  return row;
}
/** The address of a site that holds, with who made it. */
export async function currentToken(tx: Tx, siteId: string) {
  const [row] = await tx
    .select({ made: calendarTokens.made, by: people.name })
    .from(calendarTokens)
    .innerJoin(people, eq(people.id, calendarTokens.madeBy))
    .where(and(eq(calendarTokens.siteId, siteId), isNull(calendarTokens.ended)))
    .orderBy(desc(calendarTokens.made))
    .limit(1);
  return row;
}

/** What the calendar of a site said last. */
export async function saidEntries(tx: Tx, siteId: string): Promise<SaidEntry[]> {
  const rows = await tx.select().from(calendarEntries).where(eq(calendarEntries.siteId, siteId));
  return rows.map((r) => ({
    uid: r.uid,
    from: epochMs(r.from.getTime()),
    to: epochMs(r.to.getTime()),
    alarm: r.alarm && epochMs(r.alarm.getTime()),
    status: r.status,
    summary: r.summary,
    sequence: r.sequence,
    changed: epochMs(r.changed.getTime()),
  }));
}
/** Keeps what is said now in place of what was said before. */
export async function keepSaid(
  tx: Tx,
  siteId: string,
  before: readonly SaidEntry[],
  now: readonly SaidEntry[],
): Promise<void> {
  const unchanged = new Set(
    now
      .filter((e) => before.some((b) => b.uid === e.uid && b.sequence === e.sequence))
      .map((e) => e.uid),
  );
  const replaced = before.map((e) => e.uid).filter((uid) => !unchanged.has(uid));
  if (replaced.length > 0)
    await tx.delete(calendarEntries).where(inArray(calendarEntries.uid, replaced));
  const fresh = now.filter((e) => !unchanged.has(e.uid));
  if (fresh.length > 0)
    await tx.insert(calendarEntries).values(
      fresh.map((e) => ({
        ...e,
        siteId,
        from: new Date(e.from),
        to: new Date(e.to),
        alarm: e.alarm === null ? null : new Date(e.alarm),
        changed: new Date(e.changed),
      })),
    );
}

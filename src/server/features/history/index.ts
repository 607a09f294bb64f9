import { and, desc, eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { type Change, getHistory, type Thing } from '#contracts/history';
import type { Tx } from '../../db/pool';
import { changes, people } from '../../db/schema';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';

type Fields = Readonly<Record<string, unknown>>;
/** Bookkeeping that nobody reads as a change. */
const SILENT = new Set(['id', 'rev', 'siteId', 'teaId']);

/** The fields of a record that differ, each with what it was and what it became. */
export function linesBetween(before: Fields | null, after: Fields): Change['lines'] {
  return Object.keys({ ...before, ...after })
    .filter(
      (k) =>
        !SILENT.has(k) && JSON.stringify(before?.[k] ?? null) !== JSON.stringify(after[k] ?? null),
    )
    .map((field) => ({ field, before: before?.[field] ?? null, after: after[field] ?? null }));
}

type Kept = {
  readonly thing: Thing;
  readonly id: string;
  readonly before: Fields | null;
  readonly after: Fields;
  readonly by: string;
  readonly now: number;
};
/** Keeps a change with the write that made it: in the same transaction. Nothing is kept where nothing differs. */
export async function recordChange(
  tx: Tx,
  { thing, id, before, after, by, now }: Kept,
): Promise<void> {
  const lines = linesBetween(before, after);
  if (lines.length > 0)
    await tx
      .insert(changes)
      .values({ id: v7(), thing, thingId: id, lines, personId: by, at: new Date(now) });
}

const MOST = 100;
export function historyRoutes(on: ReturnType<typeof routes>, { db }: Deps) {
  on.signed(getHistory, async ({ params }) => {
    const rows = await db
      .select({ c: changes, by: people.name })
      .from(changes)
      .innerJoin(people, eq(people.id, changes.personId))
      .where(and(eq(changes.thing, params.thing), eq(changes.thingId, params.id)))
      .orderBy(desc(changes.at), desc(changes.id))
      .limit(MOST);
    return {
      changes: rows.map(({ c, by }) => ({
        id: c.id,
        at: c.at.getTime(),
        by: { id: c.personId, name: by },
        lines: c.lines,
      })),
    };
  });
}

import { and, desc, eq, gte, like, lt, or, type SQL } from 'drizzle-orm';
import type { MySqlColumn } from 'drizzle-orm/mysql-core';
import type { AuditEntry, AuditFilters } from '#contracts/audit';
import type { Tx } from '../../db/pool';
import { audit, changes, people } from '../../db/schema';

/** Before this entry, in the order of the list. */
export type Before = { readonly at: Date; readonly id: string } | null;
type Columns = Readonly<Record<'at' | 'id' | 'personId', MySqlColumn>>;
const within = (t: Columns, f: AuditFilters, before: Before): (SQL | undefined)[] => [
  f.personId === undefined ? undefined : eq(t.personId, f.personId),
  f.from === undefined ? undefined : gte(t.at, new Date(f.from)),
  f.to === undefined ? undefined : lt(t.at, new Date(f.to)),
  before === null
    ? undefined
    : or(lt(t.at, before.at), and(eq(t.at, before.at), lt(t.id, before.id))),
];
/** A typed percent sign is a percent sign. */
const holding = (words: string): string => `%${words.replace(/[\\%_]/g, '\\$&')}%`;

async function doorEntries(
  tx: Tx,
  f: AuditFilters,
  before: Before,
  n: number,
): Promise<AuditEntry[]> {
  if (f.kind === 'change') return [];
  const words = f.words ? holding(f.words) : null;
  const rows = await tx
    .select({ a: audit, by: people.name })
    .from(audit)
    .leftJoin(people, eq(people.id, audit.personId))
    .where(
      and(
        ...within(audit, f, before),
        f.kind === undefined ? undefined : eq(audit.kind, f.kind),
        words === null
          ? undefined
          : or(like(audit.what, words), like(audit.code, words), like(audit.address, words)),
      ),
    )
    .orderBy(desc(audit.at), desc(audit.id))
    .limit(n);
  return rows.map(({ a, by }) => ({
    id: a.id,
    at: a.at.getTime(),
    kind: a.kind,
    by: a.personId === null ? null : { id: a.personId, name: by ?? 'somebody' },
    siteId: a.siteId,
    address: a.address,
    what: a.what,
    code: a.code,
    change: null,
  }));
}
async function changeEntries(
  tx: Tx,
  f: AuditFilters,
  before: Before,
  n: number,
): Promise<AuditEntry[]> {
  if (f.kind !== undefined && f.kind !== 'change') return [];
  const words = f.words ? holding(f.words) : null;
  const rows = await tx
    .select({ c: changes, by: people.name })
    .from(changes)
    .innerJoin(people, eq(people.id, changes.personId))
    .where(
      and(
        ...within(changes, f, before),
        words === null ? undefined : or(like(changes.thing, words), like(changes.lines, words)),
      ),
    )
    .orderBy(desc(changes.at), desc(changes.id))
    .limit(n);
  return rows.map(({ c, by }) => ({
    id: c.id,
    at: c.at.getTime(),
    kind: 'change',
    by: { id: c.personId, name: by },
    siteId: null,
    address: '',
    what: '',
    code: null,
    change: { thing: c.thing, id: c.thingId, lines: c.lines },
  }));
}
/** What happened at the door and what leads changed, as one list, the newest first. */
export async function auditEntries(
  tx: Tx,
  filters: AuditFilters,
  before: Before,
  n: number,
): Promise<AuditEntry[]> {
  const both = [
    ...(await doorEntries(tx, filters, before, n)),
    ...(await changeEntries(tx, filters, before, n)),
  ];
  return both.sort((a, b) => b.at - a.at || (a.id < b.id ? 1 : -1)).slice(0, n);
}

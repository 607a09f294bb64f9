import { and, count, desc, eq, inArray, isNull, max } from 'drizzle-orm';
import type { Tx } from '../../db/pool';
import { brews, leadNotes, people, teas, versions } from '../../db/schema/index';
import type { LeadNote, Tea, Version } from '#contracts/book';

type VersionRow = { v: typeof versions.$inferSelect; author: string };
const asVersion = ({ v, author }: VersionRow): Version => ({
  id: v.id, teaId: v.teaId, number: v.number, state: v.state, recipe: v.recipe, reason: v.reason, author: { id: v.authorId, name: author }, at: v.at.getTime(),
});
const versionRows = (tx: Tx) => tx.select({ v: versions, author: people.name }).from(versions).innerJoin(people, eq(people.id, versions.authorId));

/** The versions a brewer may take: the house's, and the one on trial. */
const STANDING = ['house', 'trial'] as const;
const asTea = (row: typeof teas.$inferSelect, standing: readonly Version[]): Tea => {
  const of = (state: Version['state']) => standing.find((v) => v.teaId === row.id && v.state === state) ?? null;
  return { ...row, weighing: row.weighing ?? null, house: of('house'), trial: of('trial') };
};

export async function allTeas(tx: Tx): Promise<Tea[]> {
  const rows = await tx.select().from(teas).orderBy(teas.name);
  const byTea = new Map<string, Version[]>();
  for (const v of (await versionRows(tx).where(inArray(versions.state, [...STANDING]))).map(asVersion)) byTea.set(v.teaId, [...(byTea.get(v.teaId) ?? []), v]);
  return rows.map((r) => asTea(r, byTea.get(r.id) ?? []));
}
export async function teaById(tx: Tx, id: string): Promise<Tea | undefined> {
  const [row] = await tx.select().from(teas).where(eq(teas.id, id));
  if (!row) return undefined;
  return asTea(row, (await versionRows(tx).where(and(eq(versions.teaId, id), inArray(versions.state, [...STANDING])))).map(asVersion));
}
export const versionsOf = async (tx: Tx, teaId: string): Promise<Version[]> =>
  (await versionRows(tx).where(eq(versions.teaId, teaId)).orderBy(desc(versions.number))).map(asVersion);
export async function versionById(tx: Tx, id: string): Promise<Version | undefined> {
  const [row] = await versionRows(tx).where(eq(versions.id, id));
  return row && asVersion(row);
}
export async function newestNumber(tx: Tx, teaId: string): Promise<number> {
  const [row] = await tx.select({ n: max(versions.number) }).from(versions).where(eq(versions.teaId, teaId));
  return row?.n ?? 0;
}
export async function openNotes(tx: Tx, teaId: string): Promise<LeadNote[]> {
  const rows = await tx.select({ n: leadNotes, by: people.name, role: people.role }).from(leadNotes).innerJoin(people, eq(people.id, leadNotes.personId))
    .where(and(eq(leadNotes.teaId, teaId), isNull(leadNotes.settled))).orderBy(desc(leadNotes.at)).limit(50);
  return rows.map(({ n, by, role }) => ({
    id: n.id, teaId: n.teaId, brewId: n.brewId, by: { id: n.personId, name: by }, at: n.at.getTime(), headline: n.headline, change: n.change, found: n.found, fromTrainee: role === 'trainee',
  }));
}

/** How many brews used each version of a tea. */
export async function usesOf(tx: Tx, teaId: string): Promise<Record<string, number>> {
  const rows = await tx.select({ id: brews.versionId, n: count() }).from(brews).innerJoin(versions, eq(versions.id, brews.versionId)).where(eq(versions.teaId, teaId)).groupBy(brews.versionId);
  return Object.fromEntries(rows.map((r) => [r.id, r.n]));
}

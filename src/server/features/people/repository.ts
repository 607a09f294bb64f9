import { and, eq, gt, inArray, max, sql } from 'drizzle-orm';
import type { Person } from '#contracts/people';
import type { Site } from '#contracts/sites';
import type { Tx } from '../../db/pool';
import { people, personSites, sessions, sites } from '../../db/schema/index';

export const allSites = async (tx: Tx): Promise<Site[]> =>
  (await tx.select().from(sites).orderBy(sites.altitudeM, sites.name)) as Site[];
export const siteById = async (tx: Tx, id: string): Promise<Site | undefined> =>
  (await tx.select().from(sites).where(eq(sites.id, id)))[0] as Site | undefined;

/** One writer of a site's bar, queue or tables at a time; held until the transaction ends. */
export const lockSite = (tx: Tx, siteId: string) =>
  tx.execute(sql`select id from sites where id = ${siteId} for update`);

/** Whose session it is, with every site of theirs; none when its own site was taken away from them. */
export async function sessionByHash(tx: Tx, hash: string, now: Date) {
  const rows = await tx
    .select({
      personId: people.id,
      name: people.name,
      role: people.role,
      siteId: sessions.siteId,
      lockedAs: sessions.lockedAs,
      seen: sessions.seen,
      deviceId: sessions.deviceId,
      worksAt: personSites.siteId,
    })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .innerJoin(personSites, eq(personSites.personId, people.id))
    .where(and(eq(sessions.tokenHash, hash), gt(sessions.expires, now), eq(people.active, true)));
  const siteIds = rows.map((r) => r.worksAt);
  const own = rows.find((r) => r.worksAt === r.siteId);
  if (!own) return undefined;
  const { worksAt: _worksAt, ...session } = own;
  return { ...session, siteIds };
}

export async function siteIdsOf(tx: Tx, personIds: string[]): Promise<Map<string, string[]>> {
  const rows = personIds.length
    ? await tx.select().from(personSites).where(inArray(personSites.personId, personIds))
    : [];
  return rows.reduce(
    (m, r) => m.set(r.personId, [...(m.get(r.personId) ?? []), r.siteId]),
    new Map<string, string[]>(),
  );
}
const PERSON = {
  id: people.id,
  name: people.name,
  role: people.role,
  active: people.active,
  rev: people.rev,
};
export async function allPeople(tx: Tx): Promise<Person[]> {
  const rows = await tx.select(PERSON).from(people).orderBy(people.name);
  const at = await siteIdsOf(
    tx,
    rows.map((r) => r.id),
  );
  return rows.map((r) => ({ ...r, siteIds: at.get(r.id) ?? [] }));
}
export async function personById(tx: Tx, id: string): Promise<Person | undefined> {
  const [row] = await tx.select(PERSON).from(people).where(eq(people.id, id));
  return row && { ...row, siteIds: (await siteIdsOf(tx, [id])).get(id) ?? [] };
}

/** Who works at a site, with when each was last here. */
export async function namesAt(tx: Tx, siteId: string) {
  const rows = await tx
    .select({ id: people.id, name: people.name, role: people.role, lastSeen: max(sessions.begun) })
    .from(people)
    .innerJoin(personSites, eq(personSites.personId, people.id))
    .leftJoin(sessions, eq(sessions.personId, people.id))
    .where(and(eq(personSites.siteId, siteId), eq(people.active, true)))
    .groupBy(people.id, people.name, people.role)
    .orderBy(people.name);
  return rows.map((r) => ({ ...r, lastSeen: r.lastSeen ? r.lastSeen.getTime() : null }));
}

/** What a person reads in, where they said so. */
export const unitsOf = async (tx: Tx, personId: string) =>
  (await tx.select({ units: people.units }).from(people).where(eq(people.id, personId)))[0]
    ?.units ?? null;

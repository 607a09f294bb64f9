import { alias } from 'drizzle-orm/mysql-core';
import { and, asc, count, desc, eq, gt, inArray, isNotNull, lt, ne, or, sql, type SQL } from 'drizzle-orm';
import type { Tx } from '../../db/pool';
import { brewEvents, brews, lots, people, teas, versions } from '../../db/schema/index';
import type { Brew, LogQuery } from '#contracts/brews';
import type { BrewState } from '#core/timing';
import { epochMs } from '#core/units';

const puller = alias(people, 'puller');
const judge = alias(people, 'judge');
const rows = (tx: Tx) =>
  tx.select({ b: brews, tea: teas.name, style: teas.style, number: versions.number, starter: people.name, lot: lots.name, puller: puller.name, judge: judge.name })
    .from(brews)
    .innerJoin(teas, eq(teas.id, brews.teaId))
    .innerJoin(versions, eq(versions.id, brews.versionId))
    .innerJoin(people, eq(people.id, brews.startedBy))
    .leftJoin(lots, eq(lots.id, brews.lotId))
    .leftJoin(puller, eq(puller.id, brews.pulledBy))
    .leftJoin(judge, eq(judge.id, brews.judgedBy));
type Row = Awaited<ReturnType<typeof rows>>[number];

const at = (d: Date | null) => epochMs(d?.getTime() ?? 0);
/** The state a row stands for. */
export function stateOf(b: typeof brews.$inferSelect): BrewState {
  switch (b.state) {
    case 'warming': return { kind: 'warming', since: at(b.startedAt) };
    case 'steeping': return { kind: 'steeping', waterOn: at(b.waterOn) };
    case 'pulled': return { kind: 'pulled', waterOn: at(b.waterOn), pulled: at(b.pulled) };
    case 'judged': return { kind: 'judged', waterOn: at(b.waterOn), pulled: at(b.pulled), judged: at(b.ended) };
    case 'abandoned': return { kind: 'abandoned', at: at(b.ended) };
  }
}
const whoIf = (id: string | null, name: string | null) => (id && name ? { id, name } : null);
const asBrew = ({ b, tea, style, number, starter, lot, puller: p, judge: j }: Row): Brew => ({
  id: b.id, siteId: b.siteId, place: b.place, tea: { id: b.teaId, name: tea, style }, lot: whoIf(b.lotId, lot), vesselId: b.vesselId, versionId: b.versionId, versionNumber: number,
  plan: b.plan, state: stateOf(b) as Brew['state'], startedBy: { id: b.startedBy, name: starter }, startedAt: b.startedAt.getTime(),
  pulledBy: whoIf(b.pulledBy, p), judgedBy: whoIf(b.judgedBy, j),
  verdict: b.verdict ?? null, proposal: b.proposal ?? null, accepted: b.accepted, remark: b.remark,
});

export async function brewById(tx: Tx, id: string): Promise<Brew | undefined> {
  const [row] = await rows(tx).where(eq(brews.id, id));
  return row && asBrew(row);
}
export const openBrews = async (tx: Tx, siteId: string): Promise<Brew[]> =>
  (await rows(tx).where(and(eq(brews.siteId, siteId), eq(brews.open, true))).orderBy(brews.place)).map(asBrew);

/** What was brewed last, each tea once, with its vessel and water. */
export async function recentPours(tx: Tx, siteId: string, most: number) {
  const last = await tx.select({ teaId: brews.teaId, vesselId: brews.vesselId, plan: brews.plan }).from(brews)
    .innerJoin(teas, and(eq(teas.id, brews.teaId), eq(teas.retired, false)))
    .where(eq(brews.siteId, siteId)).orderBy(desc(brews.startedAt), desc(brews.id)).limit(60);
  const seen = new Map<string, { teaId: string; vesselId: string; water: number }>();
  for (const r of last) if (!seen.has(r.teaId)) seen.set(r.teaId, { teaId: r.teaId, vesselId: r.vesselId, water: r.plan.water });
  return [...seen.values()].slice(0, most);
}

function filters(q: LogQuery): SQL[] {
  const by: SQL[] = [];
  if (q.siteId) by.push(eq(brews.siteId, q.siteId));
  if (q.teaId) by.push(eq(brews.teaId, q.teaId));
  if (q.personId) by.push(eq(brews.startedBy, q.personId));
  if (q.verdict) by.push(eq(brews.verdictKind, q.verdict));
  return by;
}
export const PAGE = 50;
export async function logPage(tx: Tx, q: LogQuery): Promise<{ brews: Brew[]; next: string | null }> {
  const by = [...filters(q), ne(brews.state, 'abandoned')];
  if (q.before) {
    const [ms, id] = [new Date(Number(q.before.split('_')[0])), q.before.slice(q.before.indexOf('_') + 1)];
    by.push(or(lt(brews.startedAt, ms), and(eq(brews.startedAt, ms), lt(brews.id, id))) as SQL);
  }
  const found = (await rows(tx).where(and(...by)).orderBy(desc(brews.startedAt), desc(brews.id)).limit(PAGE + 1)).map(asBrew);
  const page = found.slice(0, PAGE);
  const last = page[page.length - 1];
  return { brews: page, next: found.length > PAGE && last ? `${last.startedAt}_${last.id}` : null };
}
export async function logCounts(tx: Tx, q: LogQuery) {
  const found = await tx.select({ timing: brews.timing, n: count() }).from(brews).where(and(...filters(q), ne(brews.state, 'abandoned'))).groupBy(brews.timing);
  const of = (t: 'inWindow' | 'late' | 'early') => found.find((r) => r.timing === t)?.n ?? 0;
  return { all: found.reduce((s, r) => s + r.n, 0), inWindow: of('inWindow'), late: of('late'), early: of('early') };
}
export async function nextOfTea(tx: Tx, b: Brew) {
  const [row] = await rows(tx).where(and(eq(brews.teaId, b.tea.id), eq(brews.siteId, b.siteId), gt(brews.startedAt, new Date(b.startedAt)), ne(brews.state, 'abandoned')))
    .orderBy(asc(brews.startedAt), asc(brews.id)).limit(1);
  return row ? asBrew(row) : undefined;
}
export async function eventById(tx: Tx, id: string) {
  const [row] = await tx.select({ brewId: brewEvents.brewId }).from(brewEvents).where(eq(brewEvents.id, id));
  return row;
}
export const brewers = (tx: Tx) => tx.select({ id: people.id, name: people.name }).from(people).orderBy(people.name);
/** Brewing now in this vessel. */
export async function busyIn(tx: Tx, vesselId: string) {
  const [row] = await rows(tx).where(and(eq(brews.vesselId, vesselId), eq(brews.open, true), inArray(brews.state, ['warming', 'steeping'])));
  return row && asBrew(row);
}
export const takenPlaces = async (tx: Tx, siteId: string): Promise<number[]> =>
  (await tx.select({ place: brews.place }).from(brews).where(and(eq(brews.siteId, siteId), eq(brews.open, true)))).map((r) => r.place);
export const lockSite = (tx: Tx, siteId: string) => tx.execute(sql`select id from sites where id = ${siteId} for update`);

/** Seconds from best of the last pulls of a tea at a site. */
export async function pullErrors(tx: Tx, teaId: string, siteId: string, most: number): Promise<number[]> {
  const last = await tx.select({ waterOn: brews.waterOn, pulled: brews.pulled, plan: brews.plan }).from(brews)
    .where(and(eq(brews.teaId, teaId), eq(brews.siteId, siteId), isNotNull(brews.pulled), isNotNull(brews.waterOn))).orderBy(desc(brews.startedAt)).limit(most);
  return last.flatMap((r) => (r.pulled && r.waterOn ? [(r.pulled.getTime() - r.waterOn.getTime()) / 1000 - r.plan.recipe.window.best] : []));
}

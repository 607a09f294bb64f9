import { and, desc, eq, gte, inArray, lt, lte, ne, or, type SQL, sql } from 'drizzle-orm';
import type { Brew } from '#contracts/brews';
import { COUNTED } from '#contracts/limits';
import type { LogFilters, LogQuery } from '#contracts/log';
import type { Tx } from '../../db/pool';
import { brews } from '../../db/schema';
import { houseSize, indexFor } from './logIndex';
import { brewsByIds, idsInOrder } from './repository';
import { notedWith } from './terms';

export const PAGE = 50;

function filtersOf(q: LogQuery): SQL[] {
  const by: SQL[] = [ne(brews.state, 'abandoned')];
  if (q.siteId) by.push(eq(brews.siteId, q.siteId));
  if (q.teaId) by.push(eq(brews.teaId, q.teaId));
  if (q.lotId) by.push(eq(brews.lotId, q.lotId));
  if (q.vesselId) by.push(eq(brews.vesselId, q.vesselId));
  if (q.personId) by.push(eq(brews.startedBy, q.personId));
  if (q.method) by.push(eq(brews.method, q.method));
  if (q.verdict) by.push(eq(brews.verdictKind, q.verdict));
  if (q.pull)
    by.push(
      q.pull === 'outside'
        ? inArray(brews.timing, ['early', 'late', 'forgotten'])
        : eq(brews.timing, q.pull),
    );
  if (q.correction) by.push(eq(brews.correction, q.correction));
  if (q.from) by.push(gte(brews.startedAt, new Date(q.from)));
  if (q.to) by.push(lt(brews.startedAt, new Date(q.to)));
  if (q.before) {
    const [ms, id] = [
      new Date(Number(q.before.split('_')[0])),
      q.before.slice(q.before.indexOf('_') + 1),
    ];
    by.push(
      lte(brews.startedAt, ms),
      or(lt(brews.startedAt, ms), and(eq(brews.startedAt, ms), lt(brews.id, id))) as SQL,
    );
  }
  return by;
}

/** A page of the log, newest first: ids from one index alone, then their rows. */
export async function logPage(
  tx: Tx,
  q: LogQuery,
  size = PAGE,
): Promise<{ brews: Brew[]; next: string | null }> {
  const noted = q.noted === undefined ? null : await notedWith(tx, q.noted);
  if (noted?.kind === 'never') return { brews: [], next: null };
  // Few cups have it: they are looked at one by one. Else the log is walked until enough of them came.
  const index = noted?.kind === 'few' ? 'PRIMARY' : indexFor(q, await houseSize(tx));
  const found = await idsInOrder(tx, index, and(...filtersOf(q), noted?.where), size + 1);
  const ids = found.slice(0, size).map((r) => r.id);
  const byId = new Map((await brewsByIds(tx, ids)).map((b) => [b.id, b]));
  const last = found[size - 1];
  return {
    brews: ids.flatMap((id) => byId.get(id) ?? []),
    next: found.length > size && last ? `${last.startedAt.getTime()}_${last.id}` : null,
  };
}

/**
 * How the newest brews of a filter were pulled; no more than `COUNTED` are looked at. What they were noted with is no
 * filter here.
 */
export async function logCounts(tx: Tx, q: LogFilters) {
  const newest = tx
    .select({ timing: brews.timing })
    .from(brews, { forceIndex: indexFor(q, await houseSize(tx)) })
    .where(and(...filtersOf(q)))
    .orderBy(desc(brews.startedAt), desc(brews.id))
    .limit(COUNTED)
    .as('newest');
  const found = await tx
    .select({ timing: newest.timing, n: sql<number>`count(*)` })
    .from(newest)
    .groupBy(newest.timing);
  return tally(found.map((r) => [r.timing, Number(r.n)]));
}
/** The same of brews that are at hand. */
export const countsOf = (all: readonly Pick<Brew, 'timing'>[]) =>
  tally(all.map((b) => [b.timing, 1]));
function tally(found: readonly (readonly [Brew['timing'], number])[]) {
  const of = (t: Brew['timing']) => found.reduce((s, [timing, n]) => (timing === t ? s + n : s), 0);
  return {
    all: found.reduce((s, [, n]) => s + n, 0),
    inWindow: of('inWindow'),
    late: of('late'),
    early: of('early'),
    forgotten: of('forgotten'),
  };
}

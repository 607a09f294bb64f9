import { and, asc, desc, eq, gt, inArray, isNotNull, ne, type SQL } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import type { BrewState } from '#core/brews';
import { epochMs } from '#core/units';
import type { Brew } from '#contracts/brews';
import type { Tx } from '../../db/pool';
import { brewEvents, brews, feedHeads, lots, people, teas, versions } from '../../db/schema/index';
import { houseSize, indexFor } from './logIndex';

const puller = alias(people, 'puller');
const judge = alias(people, 'judge');
export const brewRows = (tx: Tx) =>
  tx
    .select({
      b: brews,
      tea: teas.name,
      style: teas.style,
      number: versions.number,
      starter: people.name,
      lot: lots.name,
      puller: puller.name,
      judge: judge.name,
    })
    .from(brews)
    .innerJoin(teas, eq(teas.id, brews.teaId))
    .innerJoin(versions, eq(versions.id, brews.versionId))
    .innerJoin(people, eq(people.id, brews.startedBy))
    .leftJoin(lots, eq(lots.id, brews.lotId))
    .leftJoin(puller, eq(puller.id, brews.pulledBy))
    .leftJoin(judge, eq(judge.id, brews.judgedBy));
type Row = Awaited<ReturnType<typeof brewRows>>[number];
export type BrewRow = typeof brews.$inferSelect;

const at = (d: Date | null) => epochMs(d?.getTime() ?? 0);
/** The state a row stands for. */
export function stateOf(b: BrewRow): BrewState {
  switch (b.state) {
    case 'warming':
      return { kind: 'warming', since: at(b.startedAt) };
    case 'steeping':
      return { kind: 'steeping', waterOn: at(b.waterOn) };
    case 'tasting':
      return { kind: 'tasting', waterOn: at(b.waterOn), out: at(b.leafOut) };
    case 'pulled':
      return {
        ...{ kind: 'pulled', waterOn: at(b.waterOn), pulled: at(b.pulled) },
        ...(b.leafOut !== null && { wasTasting: true }),
      };
    case 'judged':
      return { kind: 'judged', waterOn: at(b.waterOn), pulled: at(b.pulled), judged: at(b.ended) };
    case 'abandoned':
      return { kind: 'abandoned', at: at(b.ended) };
  }
}
const whoIf = (id: string | null, name: string | null) => (id && name ? { id, name } : null);
export const asBrew = ({
  b,
  tea,
  style,
  number,
  starter,
  lot,
  puller: p,
  judge: j,
}: Row): Brew => ({
  id: b.id,
  siteId: b.siteId,
  place: b.place,
  leafId: b.leafId,
  pairedId: b.pairedId,
  method: b.method,
  kettle: b.kettle,
  marks: b.marks as Brew['marks'],
  readings: b.readings,
  pulledDevice: b.pulledDevice,
  timing: b.timing,
  ...(b.seen !== null && { seen: b.seen }),
  ...(b.outs && { outs: b.outs }),
  ...(b.tastes && { tastes: b.tastes }),
  ...(b.pours && { pours: b.pours }),
  tea: { id: b.teaId, name: tea, style },
  lot: whoIf(b.lotId, lot),
  vesselId: b.vesselId,
  versionId: b.versionId,
  versionNumber: number,
  plan: b.plan,
  state: stateOf(b) as Brew['state'],
  startedBy: { id: b.startedBy, name: starter },
  startedAt: b.startedAt.getTime(),
  pulledBy: whoIf(b.pulledBy, p),
  judgedBy: whoIf(b.judgedBy, j),
  verdict: b.verdict ?? null,
  proposal: b.proposal ?? null,
  accepted: b.accepted,
  remark: b.remark,
  ...(b.observed && { observed: b.observed }),
});

export async function brewById(tx: Tx, id: string): Promise<Brew | undefined> {
  const [row] = await brewRows(tx).where(eq(brews.id, id));
  return row && asBrew(row);
}
export const brewsByIds = async (tx: Tx, ids: string[]): Promise<Brew[]> =>
  ids.length ? (await brewRows(tx).where(inArray(brews.id, ids))).map(asBrew) : [];
export const openBrews = async (tx: Tx, siteId: string): Promise<Brew[]> =>
  (
    await brewRows(tx)
      .where(and(eq(brews.siteId, siteId), eq(brews.open, true)))
      .orderBy(brews.place)
  ).map(asBrew);
/** The last thing a site was told of. */
export const headOf = async (tx: Tx, siteId: string): Promise<number> =>
  (await tx.select({ seq: feedHeads.seq }).from(feedHeads).where(eq(feedHeads.siteId, siteId)))[0]
    ?.seq ?? 0;

/**
 * Ids in the log's order, from one index alone: rows are fat, and a join left to itself sorts all of a site's or a
 * tea's
 * to give a few. The rows are fetched by these ids.
 */
export const idsInOrder = async (
  tx: Tx,
  index: string,
  where: SQL | undefined,
  most: number,
  order: 'newest' | 'oldest' = 'newest',
): Promise<{ id: string; startedAt: Date }[]> => {
  const by = order === 'newest' ? desc : asc;
  return tx
    .select({ id: brews.id, startedAt: brews.startedAt })
    .from(brews, { forceIndex: index })
    .where(where)
    .orderBy(by(brews.startedAt), by(brews.id))
    .limit(most);
};

/** So far back it is looked for teas that were brewed last. */
const LOOKED_BACK = 60;
/** What was brewed last, each tea once, with its vessel and water. */
export async function recentPours(tx: Tx, siteId: string, most: number) {
  const ids = (await idsInOrder(tx, 'log_site', eq(brews.siteId, siteId), LOOKED_BACK)).map(
    (r) => r.id,
  );
  const last =
    ids.length === 0
      ? []
      : await tx
          .select({ id: brews.id, teaId: brews.teaId, vesselId: brews.vesselId, plan: brews.plan })
          .from(brews)
          .innerJoin(teas, and(eq(teas.id, brews.teaId), eq(teas.retired, false)))
          .where(inArray(brews.id, ids));
  const byId = new Map(last.map((r) => [r.id, r]));
  const seen = new Map<string, { teaId: string; vesselId: string; water: number }>();
  for (const id of ids) {
    const r = byId.get(id);
    if (r?.vesselId && !seen.has(r.teaId))
      seen.set(r.teaId, { teaId: r.teaId, vesselId: r.vesselId, water: r.plan.water });
  }
  return [...seen.values()].slice(0, most);
}

export async function nextOfTea(tx: Tx, b: Brew): Promise<Brew | undefined> {
  const [next] = await idsInOrder(
    tx,
    'log_tea',
    and(
      eq(brews.teaId, b.tea.id),
      eq(brews.siteId, b.siteId),
      gt(brews.startedAt, new Date(b.startedAt)),
      ne(brews.state, 'abandoned'),
    ),
    1,
    'oldest',
  );
  return next && brewById(tx, next.id);
}
/** Every steep of one leaf, in order. */
export const steepsOf = (tx: Tx, leafId: string) =>
  tx
    .select({ id: brews.id, plan: brews.plan, waterOn: brews.waterOn, pulled: brews.pulled })
    .from(brews)
    .where(and(eq(brews.leafId, leafId), ne(brews.state, 'abandoned')))
    .orderBy(asc(brews.startedAt), asc(brews.id));

export async function eventById(tx: Tx, id: string) {
  const [row] = await tx.select().from(brewEvents).where(eq(brewEvents.id, id));
  return row;
}
/** The last thing done to a brew that still stands. */
export async function lastEvent(tx: Tx, brewId: string) {
  const [row] = await tx
    .select({ id: brewEvents.id })
    .from(brewEvents)
    .where(
      and(eq(brewEvents.brewId, brewId), eq(brewEvents.undone, false), ne(brewEvents.kind, 'undo')),
    )
    .orderBy(desc(brewEvents.received), desc(brewEvents.id))
    .limit(1);
  return row;
}
export const eventsOf = (tx: Tx, brewId: string) =>
  tx
    .select({ e: brewEvents, by: people.name })
    .from(brewEvents)
    .leftJoin(people, eq(people.id, brewEvents.personId))
    .where(eq(brewEvents.brewId, brewId))
    .orderBy(asc(brewEvents.at), asc(brewEvents.received));
export const brewers = (tx: Tx) =>
  tx.select({ id: people.id, name: people.name }).from(people).orderBy(people.name);
export const takenPlaces = async (tx: Tx, siteId: string): Promise<number[]> =>
  (
    await tx
      .select({ place: brews.place })
      .from(brews)
      .where(and(eq(brews.siteId, siteId), eq(brews.open, true)))
  ).map((r) => r.place);
/** Other brews of the site that are steeping: when their water went on, and their windows. */
export const steepingAt = (tx: Tx, siteId: string, but: string) =>
  tx
    .select({ id: brews.id, pairedId: brews.pairedId, waterOn: brews.waterOn, plan: brews.plan })
    .from(brews)
    .where(
      and(
        eq(brews.siteId, siteId),
        eq(brews.open, true),
        eq(brews.state, 'steeping'),
        ne(brews.id, but),
      ),
    );

/** Seconds from best of the last pulls of a tea at a site. */
export async function pullErrors(
  tx: Tx,
  teaId: string,
  siteId: string,
  most: number,
): Promise<number[]> {
  const index = indexFor({ teaId, siteId }, await houseSize(tx));
  const last = await tx
    .select({ error: brews.error })
    .from(brews, { forceIndex: index })
    .where(and(eq(brews.teaId, teaId), eq(brews.siteId, siteId), isNotNull(brews.error)))
    .orderBy(desc(brews.startedAt))
    .limit(most);
  return last.flatMap((r) => (r.error === null ? [] : [r.error]));
}

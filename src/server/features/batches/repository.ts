import { and, asc, between, desc, eq, gt, gte, inArray, isNotNull, lt, or } from 'drizzle-orm';
import { v7 } from 'uuid';
import { celsius, epochMs } from '#core/units';
import type { Batch } from '#contracts/batches';
import type { BatchHappened } from '#contracts/batchEvents';
import type { FridgeGap, FridgeReading } from '#contracts/fridge';
import type { Tx } from '../../db/pool';
import {
  batches,
  batchEvents,
  fridgeGaps,
  fridgeReadings,
  lots,
  people,
  probes,
  teas,
  versions,
  vessels,
} from '../../db/schema';

const batchRows = (tx: Tx) =>
  tx
    .select({
      b: batches,
      tea: { id: teas.id, name: teas.name, style: teas.style, allergens: teas.allergens },
      lot: lots.name,
      number: versions.number,
      vessel: vessels.name,
      starter: people.name,
    })
    .from(batches)
    .innerJoin(teas, eq(teas.id, batches.teaId))
    .innerJoin(versions, eq(versions.id, batches.versionId))
    .innerJoin(vessels, eq(vessels.id, batches.vesselId))
    .innerJoin(people, eq(people.id, batches.startedBy))
    .leftJoin(lots, eq(lots.id, batches.lotId));
type Row = Awaited<ReturnType<typeof batchRows>>[number];

/** What was done to each of those batches, in order. */
async function eventsOf(tx: Tx, ids: readonly string[]): Promise<Map<string, BatchHappened[]>> {
  const found = new Map<string, BatchHappened[]>(ids.map((id) => [id, []]));
  if (ids.length === 0) return found;
  const rows = await tx
    .select({ e: batchEvents, by: people.name })
    .from(batchEvents)
    .innerJoin(people, eq(people.id, batchEvents.personId))
    .where(inArray(batchEvents.batchId, [...ids]))
    .orderBy(asc(batchEvents.at), asc(batchEvents.id));
  for (const { e, by } of rows)
    found.get(e.batchId)?.push({
      ...e.body,
      at: epochMs(e.at.getTime()),
      by,
      flag: e.flag,
    } as BatchHappened);
  return found;
}
async function asBatches(tx: Tx, rows: readonly Row[]): Promise<Batch[]> {
  const events = await eventsOf(
    tx,
    rows.map((r) => r.b.id),
  );
  return rows.map(({ b, tea, lot, number, vessel, starter }) => ({
    id: b.id,
    siteId: b.siteId,
    tea,
    lot: b.lotId !== null && lot !== null ? { id: b.lotId, name: lot } : null,
    versionId: b.versionId,
    versionNumber: number,
    vesselId: b.vesselId,
    vesselName: vessel,
    plan: b.plan,
    leafIn: epochMs(b.leafIn.getTime()),
    startedBy: { id: b.startedBy, name: starter },
    events: events.get(b.id) ?? [],
  }));
}

export async function batchById(tx: Tx, id: string): Promise<Batch | undefined> {
  const rows = await batchRows(tx).where(eq(batches.id, id));
  return (await asBatches(tx, rows))[0];
}
/** What stands at a site, and what ended there since then; the newest first. */
export const batchesAt = async (tx: Tx, siteId: string, since: number): Promise<Batch[]> =>
  asBatches(
    tx,
    await batchRows(tx)
      .where(
        and(
          eq(batches.siteId, siteId),
          or(eq(batches.standing, true), gt(batches.ended, new Date(since))),
        ),
      )
      .orderBy(desc(batches.leafIn), asc(batches.id)),
  );
/** The last batches of a person that ended and were not taken back, the newest first. */
export const batchesEndedOf = async (tx: Tx, personId: string, n: number): Promise<Batch[]> =>
  asBatches(
    tx,
    await batchRows(tx)
      .where(and(eq(batches.startedBy, personId), isNotNull(batches.ended)))
      .orderBy(desc(batches.ended), asc(batches.id))
      .limit(n),
  );
/** Every batch whose leaf went in within a period, in order. */
export const batchesBegun = async (
  tx: Tx,
  siteId: string,
  from: number,
  to: number,
): Promise<Batch[]> =>
  asBatches(
    tx,
    await batchRows(tx)
      .where(
        and(
          eq(batches.siteId, siteId),
          gte(batches.leafIn, new Date(from)),
          lt(batches.leafIn, new Date(to)),
        ),
      )
      .orderBy(asc(batches.leafIn), asc(batches.id)),
  );
/** Those of some ids that are batches here, at whichever site. */
export async function knownBatches(tx: Tx, ids: readonly string[]): Promise<Set<string>> {
  if (ids.length === 0) return new Set();
  const rows = await tx
    .select({ id: batches.id })
    .from(batches)
    .where(inArray(batches.id, [...ids]));
  return new Set(rows.map((r) => r.id));
}
/** The batch that stands in a vessel. */
export async function standingIn(tx: Tx, vesselId: string): Promise<Batch | undefined> {
  const rows = await batchRows(tx)
    .where(and(eq(batches.vesselId, vesselId), eq(batches.standing, true)))
    .limit(1);
  return (await asBatches(tx, rows))[0];
}
export async function eventById(tx: Tx, id: string) {
  const [row] = await tx.select().from(batchEvents).where(eq(batchEvents.id, id));
  return row;
}

const asReading = ({
  r,
  by,
  probe,
}: {
  r: typeof fridgeReadings.$inferSelect;
  by: string | null;
  probe: string | null;
}): FridgeReading => ({
  id: r.id,
  at: epochMs(r.at.getTime()),
  celsius: celsius(r.celsius),
  source: r.probeId === null ? 'typed' : 'probe',
  by: by ?? probe ?? '',
});
const readingRows = (tx: Tx) =>
  tx
    .select({ r: fridgeReadings, by: people.name, probe: probes.name })
    .from(fridgeReadings)
    .leftJoin(people, eq(people.id, fridgeReadings.personId))
    .leftJoin(probes, eq(probes.id, fridgeReadings.probeId));
/** How a site's fridge has stood since then, in order. */
export const readingsSince = async (
  tx: Tx,
  siteId: string,
  since: number,
): Promise<FridgeReading[]> =>
  (
    await readingRows(tx)
      .where(and(eq(fridgeReadings.siteId, siteId), gt(fridgeReadings.at, new Date(since))))
      .orderBy(asc(fridgeReadings.at), asc(fridgeReadings.id))
  ).map(asReading);
/** The instants of the readings from the second of one to that of another. */
export async function readingTimes(
  tx: Tx,
  siteId: string,
  from: number,
  to: number,
): Promise<number[]> {
  const rows = await tx
    .select({ at: fridgeReadings.at })
    .from(fridgeReadings)
    .where(
      and(
        eq(fridgeReadings.siteId, siteId),
        between(fridgeReadings.at, new Date(from - 1000), new Date(to + 1000)),
      ),
    );
  return rows.map((r) => r.at.getTime());
}
const ROWS_AT_ONCE = 500;
export async function addReadings(
  tx: Tx,
  siteId: string,
  personId: string,
  readings: readonly { readonly at: number; readonly celsius: number }[],
): Promise<void> {
  for (let i = 0; i < readings.length; i += ROWS_AT_ONCE)
    await tx.insert(fridgeReadings).values(
      readings.slice(i, i + ROWS_AT_ONCE).map((r) => ({
        ...{ id: v7(), siteId, personId },
        ...{ at: new Date(r.at), celsius: r.celsius },
      })),
    );
}
export async function readingById(tx: Tx, id: string): Promise<FridgeReading | undefined> {
  const [row] = await readingRows(tx).where(eq(fridgeReadings.id, id));
  return row && asReading(row);
}

const asGap = ({ g, by }: { g: typeof fridgeGaps.$inferSelect; by: string }): FridgeGap => ({
  id: g.id,
  from: epochMs(g.from.getTime()),
  to: epochMs(g.to.getTime()),
  reason: g.reason,
  at: epochMs(g.at.getTime()),
  by,
});
const gapRows = (tx: Tx) =>
  tx
    .select({ g: fridgeGaps, by: people.name })
    .from(fridgeGaps)
    .innerJoin(people, eq(people.id, fridgeGaps.personId));
/** Stretches without readings that were answered and ended since then, in order. */
export const gapsSince = async (tx: Tx, siteId: string, since: number): Promise<FridgeGap[]> =>
  (
    await gapRows(tx)
      .where(and(eq(fridgeGaps.siteId, siteId), gt(fridgeGaps.to, new Date(since))))
      .orderBy(asc(fridgeGaps.from), asc(fridgeGaps.id))
  ).map(asGap);
export async function gapById(tx: Tx, id: string): Promise<FridgeGap | undefined> {
  const [row] = await gapRows(tx).where(eq(fridgeGaps.id, id));
  return row && asGap(row);
}
/** All that is known of a site's fridge since then. */
export const fridgeAirSince = async (tx: Tx, siteId: string, since: number) => ({
  readings: await readingsSince(tx, siteId, since),
  gaps: await gapsSince(tx, siteId, since),
});

import { and, desc, eq, isNotNull, ne } from 'drizzle-orm';
import {
  BATCHES_SEEN,
  batchesSeen,
  calibrationSeen,
  HEAT_SEEN,
  heatSeen,
  isBatchRight,
  LADDERS_SEEN,
  laddersSeen,
  PULLS_SEEN,
  pullsSeen,
  type Seen,
  tablesLedSeen,
} from '#core/training';
import type { Practice } from '#contracts/training';
import type { Tx } from '../../db/pool';
import { brews } from '../../db/schema';
import { batchesEndedOf } from '../batches';
import { tableResult } from './tables';

/** Brews that are looked through for readings: a thermometer is not in every pot. */
const LOOKED_THROUGH = 100;

/** Whether the last pulls of a person were in their window, the oldest first. */
async function pullsOf(tx: Tx, personId: string): Promise<boolean[]> {
  const rows = await tx
    .select({ timing: brews.timing })
    .from(brews)
    .where(and(eq(brews.pulledBy, personId), isNotNull(brews.pulled), isNotNull(brews.timing)))
    .orderBy(desc(brews.pulled))
    .limit(PULLS_SEEN);
  return rows.map((r) => r.timing === 'inWindow').reverse();
}
/** How far the first reading of each of a person's brews was from its card, °C, the oldest first. */
async function heatGapsOf(tx: Tx, personId: string): Promise<number[]> {
  const rows = await tx
    .select({ readings: brews.readings, plan: brews.plan })
    .from(brews)
    .where(and(eq(brews.startedBy, personId), ne(brews.state, 'abandoned')))
    .orderBy(desc(brews.startedAt))
    .limit(LOOKED_THROUGH);
  const gaps = rows.flatMap(({ readings, plan }) => {
    const [first] = readings;
    return first ? [first.celsius - plan.onLeaf] : [];
  });
  return gaps.slice(0, HEAT_SEEN).reverse();
}
/** Whether the last cold batches of a person were right, the oldest first; those taken back are no batches. */
async function batchesOf(tx: Tx, personId: string): Promise<boolean[]> {
  const ended = await batchesEndedOf(tx, personId, 2 * BATCHES_SEEN);
  return ended
    .flatMap((b) => isBatchRight(b) ?? [])
    .slice(0, BATCHES_SEEN)
    .reverse();
}
type Tables = Practice['tables'];
/** Kendall's tau of a person's last ladders, the oldest first. */
async function tausOf(tx: Tx, personId: string, tables: Tables): Promise<number[]> {
  const ladders = tables.filter((t) => t.sat && t.kind === 'ladder').slice(0, LADDERS_SEEN);
  const results = await Promise.all(ladders.map((t) => tableResult(tx, t.id)));
  return results.flatMap((r) => r?.ordering(personId) ?? []).reverse();
}
/** Of the last calibration a person sat in: which attributes were flagged. */
async function flaggedOf(tx: Tx, personId: string, tables: Tables): Promise<boolean[]> {
  const last = tables.find((t) => t.sat && t.kind === 'calibration');
  return last ? ((await tableResult(tx, last.id))?.flagged(personId) ?? []) : [];
}
/** What was seen of a person at the bar, at the table and of cold batches. */
export async function seenOf(tx: Tx, personId: string, tables: Tables): Promise<Seen[]> {
  const led = tables.filter((t) => t.led).map((t) => t.kind);
  const seen = [
    heatSeen(await heatGapsOf(tx, personId)),
    pullsSeen(await pullsOf(tx, personId)),
    laddersSeen(await tausOf(tx, personId, tables)),
    calibrationSeen(await flaggedOf(tx, personId, tables)),
    batchesSeen(await batchesOf(tx, personId)),
    tablesLedSeen(led),
  ];
  return seen.filter((s) => s !== null);
}

import { and, desc, eq, isNotNull, ne } from 'drizzle-orm';
import { HEAT_SEEN, heatSeen, PULLS_SEEN, pullsSeen, type Seen } from '#core/training';
import type { Tx } from '../../db/pool';
import { brews } from '../../db/schema';

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
/** What was seen of those people at the bar, by person. */
export async function seenOf(tx: Tx, personIds: readonly string[]): Promise<Map<string, Seen[]>> {
  const found = new Map<string, Seen[]>();
  for (const id of personIds) {
    const seen = [heatSeen(await heatGapsOf(tx, id)), pullsSeen(await pullsOf(tx, id))];
    found.set(
      id,
      seen.filter((s) => s !== null),
    );
  }
  return found;
}

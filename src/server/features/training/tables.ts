import { and, desc, eq, or } from 'drizzle-orm';
import { ATTRIBUTE_NAMES } from '#core/corrections';
import { calibrationOf, foldTasting, ownResult } from '#core/tastings';
import { siteDate } from '#core/time';
import { TASTERS_LED } from '#core/training';
import { epochMs } from '#core/units';
import type { Practice } from '#contracts/training';
import type { Tx } from '../../db/pool';
import { sites, tastings, tastingSeats } from '../../db/schema';
import { eventsAt, tastingById } from '../tastings';

/** So many tables of a person are known to School, the last first. */
const KNOWN = 100;

/** The tables a person led or submitted a sheet at, once they were revealed. */
export async function tablesOf(tx: Tx, personId: string): Promise<Practice['tables']> {
  const rows = await tx
    .select({
      t: {
        ...{ id: tastings.id, at: tastings.at, kind: tastings.kind, lesson: tastings.lesson },
        ...{ setBy: tastings.setBy, handedIn: tastings.handedIn },
      },
      submitted: tastingSeats.submitted,
      hours: sites.hours,
    })
    .from(tastings)
    .innerJoin(sites, eq(sites.id, tastings.siteId))
    .leftJoin(
      tastingSeats,
      and(eq(tastingSeats.tastingId, tastings.id), eq(tastingSeats.personId, personId)),
    )
    .where(
      and(
        eq(tastings.stage, 'revealed'),
        or(eq(tastings.setBy, personId), eq(tastingSeats.submitted, true)),
      ),
    )
    .orderBy(desc(tastings.at), desc(tastings.id))
    .limit(KNOWN);
  return rows.map(({ t, submitted, hours }) => ({
    ...{ id: t.id, kind: t.kind, lesson: t.lesson, sat: submitted === true },
    day: siteDate(hours?.zone ?? 'UTC', epochMs(t.at.getTime())),
    led: t.setBy === personId && t.handedIn >= TASTERS_LED,
  }));
}

/** What one taster did at a table that was revealed. */
export async function tableResult(tx: Tx, id: string) {
  const found = await tastingById(tx, id);
  if (!found) return null;
  const { exercise } = found.t;
  const now = foldTasting(exercise, await eventsAt(tx, id));
  return {
    /** Kendall's tau of the order; null where none was given. */
    ordering: (personId: string): number | null =>
      ownResult(exercise, now, personId)?.ordering?.tau ?? null,
    /** Of a calibration: whether each attribute that was scored is off the others, or unsteady between two bowls. */
    flagged(personId: string): boolean[] {
      const taster = calibrationOf(exercise, now).tasters.find((x) => x.id === personId);
      return ATTRIBUTE_NAMES.flatMap((a) => {
        const against = taster?.against[a];
        return against ? [against.flags.length > 0] : [];
      });
    },
  };
}

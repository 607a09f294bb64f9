import { and, desc, eq, or } from 'drizzle-orm';
import { ATTRIBUTE_NAMES } from '#core/corrections';
import { fittedBy } from '#core/fitting';
import { calibrationOf, foldTasting, ownResult, potGradientOf, potTasted } from '#core/tastings';
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

/** The last pots of a site that were tasted cup by cup. */
const POTS = 5;
/** How much stronger the last drop of a pot is here, from its lessons; null: none was held. */
export async function potGradientAt(tx: Tx, siteId: string): Promise<number | null> {
  const rows = await tx
    .select({ id: tastings.id })
    .from(tastings)
    .where(
      and(
        ...[eq(tastings.siteId, siteId), eq(tastings.lesson, 'firstLast')],
        eq(tastings.stage, 'revealed'),
      ),
    )
    .orderBy(desc(tastings.at), desc(tastings.id))
    .limit(POTS);
  const pots = await Promise.all(
    rows.map(async ({ id }) => {
      const found = await tastingById(tx, id);
      if (!found) return null;
      const { exercise, vessel } = found.t;
      const of = {
        tea: { ...found.tea, fitted: fittedBy(found.fit, found.tea.style) },
        recipe: found.version.recipe,
        vessel,
      };
      return potTasted(exercise, foldTasting(exercise, await eventsAt(tx, id)), of);
    }),
  );
  return potGradientOf(pots.filter((pot) => pot !== null))?.gradient ?? null;
}

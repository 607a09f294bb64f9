import { and, asc, desc, eq, ne, sql } from 'drizzle-orm';
import { fittedBy } from '#core/fitting';
import {
  type Exercise,
  foldTasting,
  missing,
  type Tasting,
  type TastingEvent,
} from '#core/tastings';
import type { TastingRow } from '#contracts/tastings';
import type { Tx } from '../../db/pool';
import {
  lots,
  people,
  tastingEvents,
  tastingGuests,
  tastings,
  tastingSeats,
  teaFits,
  teas,
  versions,
} from '../../db/schema';
import type { Signed } from '../../http/route';
import { recipesAsBrewed } from '../teas';

const LISTED = 100;
/** A dial-in takes two or three rounds; one that goes on is looked back so far. */
export const MOST_ROUNDS = 12;

const rows = (tx: Tx) =>
  tx
    .select({
      t: tastings,
      tea: { id: teas.id, name: teas.name, style: teas.style, swatches: teas.swatches },
      weighing: teas.weighing,
      fit: teaFits.fit,
      lot: lots.name,
      version: { id: versions.id, number: versions.number, recipe: versions.recipe },
      setBy: { id: people.id, name: people.name },
    })
    .from(tastings)
    .innerJoin(teas, eq(teas.id, tastings.teaId))
    .leftJoin(teaFits, and(eq(teaFits.teaId, tastings.teaId), eq(teaFits.state, 'inUse')))
    .leftJoin(lots, eq(lots.id, tastings.lotId))
    .innerJoin(versions, eq(versions.id, tastings.versionId))
    .innerJoin(people, eq(people.id, tastings.setBy))
    .$dynamic();
export type Found = Awaited<ReturnType<typeof rows>>[number];

/** What everybody may see of a tasting. */
export const commonOf = ({ t, tea, fit, lot, setBy }: Found) => ({
  id: t.id,
  siteId: t.siteId,
  tea: { ...tea, fitted: fittedBy(fit, tea.style) },
  lot,
  lotId: t.lotId,
  compares: t.exercise.compares ?? null,
  lesson: t.lesson,
  kind: t.kind,
  way: t.exercise.way,
  asks: t.exercise.asks,
  stage: t.stage,
  setBy,
  at: t.at.getTime(),
});

export async function tastingById(tx: Tx, id: string): Promise<Found | undefined> {
  const [found] = await rows(tx).where(eq(tastings.id, id));
  if (!found) return undefined;
  const recipe = (await recipesAsBrewed(tx))(found.version.recipe, found.weighing ?? null);
  return { ...found, version: { ...found.version, recipe } };
}
/** Taken before anything is done at a table, so that its events have one order. */
export const lockTasting = async (tx: Tx, id: string): Promise<void> =>
  void (await tx
    .select({ id: tastings.id })
    .from(tastings)
    .where(eq(tastings.id, id))
    .for('update'));
export const eventsAt = async (tx: Tx, id: string): Promise<TastingEvent[]> =>
  (
    await tx
      .select({
        e: tastingEvents,
        person: { id: people.id, name: people.name },
        guest: { id: tastingGuests.id, name: tastingGuests.name },
      })
      .from(tastingEvents)
      .innerJoin(people, eq(people.id, tastingEvents.personId))
      .leftJoin(tastingGuests, eq(tastingGuests.id, tastingEvents.guestId))
      .where(eq(tastingEvents.tastingId, id))
      .orderBy(asc(tastingEvents.seq))
  ).map(({ e, person, guest }) => ({
    ...{ id: e.id, at: e.at.getTime(), act: e.act },
    by: guest ?? person,
  }));

/** Who of the house tastes, and whose sheet is in. */
export const seatTasters = async (tx: Tx, tastingId: string, now: Tasting): Promise<void> => {
  const seats = now.tasters
    .filter(({ guest }) => guest === undefined)
    .map(({ id: personId, handedIn }) => ({
      ...{ tastingId, personId, submitted: handedIn !== null },
    }));
  if (seats.length === 0) return;
  await tx
    .insert(tastingSeats)
    .values(seats)
    .onDuplicateKeyUpdate({ set: { submitted: sql`values(${tastingSeats.submitted})` } });
};

/** The round that goes on from one; one that was stopped does not count. */
export const roundAfter = async (tx: Tx, id: string): Promise<string | null> =>
  (
    await tx
      .select({ id: tastings.id })
      .from(tastings)
      .where(and(eq(tastings.afterId, id), ne(tastings.stage, 'stopped')))
  )[0]?.id ?? null;

export async function tastingsAt(
  tx: Tx,
  siteId: string,
  who: Pick<Signed, 'personId'>,
): Promise<TastingRow[]> {
  const found = await rows(tx)
    .where(eq(tastings.siteId, siteId))
    .orderBy(desc(tastings.at))
    .limit(LISTED);
  const open = found.filter((f) => f.t.stage !== 'revealed' && f.t.stage !== 'stopped');
  const owed = new Map(
    await Promise.all(
      open.map(
        async (f) =>
          [
            f.t.id,
            missing(foldTasting(f.t.exercise, await eventsAt(tx, f.t.id))).some(
              (t) => t.id === who.personId,
            ),
          ] as const,
      ),
    ),
  );
  const byId = new Map(found.map((f) => [f.t.id, f.t]));
  const followed = new Set(
    found.flatMap((f) => (f.t.afterId && f.t.stage !== 'stopped' ? [f.t.afterId] : [])),
  );
  const roundNumber = (t: Found['t']): number => {
    let n = 1;
    for (let a = t.afterId; a !== null && n < MOST_ROUNDS; a = byId.get(a)?.afterId ?? null) n++;
    return n;
  };
  const seated = (e: Exercise) => e.tasters.some((t) => t.id === who.personId);
  return found.map((f) => ({
    ...commonOf(f),
    tasters: f.t.exercise.tasters.filter((x) => x.guest !== 'free').length,
    handedIn: f.t.handedIn,
    mine: seated(f.t.exercise),
    owed: owed.get(f.t.id) ?? false,
    round: f.t.kind === 'dialIn' ? roundNumber(f.t) : null,
    superseded: followed.has(f.t.id),
  }));
}

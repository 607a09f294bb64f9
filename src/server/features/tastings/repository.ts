import { createHash } from 'node:crypto';
import { and, asc, desc, eq, ne, sql } from 'drizzle-orm';
import { fittedBy } from '#core/fitting';
import {
  type Exercise,
  foldTasting,
  missing,
  roundOf,
  type Tasting,
  type TastingEvent,
} from '#core/tastings';
import type { OpenTasting, PastRound, TastingRow, TastingView } from '#contracts/tastings';
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
const MOST_ROUNDS = 12;

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

export const runsIt = (f: Pick<Found, 'setBy'>, who: Pick<Signed, 'personId' | 'role'>): boolean =>
  f.setBy.id === who.personId || who.role === 'lead';
const commonOf = ({ t, tea, fit, lot, setBy }: Found) => ({
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

/** How guests come in; null where no seat is for one. */
const guestsOf = ({ t: { guestCode, guestsUntil } }: Found): OpenTasting['guests'] =>
  guestCode && guestsUntil ? { code: guestCode, until: guestsUntil.getTime() } : null;

/** Until the reveal nobody reads what another wrote: that it was written is told, and by whom. */
const redactSheets = (events: readonly TastingEvent[], me: string): TastingEvent[] =>
  events.map((e) => {
    if (e.by.id === me) return e;
    if (e.act.kind === 'keep') return { ...e, act: { ...e.act, sheet: { marks: {}, words: [] } } };
    if (e.act.kind === 'handIn') return { ...e, act: { ...e.act, order: null, choice: null } };
    return e;
  });

/** The round that goes on from one; one that was stopped does not count. */
export const roundAfter = async (tx: Tx, id: string): Promise<string | null> =>
  (
    await tx
      .select({ id: tastings.id })
      .from(tastings)
      .where(and(eq(tastings.afterId, id), ne(tastings.stage, 'stopped')))
  )[0]?.id ?? null;

const outOf = (t: Tasting, code: string): boolean =>
  (t.cups[t.cupOf[code] ?? -1]?.excluded ?? null) !== null;

/** A tasting as somebody may see it. */
export async function viewFor(
  tx: Tx,
  f: Found,
  events: readonly TastingEvent[],
  who: Pick<Signed, 'personId' | 'role'>,
): Promise<TastingView> {
  const now = foldTasting(f.t.exercise, events);
  const common = { ...commonOf(f), stage: now.stage };
  const over = now.stage === 'revealed';
  const runs = runsIt(f, who);
  if (over && f.t.kind === 'calibration' && who.role !== 'lead')
    return namelessFor(f, events, common, who.personId);
  if (over || runs)
    return {
      ...common,
      sees: 'all',
      runs,
      version: f.version,
      vesselId: f.t.vesselId,
      vessel: f.t.vessel,
      exercise: f.t.exercise,
      rounds: await roundsBefore(tx, f),
      nextId: f.t.kind === 'dialIn' ? await roundAfter(tx, f.t.id) : null,
      guests: runs && !over ? guestsOf(f) : null,
      events: over ? events : redactSheets(events, who.personId),
    } satisfies OpenTasting;
  const me = now.tasters.find((t) => t.id === who.personId);
  const codes = f.t.exercise.servings[who.personId] ?? [];
  return {
    ...common,
    sees: 'own',
    codes,
    out: codes.filter((c) => outOf(now, c)),
    sheets: me?.sheets ?? {},
    order: me?.order ?? null,
    choice: me?.choice ?? null,
    handedIn: me?.handedIn ?? null,
    missing: missing(now).length,
  };
}
/** One taster's sheets as they stood in the end, in the order of the codes, all at one instant. */
function whatOnesWrote(t: Tasting['tasters'][number], at: number): TastingEvent[] {
  const by = { id: t.id, name: 'another' };
  const acts: TastingEvent['act'][] = [
    ...Object.keys(t.sheets)
      .sort()
      .flatMap((code): TastingEvent['act'][] => {
        const sheet = t.sheets[code];
        return sheet ? [{ kind: 'keep', taster: t.id, code, sheet }] : [];
      }),
    ...(t.left === null ? [] : [{ kind: 'leave' as const, taster: t.id, reason: t.left }]),
    ...(t.handedIn === null
      ? []
      : [{ kind: 'handIn' as const, taster: t.id, order: t.order, choice: t.choice }]),
  ];
  return acts.map((act, i) => ({ id: `${t.id}-${i + 1}`, at, by, act }));
}
/**
 * A calibration after its reveal, for one who tasted: the others’ scores are shown to compare with, whose they are is
 * not. Nothing that was seen while it ran tells it either: not the order of names, of bowls or of sheets, no id, no
 * instant.
 */
function namelessFor(
  f: Found,
  events: readonly TastingEvent[],
  common: ReturnType<typeof commonOf>,
  me: string,
): OpenTasting {
  const e = f.t.exercise;
  const now = foldTasting(e, events);
  // Numbered by what they wrote, which nobody saw.
  const drawn = (x: Tasting['tasters'][number]) =>
    createHash('sha256').update(JSON.stringify(x.sheets)).digest('hex');
  const others = new Map(
    now.tasters
      .filter((t) => t.id !== me)
      .map((t) => ({ id: t.id, drawn: drawn(t) }))
      .sort((a, b) => a.drawn.localeCompare(b.drawn))
      .map((t, i) => [t.id, `another-${i + 1}`]),
  );
  const who = <T extends { id: string; name: string }>(t: T): T => {
    const id = others.get(t.id);
    return id ? { ...t, id, name: 'another' } : t;
  };
  /** What was done at the table for all of them, without whose hand it was. */
  const handless = (x: TastingEvent): TastingEvent =>
    others.has(x.by.id) ? { ...x, by: { id: 'another', name: 'another' } } : x;
  const byCode = (a: string, b: string) => a.localeCompare(b);
  const revealed = events.findIndex((x) => x.act.kind === 'reveal');
  const [before, after] = [events.slice(0, revealed), events.slice(revealed)];
  const ofAnother = (x: TastingEvent): boolean => 'taster' in x.act && others.has(x.act.taster);
  const at = events[revealed]?.at ?? f.t.at.getTime();
  const written = now.tasters
    .flatMap((t) => {
      const id = others.get(t.id);
      return id ? [{ ...t, id }] : [];
    })
    .sort((a, b) => byCode(a.id, b.id))
    .flatMap((t) => whatOnesWrote(t, at));
  return {
    ...common,
    sees: 'all',
    runs: false,
    version: f.version,
    vesselId: f.t.vesselId,
    vessel: f.t.vessel,
    rounds: [],
    nextId: null,
    guests: null,
    exercise: {
      ...e,
      tasters: [...e.tasters].map(who).sort((a, b) => byCode(a.id, b.id)),
      servings: Object.fromEntries(
        Object.entries(e.servings).map(([id, codes]) => {
          const another = others.get(id);
          return another ? [another, [...codes].sort(byCode)] : [id, codes];
        }),
      ),
    },
    events: [
      ...before.filter((x) => !ofAnother(x)).map(handless),
      ...written,
      ...after.map(handless),
    ],
  };
}
/** The rounds of a dial-in that led to one, the first first. */
async function roundsBefore(tx: Tx, f: Found): Promise<PastRound[]> {
  const rounds: PastRound[] = [];
  for (let id = f.t.afterId; id !== null && rounds.length < MOST_ROUNDS;) {
    const before = await tastingById(tx, id);
    if (!before) break;
    rounds.unshift({
      id,
      at: before.t.at.getTime(),
      ...roundOf(before.t.exercise, foldTasting(before.t.exercise, await eventsAt(tx, id))),
    });
    id = before.t.afterId;
  }
  return rounds;
}

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

import { and, asc, desc, eq } from 'drizzle-orm';
import type { OpenTasting, TastingRow, TastingView } from '#contracts/tastings';
import { missing, tastingOf, type Exercise, type Tasting, type TastingEvent } from '#core/tasting';
import type { Tx } from '../../db/pool';
import { lots, people, tastingEvents, tastings, teaFits, teas, versions } from '../../db/schema/index';
import type { Signed } from '../../http/route';

const LISTED = 100;

const rows = (tx: Tx) => tx.select({ t: tastings, tea: { id: teas.id, name: teas.name, style: teas.style }, fit: teaFits.fit, lot: lots.name, version: { id: versions.id, number: versions.number, recipe: versions.recipe }, setBy: { id: people.id, name: people.name } })
  .from(tastings).innerJoin(teas, eq(teas.id, tastings.teaId)).leftJoin(teaFits, and(eq(teaFits.teaId, tastings.teaId), eq(teaFits.state, 'inUse'))).leftJoin(lots, eq(lots.id, tastings.lotId)).innerJoin(versions, eq(versions.id, tastings.versionId)).innerJoin(people, eq(people.id, tastings.setBy)).$dynamic();
export type Found = Awaited<ReturnType<typeof rows>>[number];

export const tastingById = async (tx: Tx, id: string): Promise<Found | undefined> => (await rows(tx).where(eq(tastings.id, id)))[0];
/** Taken before anything is done at a table, so that its events have one order. */
export const lockTasting = async (tx: Tx, id: string): Promise<void> => void (await tx.select({ id: tastings.id }).from(tastings).where(eq(tastings.id, id)).for('update'));
export const eventsAt = async (tx: Tx, id: string): Promise<TastingEvent[]> =>
  (await tx.select({ e: tastingEvents, by: { id: people.id, name: people.name } }).from(tastingEvents).innerJoin(people, eq(people.id, tastingEvents.personId)).where(eq(tastingEvents.tastingId, id)).orderBy(asc(tastingEvents.seq)))
    .map(({ e, by }) => ({ id: e.id, at: e.at.getTime(), by, act: e.act }));

export const runsIt = (f: Pick<Found, 'setBy'>, who: Pick<Signed, 'personId' | 'role'>): boolean => f.setBy.id === who.personId || who.role === 'lead';
const commonOf = ({ t, tea, fit, lot, setBy }: Found) => ({ id: t.id, siteId: t.siteId, tea: { ...tea, fitted: fit?.multipliers ?? null }, lot, kind: t.kind, way: t.exercise.way, asks: t.exercise.asks, stage: t.stage, setBy, at: t.at.getTime() });

/** Until the reveal nobody reads what another wrote: that it was written is told, and by whom. */
const veiled = (events: readonly TastingEvent[], me: string): TastingEvent[] => events.map((e) => (e.by.id === me ? e
  : e.act.kind === 'keep' ? { ...e, act: { ...e.act, sheet: { marks: {}, words: [] } } }
    : e.act.kind === 'handIn' ? { ...e, act: { ...e.act, order: null, choice: null } } : e));

/** A tasting as somebody may see it. */
export function viewFor(f: Found, events: readonly TastingEvent[], who: Pick<Signed, 'personId' | 'role'>): TastingView {
  const now = tastingOf(f.t.exercise, events);
  const common = { ...commonOf(f), stage: now.stage };
  const over = now.stage === 'revealed';
  const runs = runsIt(f, who);
  if (over || runs) return { ...common, sees: 'all', runs, version: f.version, vessel: f.t.vessel, exercise: f.t.exercise, events: over ? events : veiled(events, who.personId) } satisfies OpenTasting;
  const me = now.tasters.find((t) => t.id === who.personId);
  const codes = f.t.exercise.servings[who.personId] ?? [];
  return { ...common, sees: 'own', codes, out: codes.filter((c) => outOf(now, c)), sheets: me?.sheets ?? {}, order: me?.order ?? null, choice: me?.choice ?? null, handedIn: me?.handedIn ?? null, missing: missing(now).length };
}
const outOf = (t: Tasting, code: string): boolean => (t.cups[t.cupOf[code] ?? -1]?.excluded ?? null) !== null;

export async function tastingsAt(tx: Tx, siteId: string, who: Pick<Signed, 'personId'>): Promise<TastingRow[]> {
  const found = await rows(tx).where(eq(tastings.siteId, siteId)).orderBy(desc(tastings.at)).limit(LISTED);
  const open = found.filter((f) => f.t.stage !== 'revealed' && f.t.stage !== 'stopped');
  const owed = new Map(await Promise.all(open.map(async (f) => [f.t.id, missing(tastingOf(f.t.exercise, await eventsAt(tx, f.t.id))).some((t) => t.id === who.personId)] as const)));
  const seated = (e: Exercise) => e.tasters.some((t) => t.id === who.personId);
  return found.map((f) => ({ ...commonOf(f), tasters: f.t.exercise.tasters.length, handedIn: f.t.handedIn, mine: seated(f.t.exercise), owed: owed.get(f.t.id) ?? false }));
}

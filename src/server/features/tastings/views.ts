import { createHash } from 'node:crypto';
import { foldTasting, missing, roundOf, type Tasting, type TastingEvent } from '#core/tastings';
import type { OpenTasting, PastRound, TastingView } from '#contracts/tastings';
import type { Tx } from '../../db/pool';
import type { Signed } from '../../http/route';
import { commonOf, eventsAt, type Found, MOST_ROUNDS, roundAfter, tastingById } from './repository';

export const runsIt = (f: Pick<Found, 'setBy'>, who: Pick<Signed, 'personId' | 'role'>): boolean =>
  f.setBy.id === who.personId || who.role === 'lead';

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

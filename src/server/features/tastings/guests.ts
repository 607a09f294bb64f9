import { and, eq, gt, inArray } from 'drizzle-orm';
import type { z } from 'zod';
import {
  type Exercise,
  foldTasting,
  GUEST_HOUR,
  type Tasting,
  type TastingEvent,
  withGuest,
} from '#core/tastings';
import type { addGuestEvent, GuestAct, GuestSheet, joinAsGuest } from '#contracts/guests';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { tastingGuests, tastings } from '../../db/schema';
import type { Deps } from '../../deps';
import { instantOf } from '../../http/clocks';
import { AppError } from '../../http/errors';
import { appendEvents, type LiveHub, notifyingTransaction } from '../live';
import { countTry, forgetMisses, guestKey, newToken, spokenCode, tokenHash } from '../people';
import { allTeas, vocabularyOf } from '../teas';
import { eventsAt, type Found, lockTasting, tastingById } from './repository';
import { writeAct } from './writeAct';

// Guests at a table: a name and a seat, by a code, for an hour. No account, and nothing else of the house.

const LENGTH = 6;
export const newGuestCode = (): string => spokenCode(LENGTH);
/** A code from now on, and until when. */
export const guestHour = (now: number) => ({
  guestCode: newGuestCode(),
  guestsUntil: new Date(now + GUEST_HOUR * 1000),
});

const wrongCode = () =>
  new AppError(
    'guest.code',
    404,
    'No table has this code now. Read the code again. A code is good for one hour.',
  );
const over = () =>
  new AppError(
    'guest.over',
    403,
    'The hour for guests is over. Your marks are kept. Ask at the table for another hour.',
  );

/** The other teas of a comparison, by the names their cups have. */
const namesIn = ({ cups }: Exercise): string[] =>
  cups.flatMap(({ plan: { made } }) => (made?.of === 'tea' ? [made.name] : []));
/** What to ask a guest before the first spoon: allergens of every tea on the table, and milk. */
async function allergensAt(tx: Tx, { t, tea }: Found): Promise<string> {
  const names = new Set([tea.name, ...namesIn(t.exercise)]);
  const teas = (await allTeas(tx)).filter((other) => names.has(other.name));
  const milk = t.exercise.cups.some(({ plan: { made } }) => made?.of === 'milk');
  const all = [...teas.map(({ allergens }) => allergens), milk ? 'milk' : ''];
  return [...new Set(all.filter(Boolean))].join(', ');
}

type Seat = { readonly id: string; readonly name: string };
/** A guest's own sheet as the table stands. */
async function sheetOf(tx: Tx, f: Found, now: Tasting, seat: Seat): Promise<GuestSheet> {
  const { exercise, guestsUntil } = f.t;
  const me = now.tasters.find((x) => x.id === seat.id);
  const codes = exercise.servings[seat.id] ?? [];
  return {
    ...{ tastingId: f.t.id, seat, until: guestsUntil?.getTime() ?? 0, stage: now.stage },
    ...{ tea: { name: f.tea.name }, kind: f.t.kind, way: exercise.way, asks: exercise.asks },
    ...{ compares: exercise.compares ?? null, codes },
    out: codes.filter((code) => (now.cups[now.cupOf[code] ?? -1]?.excluded ?? null) !== null),
    ...{ sheets: me?.sheets ?? {}, order: me?.order ?? null, choice: me?.choice ?? null },
    handedIn: me?.handedIn ?? null,
    words: await vocabularyOf(tx),
    allergens: await allergensAt(tx, f),
  };
}

/** Where a table still takes guests in. */
const OPEN_STAGES = ['set', 'running', 'tasting'] as const;
const tableOf = async (tx: Tx, code: string, now: number): Promise<string | undefined> =>
  (
    await tx
      .select({ id: tastings.id })
      .from(tastings)
      .where(
        and(
          ...[eq(tastings.guestCode, code), gt(tastings.guestsUntil, new Date(now))],
          inArray(tastings.stage, [...OPEN_STAGES]),
        ),
      )
  )[0]?.id;

/** Takes the first free seat under a name that nobody at the table has. */
function sitDown(now: Tasting, name: string): Seat {
  const free = now.tasters.find((x) => x.guest === 'free' && x.handedIn === null);
  if (!free)
    throw new AppError('guest.full', 409, 'Every seat for guests is taken. Ask at the table.');
  const taken = now.tasters.some((x) => x.name.toLowerCase() === name.toLowerCase());
  if (taken)
    throw new AppError('input.invalid', 422, 'Somebody at this table has that name.', {
      fields: { name: 'Somebody at this table has that name. Add a letter.' },
    });
  return { id: free.id, name };
}

/** A guest writes no sheet but their own. */
const asTaster = (act: GuestAct, { id: taster }: Seat): TastingEvent['act'] => ({
  ...act,
  taster,
});

export function createGuestService({ db, now }: Deps, live: Pick<LiveHub, 'nudge'>) {
  const siteOf = (answer: { siteId: string }) => answer.siteId;
  /** Whose pass it is, and their table; after the hour it opens nothing. */
  async function seatOf(tx: Tx, pass: string): Promise<{ seat: Seat; found: Found }> {
    const [row] = await tx
      .select()
      .from(tastingGuests)
      .where(eq(tastingGuests.passHash, tokenHash(pass)));
    const found = row && (await tastingById(tx, row.tastingId));
    if (!row || !found) throw wrongCode();
    if ((found.t.guestsUntil?.getTime() ?? 0) <= now()) throw over();
    return { seat: { id: row.id, name: row.name }, found };
  }
  const foldedAt = async (tx: Tx, f: Found): Promise<Tasting> =>
    foldTasting(f.t.exercise, await eventsAt(tx, f.t.id));

  return {
    async join({ code, name }: z.output<typeof joinAsGuest.body>, address: string) {
      const subject = guestKey(address);
      const { wait } = await inTransaction(db, (tx) => countTry(tx, [subject], now()));
      if (wait > 0)
        throw new AppError('signin.wait', 429, `Too many codes were tried. Wait ${wait} s.`, {
          details: { wait },
        });
      const pass = newToken();
      const { sheet } = await notifyingTransaction(db, live)(siteOf, async (tx) => {
        const id = await tableOf(tx, code, now());
        if (id === undefined) throw wrongCode();
        await lockTasting(tx, id);
        const f = await tastingById(tx, id);
        if (!f) throw wrongCode();
        const seat = sitDown(await foldedAt(tx, f), name);
        const exercise = withGuest(f.t.exercise, seat.id, name);
        await tx.insert(tastingGuests).values({
          ...{ id: seat.id, tastingId: id, name, passHash: tokenHash(pass), at: new Date(now()) },
        });
        await tx.update(tastings).set({ exercise }).where(eq(tastings.id, id));
        await forgetMisses(tx, [subject]);
        await appendEvents(tx, f.t.siteId, [['table', id]], now());
        const seated = { ...f, t: { ...f.t, exercise } };
        return {
          sheet: await sheetOf(tx, seated, await foldedAt(tx, seated), seat),
          siteId: f.t.siteId,
        };
      });
      return { pass, sheet };
    },
    async sheet(pass: string): Promise<GuestSheet> {
      const { seat, found } = await seatOf(db, pass);
      return sheetOf(db, found, await foldedAt(db, found), seat);
    },
    async event(
      pass: string,
      { id, at, act }: z.output<typeof addGuestEvent.body>,
    ): Promise<GuestSheet> {
      const { sheet } = await notifyingTransaction(db, live)(siteOf, async (tx) => {
        const { seat, found } = await seatOf(tx, pass);
        await lockTasting(tx, found.t.id);
        const events = await writeAct(tx, found, {
          ...{ id, at: instantOf(at, now()), act: asTaster(act, seat), received: now() },
          ...{ by: seat, runs: false, guestId: seat.id },
        });
        const after = foldTasting(found.t.exercise, events);
        return { sheet: await sheetOf(tx, found, after, seat), siteId: found.t.siteId };
      });
      return sheet;
    },
  };
}

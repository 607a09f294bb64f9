import { randomBytes } from 'node:crypto';
import { and, eq, isNull } from 'drizzle-orm';
import type { z } from 'zod';
import {
  calendarOf,
  CANCELLED_SAID_MS,
  filterEntry,
  keptUntil,
  nowOf,
  type SaidEntry,
  saidNow,
  USUAL_HOUSE_LIMITS,
} from '#core/cold';
import { epochMs } from '#core/units';
import { filterDue } from '#core/water';
import type { Calendar, renewCalendar } from '#contracts/calendar';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { calendarTokens } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { batchesAt, coldPlanOf, fridgeAirSince } from '../batches';
import { inRecordedTransaction } from '../history';
import { lockSite, siteById, tokenHash } from '../people';
import { allTeas } from '../teas';
import { allVessels } from '../vessels';
import { currentToken, keepSaid, saidEntries, tokenByHash, tokenById } from './repository';

/** 160 random bits: nobody guesses an address. */
const TOKEN_BYTES = 20;

/** The calendar of a site: its secret address, and what it says. */
export function createCalendarService(deps: Deps) {
  const { db, now } = deps;
  const calendar = async (tx: Tx, siteId: string): Promise<Calendar> => {
    const token = await currentToken(tx, siteId);
    return { made: token ? token.made.getTime() : null, by: token?.by ?? null };
  };
  return {
    calendar: (siteId: string) => calendar(db, siteId),
    /** A new address; the one before it ends at once. */
    renew: ({ id, siteId }: z.infer<typeof renewCalendar.body>, who: Signed) =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        mustWorkAt(who, siteId);
        await lockSite(tx, siteId);
        if (await tokenById(tx, id)) return { ...(await calendar(tx, siteId)), path: null };
        const token = randomBytes(TOKEN_BYTES).toString('base64url');
        await tx
          .update(calendarTokens)
          .set({ ended: new Date(now()) })
          .where(and(eq(calendarTokens.siteId, siteId), isNull(calendarTokens.ended)));
        await tx.insert(calendarTokens).values({
          id,
          siteId,
          hash: tokenHash(token),
          made: new Date(now()),
          madeBy: who.personId,
        });
        await record({
          thing: 'site',
          id: siteId,
          before: {},
          after: { calendar: 'new address' },
        });
        return { ...(await calendar(tx, siteId)), path: `/calendar/${token}.ics` };
      }),
    /** What the calendar of this address says. @throws where the address ended, or never was. */
    async read(token: string): Promise<{ site: string; entries: SaidEntry[] }> {
      const known = await tokenByHash(db, tokenHash(token));
      if (!known) throw notFound('That calendar');
      if (known.ended)
        throw new AppError(
          'calendar.ended',
          410,
          'This calendar address has ended. Ask a lead for the new one.',
        );
      return inTransaction(db, (tx) => said(tx, known.siteId, now()));
    },
  };
}

async function said(tx: Tx, siteId: string, now: number) {
  await lockSite(tx, siteId);
  const site = await siteById(tx, siteId);
  if (!site) throw notFound('That site');
  const since = now - CANCELLED_SAID_MS;
  const air = await fridgeAirSince(tx, siteId, since);
  const limits = site.limits ?? USUAL_HOUSE_LIMITS;
  const batches = (await batchesAt(tx, siteId, since)).map((b) => {
    const state = nowOf(b);
    return { ...b, now: state, discardAt: keptUntil(b, state, air, limits).discardAt };
  });
  const before = await saidEntries(tx, siteId);
  const planned = await plannedAt(tx, siteId, now);
  const due = filterDue(site.water);
  const entries = saidNow(
    [
      ...calendarOf(batches, planned, new Set(before.map((e) => e.uid))),
      ...(due ? [filterEntry({ id: siteId, zone: site.hours?.zone ?? 'UTC', due })] : []),
    ],
    before,
    epochMs(now),
  );
  await keepSaid(tx, siteId, before, entries);
  return { site: site.name, entries };
}
/** Batches that are still to be begun. */
async function plannedAt(tx: Tx, siteId: string, now: number) {
  const plan = await coldPlanOf(tx, siteId);
  const toCome = plan.batches.filter((b) => b.lift > now);
  if (toCome.length === 0) return [];
  const teas = new Map((await allTeas(tx)).map((t) => [t.id, t.name]));
  const vessels = new Map((await allVessels(tx)).map((v) => [v.id, v.name]));
  return toCome.map((b) => ({
    id: b.id,
    tea: { name: teas.get(b.teaId) ?? 'tea' },
    vesselName: vessels.get(b.vesselId) ?? 'vessel',
    start: epochMs(b.start),
    lift: epochMs(b.lift),
  }));
}

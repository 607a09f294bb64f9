import { randomBytes } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { z } from 'zod';
import { fittedBy } from '#core/fitting';
import { seeded } from '#core/numeric';
import {
  EXERCISES,
  foldTasting,
  guestSeats,
  setUp,
  type Stage,
  type TastingEvent,
} from '#core/tastings';
import type { setUpTasting, TastingEventBody, TastingView } from '#contracts/tastings';
import { vesselFactsOf } from '#contracts/vesselFacts';
import type { Tx } from '../../db/pool';
import { tastings } from '../../db/schema';
import type { Deps } from '../../deps';
import { instantOf } from '../../http/clocks';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mayRead, mustWorkAt } from '../../http/sites';
import { appendEvents, type LiveHub, notifyingTransaction } from '../live';
import { allPeople, lockSite, siteById } from '../people';
import { lotById, teaById, versionById } from '../teas';
import { vesselById } from '../vessels';
import { guestHour } from './guests';
import {
  eventsAt,
  type Found,
  lockTasting,
  roundAfter,
  seatTasters,
  tastingById,
  tastingsAt,
} from './repository';
import { runsIt, viewFor } from './views';
import { writeAct } from './writeAct';

/** Stages after which nobody comes in. */
const OVER: ReadonlySet<Stage> = new Set(['revealed', 'stopped']);

/** A guest from another site tastes, and sees what tasters see. */
const tastes = (f: Found, who: Signed): boolean =>
  f.t.exercise.tasters.some((t) => t.id === who.personId);

export function createTastingService({ db, now }: Deps, live: Pick<LiveHub, 'nudge'>) {
  const found = async (tx: Tx, id: string): Promise<Found> => {
    const f = await tastingById(tx, id);
    if (!f) throw notFound('That tasting');
    return f;
  };
  return {
    async list(siteId: string, who: Signed) {
      mayRead(who, siteId);
      return { tastings: await tastingsAt(db, siteId, who) };
    },
    async one(id: string, who: Signed): Promise<TastingView> {
      const f = await found(db, id);
      if (!tastes(f, who)) mayRead(who, f.t.siteId);
      return viewFor(db, f, await eventsAt(db, id), who);
    },
    /** One that somebody runs. @throws 403 for anybody else: papers name codes in every order. */
    async mustRun(id: string, who: Signed): Promise<Found> {
      const f = await found(db, id);
      mayRead(who, f.t.siteId);
      if (!runsIt(f, who))
        throw new AppError('table.refused', 403, 'That is for whoever runs this tasting.', {
          details: { why: 'notYours' },
        });
      return f;
    },
    /** What the trainer of a lesson reads. @throws 404 where it is no lesson */
    async trainerSheet(id: string, who: Signed) {
      const f = await this.mustRun(id, who);
      const { lesson } = f.t;
      if (lesson === null) throw notFound('A lesson at that table');
      return {
        ...{ tea: f.tea, version: f.version, setBy: f.setBy, t: { ...f.t, lesson } },
        fitted: fittedBy(f.fit, f.tea.style),
        allergens: (await teaById(db, f.t.teaId))?.allergens ?? '',
      };
    },
    /** Everything of a revealed one. @throws 409 before the reveal; 403 on a calibration's scores by name. */
    async revealed(id: string, who: Signed): Promise<{ found: Found; events: TastingEvent[] }> {
      const f = await found(db, id);
      if (!tastes(f, who)) mayRead(who, f.t.siteId);
      if (f.t.kind === 'calibration' && who.role !== 'lead')
        throw new AppError('session.forbidden', 403, 'Everybody’s scores by name are for a lead.');
      if (f.t.stage !== 'revealed')
        throw new AppError('table.refused', 409, 'It is not revealed yet.', {
          details: { why: 'notRevealed' },
        });
      return { found: f, events: await eventsAt(db, id) };
    },
    /** Draws codes and orders, once: the same id again gets what was drawn the first time. */
    async setUp(given: z.output<typeof setUpTasting.body>, who: Signed): Promise<TastingView> {
      const of = EXERCISES[given.kind];
      if (given.cups.length < of.fewestCups || given.cups.length > of.mostCups)
        throw invalid({
          cups: `${of.label}: ${of.fewestCups === of.mostCups ? `${of.fewestCups}` : `${of.fewestCups} to ${of.mostCups}`} cups.`,
        });
      mustWorkAt(who, given.siteId);
      const there = await tastingById(db, given.id);
      if (there) return viewFor(db, there, await eventsAt(db, given.id), who);
      const [tea, version, vessel, site, people] = await Promise.all([
        teaById(db, given.teaId),
        versionById(db, given.versionId),
        vesselById(db, given.vesselId),
        siteById(db, given.siteId),
        allPeople(db),
      ]);
      if (!tea || !version || version.teaId !== tea.id) throw notFound('That tea');
      if (!vessel) throw notFound('That vessel');
      if (!site) throw notFound('That site');
      if (given.lotId && (await lotById(db, given.lotId))?.teaId !== tea.id)
        throw notFound('That lot');
      const tasters = given.tasterIds.map((id) => people.find((p) => p.id === id && p.active));
      if (tasters.includes(undefined))
        throw invalid({ tasterIds: 'Somebody of these does not work here any more.' });
      if (new Set(given.tasterIds).size < given.tasterIds.length)
        throw invalid({ tasterIds: 'Each taster once.' });
      if (given.tasterIds.length + given.guests === 0) throw invalid({ tasterIds: 'Who tastes?' });
      if (given.guests > 0 && given.kind === 'calibration')
        throw invalid({ guests: 'A calibration is for those who work here.' });
      const exercise = setUp(
        {
          kind: given.kind,
          way: given.way,
          asks: given.asks,
          compares: given.compares,
          lesson: given.lesson,
          cups: given.cups,
          tasters: [
            ...tasters.flatMap((t) => (t ? [{ id: t.id, name: t.name }] : [])),
            ...guestSeats(Array.from({ length: given.guests }, () => v7())),
          ],
        },
        seeded(randomBytes(4).readUInt32LE()),
      );
      const before = given.afterId === null ? null : await tastingById(db, given.afterId);
      if (
        given.afterId !== null &&
        (!before ||
          before.t.kind !== 'dialIn' ||
          given.kind !== 'dialIn' ||
          before.t.teaId !== tea.id ||
          before.t.stage !== 'revealed')
      )
        throw new AppError(
          'table.refused',
          409,
          'A next round follows one of the same dial-in that was revealed.',
          { details: { why: 'notRevealed' } },
        );
      await notifyingTransaction(db, live)(
        () => site.id,
        async (tx) => {
          await lockSite(tx, site.id);
          if (await tastingById(tx, given.id)) return;
          if (given.afterId !== null) {
            // Two hands on the next round: the first one's stands.
            await lockTasting(tx, given.afterId);
            const other = await roundAfter(tx, given.afterId);
            if (other !== null)
              throw new AppError('table.refused', 409, 'The next round was set up already.', {
                details: { why: 'roundThere', id: other },
              });
          }
          await tx.insert(tastings).values({
            id: given.id,
            siteId: site.id,
            teaId: tea.id,
            lotId: given.lotId,
            versionId: version.id,
            kind: given.kind,
            lesson: given.lesson ?? null,
            afterId: given.afterId,
            exercise,
            vesselId: vessel.id,
            vessel: vesselFactsOf(vessel),
            stage: 'set',
            handedIn: 0,
            setBy: who.personId,
            at: new Date(instantOf(given.at, now())),
            ...(given.guests > 0 && guestHour(now())),
          });
          await seatTasters(tx, given.id, foldTasting(exercise, []));
          await appendEvents(tx, site.id, [['table', given.id]], now());
        },
      );
      return this.one(given.id, who);
    },
    /** Guests may come in for an hour from now, by a new code; those who sit there write on. */
    async openForGuests(id: string, who: Signed): Promise<TastingView> {
      await this.mustRun(id, who);
      await notifyingTransaction(db, live)(
        (siteId: string) => siteId,
        async (tx) => {
          await lockTasting(tx, id);
          const { t } = await found(tx, id);
          if (t.guestCode === null || OVER.has(t.stage))
            throw new AppError('table.refused', 409, 'This table has no seats for guests now.', {
              details: { why: 'over' },
            });
          await tx.update(tastings).set(guestHour(now())).where(eq(tastings.id, id));
          await appendEvents(tx, t.siteId, [['table', id]], now());
          return t.siteId;
        },
      );
      return this.one(id, who);
    },
    /** One thing done at the table: allowed or refused by what has happened so far, under its lock. */
    async event(
      id: string,
      { id: eventId, at, act }: TastingEventBody,
      who: Signed,
    ): Promise<TastingView> {
      const siteOf = (answer: { siteId: string }) => answer.siteId;
      const answer = await notifyingTransaction(db, live)(siteOf, async (tx) => {
        const f = await found(tx, id);
        if (!tastes(f, who)) mustWorkAt(who, f.t.siteId);
        await lockTasting(tx, id);
        const events = await writeAct(tx, f, {
          ...{ id: eventId, at: instantOf(at, now()), act, received: now() },
          by: { id: who.personId, name: who.name },
          runs: runsIt(f, who),
          guestId: null,
        });
        return { view: await viewFor(tx, f, events, who), siteId: f.t.siteId };
      });
      return answer.view;
    },
  };
}

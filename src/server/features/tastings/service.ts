import { randomBytes } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { z } from 'zod';
import { fittedBy } from '#core/fitting';
import { seeded } from '#core/numeric';
import {
  type Exercise,
  EXERCISES,
  foldTasting,
  missing,
  type Refusal,
  setUp,
  type TastingAct,
  type TastingEvent,
  validateAct,
} from '#core/tastings';
import type { setUpTasting, TastingEventBody, TastingView } from '#contracts/tastings';
import { vesselFactsOf } from '#contracts/vesselFacts';
import type { Tx } from '../../db/pool';
import { tastingEvents, tastings } from '../../db/schema';
import type { Deps } from '../../deps';
import { instantOf } from '../../http/clocks';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mayRead, mustWorkAt } from '../../http/sites';
import { appendEvents, type LiveHub, notifyingTransaction } from '../live';
import { allPeople, lockSite, siteById } from '../people';
import { lotById, teaById, versionById } from '../teas';
import { vesselById } from '../vessels';
import {
  eventsAt,
  type Found,
  lockTasting,
  roundAfter,
  runsIt,
  seatTasters,
  tastingById,
  tastingsAt,
  viewFor,
} from './repository';

function words(
  why: Refusal,
  act: TastingAct,
  e: Exercise,
  events: readonly TastingEvent[],
): string {
  const now = foldTasting(e, events);
  const name =
    'taster' in act ? (now.tasters.find((t) => t.id === act.taster)?.name ?? 'That taster') : '';
  switch (why) {
    case 'over':
      return now.stage === 'revealed'
        ? 'It is revealed: nothing is changed after that.'
        : 'This tasting was stopped.';
    case 'notStarted':
      return 'The water is not on yet.';
    case 'alreadyStarted':
      return `${events.find((x) => x.act.kind === 'start')?.by.name ?? 'Somebody'} started the clock before you.`;
    case 'noSuchCup':
      return 'There is no such cup.';
    case 'noSuchTaster':
      return 'That person does not taste here.';
    case 'noSuchCode':
      return 'No bowl of yours has that code.';
    case 'notYours':
      return 'That is for whoever runs this tasting.';
    case 'alreadyHandedIn':
      return `${name} has submitted a sheet. The first sheet is kept.`;
    case 'anothersSheet':
      return `${name} wrote this sheet. Only ${name} can change it.`;
    case 'notPulled':
      return 'It is not poured off yet.';
    case 'notPoured':
      return 'There is no water on that cup yet.';
    case 'alreadyPulled':
      return 'It is poured off already.';
    case 'sheetsMissing':
      return `Still missing: ${missing(now)
        .map((t) => t.name)
        .join(', ')}.`;
    case 'orderIncomplete':
      return 'Put every cup in its place first.';
    case 'choiceMissing':
      return 'Choose one of your bowls first.';
    case 'nothingHandedIn':
      return 'Nobody has submitted a sheet: there is nothing to reveal.';
    case 'cannotUndo':
      return 'That cannot be taken back.';
  }
}

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
      const exercise = setUp(
        {
          kind: given.kind,
          way: given.way,
          asks: given.asks,
          compares: given.compares,
          lesson: given.lesson,
          cups: given.cups,
          tasters: tasters.flatMap((t) => (t ? [{ id: t.id, name: t.name }] : [])),
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
          });
          await seatTasters(tx, given.id, foldTasting(exercise, []));
          await appendEvents(tx, site.id, [['table', given.id]], now());
        },
      );
      return this.one(given.id, who);
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
        const events = await eventsAt(tx, id);
        if (events.some((e) => e.id === eventId))
          return { view: await viewFor(tx, f, events, who), siteId: f.t.siteId };
        const why = validateAct(f.t.exercise, events, act, {
          id: who.personId,
          runs: runsIt(f, who),
        });
        if (why)
          throw new AppError(
            'table.refused',
            why === 'notYours' ? 403 : 409,
            words(why, act, f.t.exercise, events),
            { details: { why } },
          );
        const made: TastingEvent = {
          id: eventId,
          at: instantOf(at, now()),
          by: { id: who.personId, name: who.name },
          act,
        };
        await tx.insert(tastingEvents).values({
          id: eventId,
          tastingId: id,
          seq: events.length + 1,
          at: new Date(made.at),
          received: new Date(now()),
          personId: who.personId,
          act,
        });
        const after = foldTasting(f.t.exercise, [...events, made]);
        await tx
          .update(tastings)
          .set({
            stage: after.stage,
            handedIn: after.tasters.filter((t) => t.handedIn !== null).length,
          })
          .where(eq(tastings.id, id));
        if (act.kind === 'handIn') await seatTasters(tx, id, after);
        await appendEvents(tx, f.t.siteId, [['table', id]], now());
        return { view: await viewFor(tx, f, [...events, made], who), siteId: f.t.siteId };
      });
      return answer.view;
    },
  };
}

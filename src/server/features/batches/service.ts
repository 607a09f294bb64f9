import { eq } from 'drizzle-orm';
import type { z } from 'zod';
import { type HouseLimits, isStanding, nowOf, USUAL_HOUSE_LIMITS } from '#core/cold';
import { USUAL_REGION } from '#core/time';
import { epochMs } from '#core/units';
import type { Batch, Cold, RecordTaken, startBatch, takeColdRecord } from '#contracts/batches';
import type { BatchEventBody } from '#contracts/batchEvents';
import type {
  addFridgeReading,
  answerFridgeGap,
  FridgeGap,
  FridgeReading,
  ReadingsTaken,
  takeFridgeReadings,
} from '#contracts/fridge';
import { atOneMoment } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { batches, batchEvents, fridgeGaps, fridgeReadings } from '../../db/schema';
import type { Deps } from '../../deps';
import { instantOf } from '../../http/clocks';
import { invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mayRead, mustWorkAt } from '../../http/sites';
import { changesOf, inRecordedTransaction } from '../history';
import { appendEvents, type LiveHub, notifyingTransaction } from '../live';
import { lockSite, siteById } from '../people';
import { addBatchOf, freshOf } from './addBatch';
import {
  faultOf,
  mustNotBeAhead,
  placeAfter,
  plannedBatch,
  READINGS_SHOWN,
  refused,
} from './checks';
import { tellLead } from './leadNotes';
import { readingsIn } from './readingsIn';
import { recordIn } from './recordIn';
import {
  addReadings,
  batchById,
  batchesAt,
  batchesBegun,
  eventById,
  fridgeAirSince,
  gapById,
  readingById,
} from './repository';

const DAY_MS = 86_400_000;
/** So many faults of a file are said at once. */
const FAULTS_SHOWN = 20;
/** What ended is shown so long. */
const ENDED_SHOWN = 3 * DAY_MS;

/** Cold batches: what stands, leaf in, what is done to each; every write tells the pages of the site. */
export function createBatchService(deps: Deps, live: Pick<LiveHub, 'nudge'>) {
  const { db, now } = deps;
  const write = notifyingTransaction(db, live);
  const requireBatch = async (tx: Tx, id: string): Promise<Batch> => {
    const batch = await batchById(tx, id);
    if (!batch) throw notFound('That batch');
    return batch;
  };

  return {
    /** Read at one moment: a batch without what was just done to it, beside the event, would be wrong. */
    cold: (siteId: string): Promise<Cold> =>
      atOneMoment(db, async (tx) => ({
        now: now(),
        batches: await batchesAt(tx, siteId, now() - ENDED_SHOWN),
        ...(await fridgeAirSince(tx, siteId, now() - READINGS_SHOWN)),
      })),
    async one(id: string, who: Signed): Promise<Batch> {
      const batch = await requireBatch(db, id);
      mayRead(who, batch.siteId);
      return batch;
    },
    /** A period as an inspection looks at it; readings of the day before, which the first batches rest on, too. */
    async period(siteId: string, from: number, to: number) {
      const site = await siteById(db, siteId);
      if (!site) throw notFound('That site');
      return {
        site: site.name,
        limits: site.limits ?? USUAL_HOUSE_LIMITS,
        code: site.safety,
        limitChanges: await limitChanges(db, siteId),
        from,
        to,
        batches: await batchesBegun(db, siteId, from, to),
        ...(await fridgeAirSince(db, siteId, from - DAY_MS)),
      };
    },
    /** What a label of the site rests on: its limits, and how dates are written there. */
    place: async (siteId: string) => {
      const site = await siteById(db, siteId);
      return {
        limits: site?.limits ?? USUAL_HOUSE_LIMITS,
        region: site?.region ?? USUAL_REGION,
      };
    },
    air: (siteId: string) => fridgeAirSince(db, siteId, now() - READINGS_SHOWN),

    start: (given: z.infer<typeof startBatch.body>, who: Signed): Promise<Batch> =>
      write(
        () => given.siteId,
        async (tx) => {
          mustWorkAt(who, given.siteId);
          await lockSite(tx, given.siteId);
          const there = await batchById(tx, given.id);
          if (there) return there;
          mustNotBeAhead(given.at, now());
          const made = await plannedBatch(tx, given, now());
          await tx.insert(batches).values({
            ...made,
            id: given.id,
            siteId: given.siteId,
            leafIn: new Date(instantOf(given.at, now())),
            startedBy: who.personId,
            standing: true,
          });
          await appendEvents(tx, given.siteId, [['batch', given.id]], now());
          return requireBatch(tx, given.id);
        },
      ),

    async event(id: string, given: BatchEventBody, who: Signed): Promise<Batch> {
      const { siteId } = await requireBatch(db, id);
      mustWorkAt(who, siteId);
      return write(
        () => siteId,
        async (tx) => {
          await lockSite(tx, siteId);
          const known = await eventById(tx, given.id);
          if (known && known.batchId !== id)
            throw refused('This record belongs to another batch. Nothing was changed.', 'idTaken');
          if (known) return requireBatch(tx, id);
          mustNotBeAhead(given.at, now());
          const batch = await requireBatch(tx, id);
          const flag = await faultOf(tx, batch, given, who, now());
          await tx.insert(batchEvents).values({
            id: given.id,
            batchId: id,
            at: new Date(instantOf(given.at, now())),
            received: new Date(now()),
            personId: who.personId,
            body: given,
            flag,
          });
          await tellLead(tx, batch, given, who);
          const { state } = nowOf(await requireBatch(tx, id));
          await tx
            .update(batches)
            .set({
              ...(await placeAfter(tx, batch, given)),
              standing: isStanding(state),
              ended: 'at' in state ? new Date(state.at) : null,
            })
            .where(eq(batches.id, id));
          await appendEvents(tx, siteId, [['batch', id]], now());
          return requireBatch(tx, id);
        },
      );
    },

    read: (given: z.infer<typeof addFridgeReading.body>, who: Signed): Promise<FridgeReading> =>
      write(
        () => given.siteId,
        async (tx) => {
          mustWorkAt(who, given.siteId);
          await lockSite(tx, given.siteId);
          const there = await readingById(tx, given.id);
          if (there) return there;
          mustNotBeAhead(given.at, now());
          await tx.insert(fridgeReadings).values({
            id: given.id,
            siteId: given.siteId,
            at: new Date(instantOf(given.at, now())),
            celsius: given.celsius,
            personId: who.personId,
          });
          await appendEvents(tx, given.siteId, [['batch', given.id]], now());
          const read = await readingById(tx, given.id);
          if (!read) throw notFound('That reading');
          return read;
        },
      ),
    /** Readings of a file, looked at or added. */
    takeReadings: async (
      { siteId, text, confirmed }: z.infer<typeof takeFridgeReadings.body>,
      who: Signed,
    ): Promise<ReadingsTaken> => {
      mustWorkAt(who, siteId);
      // Read before the site is locked: a file may be long.
      const { readings, faults } = readingsIn(text, now());
      return inRecordedTransaction(deps, who, async (tx, record) => {
        await lockSite(tx, siteId);
        const [first, last] = [readings[0]?.at ?? null, readings.at(-1)?.at ?? null];
        const fresh = await freshOf(tx, siteId, readings);
        const isTaken = confirmed && faults.length === 0;
        if (isTaken && fresh.length > 0) {
          await addReadings(tx, siteId, who.personId, fresh);
          const span = [first, last].map((at) => new Date(at ?? 0).toISOString()).join(' to ');
          await record({
            thing: 'site',
            id: siteId,
            before: {},
            after: { readingsAdded: `${fresh.length}, ${span}` },
          });
          await appendEvents(tx, siteId, [['batch', siteId]], now());
        }
        return {
          taken: isTaken,
          fresh: fresh.length,
          known: readings.length - fresh.length,
          from: first === null ? null : epochMs(first),
          to: last === null ? null : epochMs(last),
          faults: faults.slice(0, FAULTS_SHOWN),
          faultCount: faults.length,
        };
      });
    },
    /** A whole record, looked at or added. */
    takeRecord: (
      { siteId, text, confirmed }: z.infer<typeof takeColdRecord.body>,
      who: Signed,
    ): Promise<RecordTaken> => {
      mustWorkAt(who, siteId);
      return inRecordedTransaction(deps, who, async (tx, record) => {
        await lockSite(tx, siteId);
        const found = await recordIn(tx, siteId, text);
        const readings = await freshOf(tx, siteId, found.readings);
        const isTaken = confirmed && found.faults.length === 0;
        if (isTaken && found.fresh.length + readings.length > 0) {
          for (const batch of found.fresh) await addBatchOf(tx, siteId, batch);
          await addReadings(tx, siteId, who.personId, readings);
          await record({
            thing: 'site',
            id: siteId,
            before: {},
            after: { recordAdded: `batches: ${found.fresh.length}, readings: ${readings.length}` },
          });
          await appendEvents(tx, siteId, [['batch', siteId]], now());
        }
        return {
          taken: isTaken,
          batches: found.fresh.length,
          known: found.known,
          standing: found.standing,
          readings: readings.length,
          faults: found.faults.slice(0, FAULTS_SHOWN),
          faultCount: found.faults.length,
        };
      });
    },
    answerGap: (given: z.infer<typeof answerFridgeGap.body>, who: Signed): Promise<FridgeGap> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const { id, siteId, reason } = given;
        mustWorkAt(who, siteId);
        if (given.to <= given.from) throw invalid({ to: 'The stretch ends before it begins.' });
        await lockSite(tx, siteId);
        const there = await gapById(tx, id);
        if (there) return there;
        const [from, to] = [new Date(given.from), new Date(given.to)];
        await tx
          .insert(fridgeGaps)
          .values({ id, siteId, from, to, reason, at: new Date(now()), personId: who.personId });
        await record({
          thing: 'site',
          id: siteId,
          before: {},
          after: { noReading: `${from.toISOString()} to ${to.toISOString()}: ${reason}` },
        });
        await appendEvents(tx, siteId, [['batch', id]], now());
        const gap = await gapById(tx, id);
        if (!gap) throw notFound('That answer');
        return gap;
      }),
  };
}

/** What was typed as the site's limits, and when: the newest first. */
async function limitChanges(tx: Tx, siteId: string) {
  const all = await changesOf(tx, 'site', siteId);
  return all.flatMap(({ at, by, lines }) =>
    lines
      .filter((l) => l.field === 'limits')
      .map((l) => ({ at, by: by.name, limits: (l.after as HouseLimits | null) ?? null })),
  );
}

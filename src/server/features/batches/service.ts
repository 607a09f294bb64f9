import { and, eq } from 'drizzle-orm';
import type { z } from 'zod';
import {
  type BatchAct,
  type BatchEvent,
  fridgeAir,
  type HouseLimits,
  inOneVessel,
  inUseWords,
  isStanding,
  keptUntil,
  nowOf,
  placedAfter,
  planBatch,
  refusalWords,
  refuseAct,
  USUAL_HOUSE_LIMITS,
} from '#core/cold';
import { cardFaultWords, isCold } from '#core/recipes';
import { lotInUse, measureOf } from '#core/teas';
import { epochMs, type Millilitres, volumeText } from '#core/units';
import type {
  addFridgeReading,
  answerFridgeGap,
  Batch,
  BatchEventBody,
  Cold,
  FridgeGap,
  FridgeReading,
  startBatch,
} from '#contracts/batches';
import type { Tx } from '../../db/pool';
import { batches, batchEvents, fridgeGaps, fridgeReadings } from '../../db/schema';
import type { Deps } from '../../deps';
import { instantOf } from '../../http/clocks';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mayRead, mustWorkAt } from '../../http/sites';
import { changesOf, inRecordedTransaction } from '../history';
import { appendEvents, type LiveHub, notifyingTransaction } from '../live';
import { lockSite, siteById } from '../people';
import { lotById, teaById, versionById } from '../teas';
import { vesselById } from '../vessels';
import { tellLead } from './leadNotes';
import {
  batchById,
  batchesAt,
  batchesBegun,
  eventById,
  fridgeAirSince,
  gapById,
  readingById,
  readingsSince,
  standingIn,
} from './repository';

const DAY_MS = 86_400_000;
/** What ended is shown so long; readings are kept in sight as long as a batch may stand. */
const [ENDED_SHOWN, READINGS_SHOWN] = [3 * DAY_MS, 14 * DAY_MS];
/** An act that comes so much later was made without a network: it is taken and flagged, never lost. */
const MADE_OFFLINE = 60_000;

const refused = (words: string, why: string) =>
  new AppError('batch.refused', 409, words, { details: { why } });
/** The clock of a refusal, where the device’s zone is not known. */
const utc = (at: number) => `${new Date(at).toISOString().slice(11, 16)} UTC`;

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
    cold: async (siteId: string): Promise<Cold> => ({
      now: now(),
      batches: await batchesAt(db, siteId, now() - ENDED_SHOWN),
      ...(await fridgeAirSince(db, siteId, now() - READINGS_SHOWN)),
    }),
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
        limitChanges: await limitChanges(db, siteId),
        from,
        to,
        batches: await batchesBegun(db, siteId, from, to),
        ...(await fridgeAirSince(db, siteId, from - DAY_MS)),
      };
    },
    limits: async (siteId: string) => (await siteById(db, siteId))?.limits ?? USUAL_HOUSE_LIMITS,
    air: (siteId: string) => fridgeAirSince(db, siteId, now() - READINGS_SHOWN),

    start: (given: z.infer<typeof startBatch.body>, who: Signed): Promise<Batch> =>
      write(
        () => given.siteId,
        async (tx) => {
          mustWorkAt(who, given.siteId);
          await lockSite(tx, given.siteId);
          const there = await batchById(tx, given.id);
          if (there) return there;
          const made = await planned(tx, given, now());
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
          const after = await requireBatch(tx, id);
          const { state } = nowOf(after);
          await tx
            .update(batches)
            .set({
              ...(await placeAfter(tx, batch, given)),
              standing: isStanding(state),
              ended: 'at' in state ? new Date(state.at) : null,
            })
            .where(eq(batches.id, id));
          await appendEvents(tx, siteId, [['batch', id]], now());
          return after;
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
/** What a batch is begun with: worked out here again from the records. @throws when it cannot be begun. */
async function planned(tx: Tx, given: z.infer<typeof startBatch.body>, now: number) {
  const [tea, version, vessel, site] = [
    await teaById(tx, given.teaId),
    await versionById(tx, given.versionId),
    await vesselById(tx, given.vesselId),
    await siteById(tx, given.siteId),
  ];
  if (!tea || !version || version.teaId !== tea.id || !isCold(version.method))
    throw notFound('That cold recipe');
  if (!site) throw notFound('That site');
  if (!vessel || vessel.retired || vessel.siteId !== site.id) throw notFound('That vessel');
  const limits = site.limits ?? USUAL_HOUSE_LIMITS;
  if (version.method === 'counter' && !limits.counterAllowed)
    throw refused(
      'Counter brews are off in this house. A lead can allow them under House, Limits.',
      'counterOff',
    );
  // Leaf that went in without a network is in: both are kept, and people say which it is.
  const inIt = now - given.at > MADE_OFFLINE ? undefined : await standingIn(tx, vessel.id);
  if (inIt) {
    const volume = (ml: Millilitres) => volumeText(ml, site.volumeUnit);
    const holds = inUseWords(vessel.name, { ...inIt, now: nowOf(inIt) }, volume);
    throw refused(`${holds} Empty the pitcher first.`, 'vesselInUse');
  }
  const lot = given.lotId === null ? lotInUse(tea) : await lotById(tx, given.lotId);
  if (lot === undefined || (lot && lot.teaId !== tea.id)) throw notFound('That lot');
  const readings = await readingsSince(tx, site.id, now - READINGS_SHOWN);
  const batch = planBatch({
    tea: { style: tea.style, fitted: tea.fitted, ...measureOf(tea, lot) },
    recipe: version.recipe,
    method: version.method,
    vessel,
    water: given.water,
    waterAt: given.waterAt,
    air: fridgeAir(readings, epochMs(now)),
    ambient: site.ambient,
    limits,
  });
  if (batch.kind !== 'plan')
    throw new AppError(
      'brew.cannot',
      422,
      `${tea.name} in the ${vessel.name}: ${cardFaultWords(batch)}`,
    );
  return {
    teaId: tea.id,
    lotId: lot?.id ?? null,
    versionId: version.id,
    vesselId: vessel.id,
    plan: batch.plan,
  };
}

/**
 * What is wrong with an act: refused where it is done now, a flag where it was done without a network and cannot be
 * undone by refusing it. Null: nothing.
 * @throws the refusal
 */
async function faultOf(
  tx: Tx,
  batch: Batch,
  given: BatchEventBody,
  who: Signed,
  now: number,
): Promise<string | null> {
  const { id: _id, at, ...act } = given;
  const standing = nowOf(batch);
  const air = await fridgeAirSince(tx, batch.siteId, batch.leafIn - DAY_MS);
  const site = await siteById(tx, batch.siteId);
  const { discardAt, because } = keptUntil(
    batch,
    standing,
    air,
    site?.limits ?? USUAL_HOUSE_LIMITS,
  );
  const found = refuseAct({ ...batch, ...standing }, act as BatchAct, {
    at: epochMs(at),
    now: epochMs(now),
    discardAt,
    because,
    isLead: who.role === 'lead',
  });
  if (found) {
    const words = `${batch.tea.name}: ${refusalWords(found, {
      time: utc,
      volume: (ml) => volumeText(ml, site?.volumeUnit ?? 'ml'),
    })}`;
    const offline = now - at > MADE_OFFLINE && act.kind !== 'undo';
    if (!offline) throw refused(words, found.kind);
    return words;
  }
  if (act.kind === 'undo' && act.of !== batch.id) {
    const [undone] = await tx
      .select({ id: batchEvents.id })
      .from(batchEvents)
      .where(and(eq(batchEvents.id, act.of), eq(batchEvents.batchId, batch.id)));
    if (!undone) throw refused('That cannot be taken back.', 'cannotUndo');
  }
  if (act.kind === 'decant') await refuseDecant(tx, batch, act.to.id, site?.volumeUnit ?? 'ml');
  if (act.kind === 'void') await refuseNoDouble(tx, batch, act.double);
  if (act.kind === 'undo') await refuseFullVessel(tx, batch, standing.state.kind);
  return null;
}
/** Liquor goes into a vessel of this site that is empty. */
async function refuseDecant(
  tx: Tx,
  batch: Batch,
  to: string,
  unit: NonNullable<Awaited<ReturnType<typeof siteById>>>['volumeUnit'],
): Promise<void> {
  const vessel = await vesselById(tx, to);
  if (!vessel || vessel.retired || vessel.siteId !== batch.siteId) throw notFound('That vessel');
  const other = await standingIn(tx, to);
  if (!other) return;
  const holds = inUseWords(vessel.name, { ...other, now: nowOf(other) }, (ml) =>
    volumeText(ml, unit),
  );
  throw refused(`${holds} Empty the vessel first.`, 'vesselInUse');
}
/** Where the batch stands after an event, and since when its leaf was in; as the columns have it. */
async function placeAfter(tx: Tx, batch: Batch, given: BatchEventBody) {
  const undone = given.kind === 'undo' ? batch.events.find((e) => e.id === given.of) : undefined;
  const { leafIn, vesselId } = placedAfter(batch, given as BatchEvent, undone as BatchEvent);
  // Back into its old vessel only where that is still empty.
  if (vesselId !== batch.vesselId && given.kind === 'undo') {
    const other = await standingIn(tx, vesselId);
    if (other) throw refused(`${other.tea.name} is in that vessel now.`, 'vesselInUse');
  }
  return { leafIn: new Date(leafIn), vesselId };
}
/** Only what another standing batch of its pitcher and tea doubles is void. */
async function refuseNoDouble(tx: Tx, batch: Batch, double: string): Promise<void> {
  const other = await batchById(tx, double);
  const started = (b: Batch) => ({ ...b, teaId: b.tea.id });
  if (!other || inOneVessel(started(batch), started(other)) !== 'startedTwice')
    throw refused('These two are not one batch.', 'noDouble');
}
/** What is taken back may put liquor back into a vessel that holds another by now. */
async function refuseFullVessel(tx: Tx, batch: Batch, state: string): Promise<void> {
  if (state === 'infusing' || state === 'drawn') return;
  const other = await standingIn(tx, batch.vesselId);
  if (other && other.id !== batch.id)
    throw refused(`${other.tea.name} is in the ${batch.vesselName} now.`, 'vesselInUse');
}

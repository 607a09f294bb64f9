import { and, eq } from 'drizzle-orm';
import type { z } from 'zod';
import {
  type BatchAct,
  type BatchEvent,
  fridgeAir,
  inOneVessel,
  inUseWords,
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
import { dayAndTime, USUAL_REGION } from '#core/time';
import { epochMs, type Millilitres, volumeText } from '#core/units';
import type { Batch, startBatch } from '#contracts/batches';
import type { BatchEventBody } from '#contracts/batchEvents';
import type { Site } from '#contracts/sites';
import type { Tx } from '../../db/pool';
import { batchEvents } from '../../db/schema';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { siteById } from '../people';
import { lotById, teaById, versionById } from '../teas';
import { brewInVessel, inVessel, inVesselWords, vesselById } from '../vessels';
import { batchById, fridgeAirSince, readingsSince, standingIn } from './repository';

// What may be done to cold batches, looked up in the records: leaf in, and every act after it.

const DAY_MS = 86_400_000;
/** Readings are kept in sight as long as a batch may stand. */
export const READINGS_SHOWN = 14 * DAY_MS;
/** An act that comes so much later was made without a network: it is taken and flagged, never lost. */
const MADE_OFFLINE = 60_000;

export const refused = (words: string, why: string) =>
  new AppError('batch.refused', 409, words, { details: { why } });
/** A device's clock may be ahead of the server's by so much, ms. */
const MOST_AHEAD = 120_000;
/** Elapsed time is what a batch is made of: nothing is kept with a time that has not come. @throws 409 */
export function mustNotBeAhead(at: number, now: number): void {
  if (at <= now + MOST_AHEAD) return;
  const minutes = Math.round((at - now) / 60_000);
  throw new AppError(
    'clock.ahead',
    409,
    `The clock of this device is ${minutes} minutes ahead. Set the clock. The record stays on the device: send the record again then.`,
  );
}
/** The clock of a refusal: the site’s own, as soon as its hours are typed; until then UTC, which it says. */
const clockOf =
  (site: Site | undefined) =>
  (at: number): string => {
    const zone = site?.hours?.zone;
    return zone === undefined
      ? `${new Date(at).toISOString().slice(11, 16)} UTC`
      : dayAndTime({ zone, region: site?.region ?? USUAL_REGION }, epochMs(at));
  };

/** What a batch is begun with: worked out here again from the records. @throws when it cannot be begun. */
export async function plannedBatch(tx: Tx, given: z.infer<typeof startBatch.body>, now: number) {
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
  const brew =
    now - given.at > MADE_OFFLINE ? undefined : await brewInVessel(tx, site.id, vessel.id);
  if (brew) throw refused(inVesselWords(vessel.name, brew), 'vesselInUse');
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
export async function faultOf(
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
      time: clockOf(site),
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
  const brew = await brewInVessel(tx, batch.siteId, to);
  if (brew) throw refused(inVesselWords(vessel.name, brew), 'vesselInUse');
  const other = await standingIn(tx, to);
  if (!other) return;
  const holds = inUseWords(vessel.name, { ...other, now: nowOf(other) }, (ml) =>
    volumeText(ml, unit),
  );
  throw refused(`${holds} Empty the vessel first.`, 'vesselInUse');
}
/** Where the batch stands after an event, and since when its leaf was in; as the columns have it. */
export async function placeAfter(tx: Tx, batch: Batch, given: BatchEventBody) {
  const undone = given.kind === 'undo' ? batch.events.find((e) => e.id === given.of) : undefined;
  const { leafIn, vesselId } = placedAfter(batch, given as BatchEvent, undone as BatchEvent);
  // Back into its old vessel only where that is still empty.
  if (vesselId !== batch.vesselId && given.kind === 'undo') {
    const held = await inVessel(tx, batch.siteId, vesselId);
    if (held) throw refused(`${held.tea} is in that vessel now.`, 'vesselInUse');
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
  const held = await inVessel(tx, batch.siteId, batch.vesselId);
  if (held && held.id !== batch.id)
    throw refused(`${held.tea} is in the ${batch.vesselName} now.`, 'vesselInUse');
}

import { and, eq } from 'drizzle-orm';
import type { z } from 'zod';
import { cardOf, planAgain, planOf } from '#core/brews';
import { houseKettle } from '#core/heat';
import { cardFaultWords, methodFor } from '#core/recipes';
import { lotInUse } from '#core/teas';
import { secondsBetween } from '#core/units';
import { vesselFaults } from '#core/vessels';
import type { Brew, startBrew } from '#contracts/brews';
import type { Site } from '#contracts/sites';
import { vesselFactsOf } from '#contracts/vesselFacts';
import type { Vessel, VesselFields } from '#contracts/vessels';
import type { Tx } from '../../db/pool';
import { brewEvents, brews, orders } from '../../db/schema';
import { instantOf } from '../../http/clocks';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { kettleById } from '../kettles';
import { lockSite, siteById } from '../people';
import { lotById, teaById, versionById } from '../teas';
import { batchInVessel, brewInVessel, inVesselWords, vesselById } from '../vessels';
import { withPockets } from './pocketed';
import { refused } from './refusals';
import { brewById, steepsOf } from './repository';
import { announce, freePlace, requireBrew } from './shared';

/** A start as it is read: what the request left out has its default. */
export type StartRequest = z.infer<typeof startBrew.body>;

/** What waited on a device longer than this is no brew of the bar any more, ms. */
const LONGEST_WAIT = 35 * 86_400_000;
/** A start that comes so much later was made offline, by a book that was right when it was made, ms. */
const MADE_OFFLINE = 600_000;

/** The next steep of leaf that was steeped already: by its last steep. */
async function planNextSteep(tx: Tx, after: string, site: Site, vesselId: string | null) {
  const before = await requireBrew(tx, after);
  const last = (await steepsOf(tx, before.leafId)).at(-1);
  if (
    !('pulled' in before.state) ||
    before.vesselId !== vesselId ||
    before.siteId !== site.id ||
    last?.id !== before.id
  )
    throw refused(before, 'notLast', 'Its leaf has moved on since.');
  const again = planAgain(
    before.plan,
    before.tea.style,
    secondsBetween(before.state.waterOn, before.state.pulled),
  );
  if (!again.plan)
    throw new AppError(
      'brew.spent',
      409,
      `${before.tea.name}: ${again.next.kind === 'spent' ? again.next.why : ''}`,
    );
  return {
    site,
    vesselId,
    method: before.method,
    lotId: before.lot?.id ?? null,
    versionId: before.versionId,
    plan: again.plan,
    kettle: before.kettle,
    leafId: before.leafId,
    teaId: before.tea.id,
  };
}

/** A vessel of the site's shelf with nothing in it. */
async function freeVessel(tx: Tx, id: string, site: Site, isNow: boolean): Promise<Vessel> {
  const vessel = await vesselById(tx, id);
  if (!vessel || vessel.retired || vessel.siteId !== site.id) throw notFound('That vessel');
  const held =
    (await brewInVessel(tx, site.id, vessel.id)) ??
    // Tea that was made without a network is made: both are kept, and people say which it is.
    (isNow ? await batchInVessel(tx, vessel.id) : undefined);
  if (held) throw new AppError('brew.vesselInUse', 409, inVesselWords(vessel.name, held));
  return vessel;
}
/** A kettle of the site, with what its readings say of it. */
async function kettleOf(tx: Tx, id: string, site: Site) {
  const kettle = await kettleById(tx, id);
  if (!kettle || kettle.siteId !== site.id) throw notFound('That kettle');
  return houseKettle(kettle);
}
/** A pot that is not on the shelf, as it was described. @throws when it makes no sense, or none was described */
function potOf(pot: VesselFields | null): VesselFields {
  if (pot === null) throw notFound('That vessel');
  const faults = vesselFaults(pot);
  if (Object.keys(faults).length > 0) throw invalid(faults);
  return pot;
}

/**
 * What a brew is made of: worked out here again from the records, or, for leaf that was steeped already, from its
 * last steep.
 */
async function planBrew(tx: Tx, given: StartRequest, now: number) {
  const [tea, version, site] = [
    await teaById(tx, given.teaId, given.siteId),
    await versionById(tx, given.versionId),
    await siteById(tx, given.siteId),
  ];
  if (!tea || !version || version.teaId !== tea.id) throw notFound('That recipe');
  if (!site) throw notFound('That site');
  const isOfSite = tea.recipes.some((r) => r.site !== null && r.house?.id === version.id);
  const isGone = version.state === 'retired' && !isOfSite;
  if (given.after === null && isGone && given.at > now - MADE_OFFLINE)
    throw new AppError(
      'brew.cannot',
      409,
      `${tea.name}: version ${version.number} is retired. Choose the tea again: the book has a newer version.`,
    );
  const vessel =
    given.vesselId === null
      ? null
      : await freeVessel(tx, given.vesselId, site, given.at > now - MADE_OFFLINE);
  if (given.after !== null) return planNextSteep(tx, given.after, site, given.vesselId);
  const pot = vessel === null ? potOf(given.pot) : vesselFactsOf(vessel);
  const lot = given.lotId === null ? lotInUse(tea) : await lotById(tx, given.lotId);
  if (lot === undefined || (lot && lot.teaId !== tea.id)) throw notFound('That lot');
  const kettle = given.kettleId === null ? null : await kettleOf(tx, given.kettleId, site);
  const { water, warmed, wish, cups, explore, taper } = given;
  const made = { water, warmed, wish, cups, explore, taper, kettle };
  const pour = { tea, lot, version, vessel: pot, site, ...made };
  const card = cardOf(pour);
  if (card.kind !== 'card')
    throw new AppError(
      'brew.cannot',
      422,
      `${tea.name} in the ${pot.name}: ${cardFaultWords(card)}`,
    );
  return {
    site,
    vesselId: given.vesselId,
    method: methodFor(pot),
    lotId: lot?.id ?? null,
    versionId: version.id,
    plan: planOf(card, pour),
    kettle: kettle?.name ?? site.kettle.name,
    leafId: given.id,
    teaId: tea.id,
  };
}

/**
 * Starts a brew, or the next steep of one, in the transaction `tx`. A repeated id gets the same brew.
 * @throws when the bar is full, the vessel in use, or the recipe cannot be brewed in it
 */
export async function startBrewIn(
  tx: Tx,
  given: StartRequest,
  who: Signed,
  now: number,
): Promise<Brew> {
  // Under the lock, so that the same start sent twice at once finds the first one's brew.
  mustWorkAt(who, given.siteId);
  await lockSite(tx, given.siteId);
  const there = await brewById(tx, given.id);
  if (there) return there;
  if (given.at < now - LONGEST_WAIT)
    throw invalid({
      at: 'This brew began more than a month ago. The bar does not take a brew that old.',
    });
  const planned = await planBrew(tx, given, now);
  const { site, vesselId, method, lotId, versionId, kettle, leafId, teaId } = planned;
  const plan =
    given.after === null
      ? await withPockets(tx, { ...planned, siteId: planned.site.id })
      : planned.plan;
  const place = await freePlace(tx, site.id, given.place);
  const at = new Date(instantOf(given.at, now));
  await tx.insert(brews).values({
    id: given.id,
    siteId: site.id,
    teaId,
    lotId,
    vesselId,
    versionId,
    method,
    leafId,
    pairedId: null,
    kettle,
    place,
    plan,
    marks: [],
    readings: [],
    crowded: false,
    correction: 'none',
    state: given.warming ? 'warming' : 'steeping',
    open: true,
    startedAt: at,
    startedBy: who.personId,
    waterOn: given.warming ? null : at,
    verdictKind: 'unjudged',
    remark: '',
  });
  await tx.insert(brewEvents).values({
    id: given.id,
    brewId: given.id,
    kind: 'start',
    at,
    received: new Date(now),
    personId: who.personId,
    body: given,
    undone: false,
  });
  const filled =
    given.orderId === null
      ? 0
      : (
          await tx
            .update(orders)
            .set({ state: 'started', brewId: given.id })
            .where(
              and(
                eq(orders.id, given.orderId),
                eq(orders.siteId, site.id),
                eq(orders.state, 'waiting'),
              ),
            )
        )[0].affectedRows;
  const brew = await requireBrew(tx, given.id);
  await announce(tx, brew, filled > 0, now);
  return brew;
}

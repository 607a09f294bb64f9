import {
  type BatchPlanned,
  fridgeAir,
  isStanding,
  nowOf,
  planBatch,
  simulatedReading,
  USUAL_HOUSE_LIMITS,
} from '#core/cold';
import { measureOf } from '#core/teas';
import { celsius, epochMs, millilitres } from '#core/units';
import type { VesselFields } from '#contracts/vessels';
import * as t from '../db/schema';
import { newToken, tokenHash } from '../features/people';
import { allTeas } from '../features/teas';
import { lift, pastBatches, pour, type Told } from './coldPast';
import { DAY, longAgo, type Making, type Shop } from './making';
import { vessel } from './vessels';

const HOUR = 3_600_000;
type BatchRow = typeof t.batches.$inferInsert;

/** Pitchers beside those of the shelf: what a shop that serves cold needs. */
const PITCHERS: readonly VesselFields[] = [
  vessel({
    name: 'Tall pitcher',
    kind: 'pitcher',
    brim: 1700,
    mark: 1500,
    basket: 420,
    infuser: 'deep',
    material: 'glass',
    lid: true,
  }),
  vessel({
    name: 'Cold jar',
    kind: 'pitcher',
    brim: 1200,
    mark: 1000,
    basket: 300,
    infuser: 'deep',
    material: 'stainless',
    lid: true,
  }),
];

const BATCHES: readonly Told[] = [
  {
    tea: 'Sennet Hollow',
    method: 'fridge',
    vessel: 'Cold pitcher',
    ago: { hours: 20 },
    acts: [
      { after: 'best', what: lift(965) },
      { after: 14.5, what: pour(1) },
      { after: 15.2, what: pour(2) },
    ],
  },
  {
    tea: 'Marrowick Broken',
    method: 'extract',
    vessel: 'Tall pitcher',
    ago: { hours: 26 },
    acts: [
      { after: 'best', what: lift(1390) },
      { after: 20, what: pour(3, 60) },
    ],
  },
  {
    tea: 'Marrowick Broken',
    method: 'fridge',
    vessel: 'Cold jar',
    ago: { shareOfBest: 1.02 },
    acts: [],
  },
  {
    tea: 'Sennet Hollow',
    method: 'fridge',
    vessel: 'Small pitcher',
    ago: { hours: 46 },
    acts: [
      { after: 'best', what: lift() },
      { after: 16, what: pour(2) },
      { after: 30, what: { kind: 'discard', ml: millilitres(60), reason: 'left' } },
    ],
  },
];

/** Readings of the fridge, typed morning and evening; one warm night. */
const READ = [3.8, 4.1, 3.6, 3.9, 4.4, 4.0, 3.7, 6.1, 4.6, 3.9, 3.8, 4.2, 3.7, 3.8];

/** A probe that was added so long ago, how often it sends, and when the door was left open. */
const [PROBED_HOURS, PROBE_EVERY_MINUTES, DOOR_OPEN_AT_HOURS] = [36, 15, 17];

/** The pitchers of a site, beside those of its shelf. */
async function addPitchers(making: Making, siteId: string) {
  const pitchers = PITCHERS.map((fields) => ({
    id: making.makeId(longAgo(making)),
    siteId,
    ...fields,
    rev: 1,
    retired: false,
  }));
  await making.db.insert(t.vessels).values(pitchers);
  return pitchers;
}
/** How a site's fridge has stood: read morning and evening. */
async function addReadings(making: Making, siteId: string, personId: string) {
  const { db, makeId, now } = making;
  const readings = READ.map((read, i) => {
    const at = now - (READ.length - i) * (DAY / 2) + 3 * HOUR;
    return { id: makeId(at), siteId, at: new Date(at), celsius: read, personId };
  });
  await db
    .insert(t.fridgeReadings)
    .values([...readings, ...(await probed(making, siteId, personId))]);
  return readings.map((r) => ({ at: epochMs(r.at.getTime()), celsius: celsius(r.celsius) }));
}
/** What a probe has sent for a day and a half: yesterday evening the door stood open for half an hour. */
async function probed({ db, makeId, now }: Making, siteId: string, personId: string) {
  const began = now - PROBED_HOURS * HOUR;
  const probeId = makeId(began);
  const readings = Array.from({ length: (PROBED_HOURS * 60) / PROBE_EVERY_MINUTES }, (_, i) => {
    const minutes = i * PROBE_EVERY_MINUTES;
    const at = began + minutes * 60_000;
    const read = simulatedReading('door', minutes - DOOR_OPEN_AT_HOURS * 60) ?? celsius(4);
    return { id: makeId(at), siteId, at: new Date(at), celsius: read, probeId };
  });
  await db.insert(t.probes).values({
    id: probeId,
    siteId,
    name: 'Back of the fridge',
    // Nobody has this key: the demo's probe sends no more.
    keyHash: tokenHash(newToken()),
    added: new Date(began),
    addedBy: personId,
    heard: readings.at(-1)?.at ?? null,
    value: readings.at(-1)?.celsius ?? null,
    valueSince: readings.at(-1)?.at ?? null,
  });
  return readings;
}
/** A batch with everything that was done to it. */
async function addBatch(
  { db, makeId, now }: Making,
  told: Told,
  made: {
    planned: BatchPlanned;
    fixed: Pick<BatchRow, 'siteId' | 'teaId' | 'versionId' | 'vesselId'>;
    /** The batch before it, which a double doubles. */
    before: string | null;
  },
  [starter, helper]: readonly [string, string],
) {
  const { plan } = made.planned;
  const best = plan.window.best / 3600;
  const ago = 'hours' in told.ago ? told.ago.hours : told.ago.shareOfBest * best;
  const leafIn = Math.round((now - ago * HOUR) / 60_000) * 60_000;
  const id = makeId(leafIn);
  const { before } = made;
  const doubled =
    told.isDouble !== undefined && before
      ? [{ after: told.isDouble, what: { kind: 'void', double: before } as const }]
      : [];
  const events = [...told.acts, ...doubled].map(({ after, what }) => {
    const at = Math.round(leafIn + (after === 'best' ? best : after) * HOUR);
    return { ...what, id: makeId(at), at: epochMs(at) };
  });
  const { state } = nowOf({ id, plan, leafIn: epochMs(leafIn), events });
  await db.insert(t.batches).values({
    id,
    ...made.fixed,
    lotId: null,
    plan,
    leafIn: new Date(leafIn),
    startedBy: starter,
    standing: isStanding(state),
    ended: 'at' in state ? new Date(state.at) : null,
  });
  if (events.length > 0)
    await db.insert(t.batchEvents).values(
      events.map((body) => ({
        id: body.id,
        batchId: id,
        at: new Date(body.at),
        received: new Date(body.at),
        personId: helper,
        body,
        flag: null,
      })),
    );
  return id;
}

/** Cold batches of the first site, its pitchers, and how its fridge has stood. */
export async function addCold(making: Making, shop: Shop): Promise<void> {
  const { db, now } = making;
  const [site] = shop.sites;
  const [lead, brewer = lead] = shop.cast;
  if (!site || !lead || !brewer) return;
  const vessels = [...shop.vessels, ...(await addPitchers(making, site.id))];
  const air = fridgeAir(await addReadings(making, site.id, lead.id), epochMs(now));
  const teas = await allTeas(db);
  // The same tea in the same pitcher is worked out once.
  const known = new Map<string, ReturnType<typeof planBatch>>();
  let before: string | null = null;
  for (const told of [...pastBatches(now), ...BATCHES]) {
    const tea = teas.find((x) => x.name === told.tea);
    const version = tea?.recipes.find((r) => r.method === told.method)?.house;
    const pitcher = vessels.find((v) => v.name === told.vessel);
    if (!tea || !version || !pitcher) continue;
    const key = [tea.id, told.method, pitcher.id].join(' ');
    const planned =
      known.get(key) ??
      planBatch({
        tea: { style: tea.style, fitted: tea.fitted, ...measureOf(tea, null) },
        recipe: version.recipe,
        method: told.method,
        vessel: pitcher,
        water: pitcher.mark,
        waterAt: site.coldWater,
        air,
        ambient: site.ambient,
        limits: USUAL_HOUSE_LIMITS,
      });
    known.set(key, planned);
    if (planned.kind !== 'plan') continue;
    const fixed = {
      siteId: site.id,
      teaId: tea.id,
      versionId: version.id,
      vesselId: pitcher.id,
    };
    before = await addBatch(making, told, { planned, fixed, before }, [lead.id, brewer.id]);
  }
}

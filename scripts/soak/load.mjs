// The load of a soak: brews and cold batches from their beginning to their end, each write tried again until it is
// answered, as a tablet does; and the look afterwards whether all that was acknowledged is there, once.
import { needVessels, startBody } from '../lib/house.mjs';
import { rowsOf } from '../lib/rows.mjs';

/** A request without an answer is given up after this, ms, and sent again. */
const ANSWER_MS = 5000;

/** Begins to write through `me` (`lib/house.mjs`). */
export async function startLoad(me, { writers = 6, coldWriters = 2 } = {}) {
  const vessels = (await needVessels(me, 20)).filter((v) => v.kind === 'pot');
  const tea = me.teas.find((t) => t.house && t.method === 'pot');
  const cold = me.teas.find((t) => t.recipes.some((r) => r.method === 'fridge' && r.house));
  const acked = {
    brews: new Set(),
    events: new Map(),
    orders: new Set(),
    batches: new Set(),
    batchEvents: new Set(),
  };
  /** How long each write took from its first sending to its answer, ms. */
  const took = [];
  let repeats = 0;
  let stop = false;

  /** Sends until there is an answer; the same body each time. */
  async function surely(path, body, method = 'POST') {
    const from = performance.now();
    for (let tries = 0; ; tries++) {
      try {
        const res = await fetch(me.address + path, {
          method,
          headers: me.headers,
          body: JSON.stringify(body),
          signal: AbortSignal.timeout(ANSWER_MS),
        });
        if (res.status < 500) {
          repeats += tries;
          took.push(performance.now() - from);
          return res;
        }
      } catch {
        /* away: again */
      }
      if (stop && tries > 200) return null;
      await new Promise((r) => setTimeout(r, 40 + Math.random() * 60));
    }
  }
  async function write(i) {
    const vessel = vessels[i % vessels.length];
    while (!stop) {
      const brew = startBody(me, tea, vessel, { place: (i % 12) + 1, at: Date.now() - 230_000 });
      const started = await surely('/api/brews', brew);
      if (!started?.ok) {
        await new Promise((r) => setTimeout(r, 100));
        continue;
      }
      acked.brews.add(brew.id);
      for (const what of [
        { kind: 'step', key: 'stir1', outcome: 'done' },
        { kind: 'step', key: 'stir2', outcome: 'done' },
        { kind: 'pull' },
        { kind: 'close' },
      ]) {
        const event = { id: me.id(), at: Date.now(), ...what };
        if ((await surely(`/api/brews/${brew.id}/events`, event))?.ok)
          acked.events.set(event.id, { brew: brew.id, kind: what.kind });
      }
      const order = {
        id: me.id(),
        siteId: me.site.id,
        teaId: tea.id,
        vesselId: null,
        water: null,
        forWhom: `writer ${i}`,
        rank: Date.now(),
        at: Date.now(),
      };
      if ((await surely('/api/orders', order))?.ok) acked.orders.add(order.id);
      await surely(`/api/orders/${order.id}`, { state: 'dropped' }, 'PATCH');
    }
  }
  /** A cold batch from leaf in to thrown out, again and again, in a pitcher of its own. */
  async function writeCold(i) {
    const { house: version } = cold.recipes.find((r) => r.method === 'fridge');
    const vesselId = me.id();
    const pitcher = {
      ...{ name: `Pitcher ${i}`, kind: 'pitcher', brim: 1150, mark: 1000, infuser: 'deep' },
      ...{ basket: 300, material: 'glass', wallGrams: null, lid: true, cosy: false },
      ...{ strainer: 'liftsOut', dead: 0, covers: null, basketDepth: null, weighed: null },
    };
    await surely('/api/vessels', { ...pitcher, id: vesselId, siteId: me.site.id });
    while (!stop) {
      const id = me.id();
      const batch = {
        ...{ id, siteId: me.site.id, teaId: cold.id, lotId: null, versionId: version.id },
        ...{ vesselId, water: 1000, waterAt: 8, at: Date.now() - 30_000 },
      };
      if (!(await surely('/api/batches', batch))?.ok) {
        await new Promise((r) => setTimeout(r, 100));
        continue;
      }
      acked.batches.add(id);
      for (const what of [
        { kind: 'lift', yield: 900, squeezed: false },
        { kind: 'count', ml: 850 },
        { kind: 'dilute', ml: 50 },
        { kind: 'discard', ml: 900, reason: 'left' },
      ]) {
        const event = { id: me.id(), at: Date.now(), ...what };
        if ((await surely(`/api/batches/${id}/events`, event))?.ok) acked.batchEvents.add(event.id);
      }
    }
  }
  const writing = [
    ...Array.from({ length: writers }, (_, i) => write(i)),
    ...Array.from({ length: coldWriters }, (_, i) => writeCold(i)),
  ];
  return {
    acked,
    took,
    repeats: () => repeats,
    async stop() {
      stop = true;
      await Promise.all(writing);
    },
  };
}

export const countsOf = (acked) =>
  Object.fromEntries(Object.entries(acked).map(([what, ids]) => [what, ids.size]));

/** What of the acknowledged is missing, what is there twice, and gaps in the numbers of the feed. */
export async function lookAfter(db, acked) {
  const ids = async (sql) => (await rowsOf(db, sql)).map((r) => r.id);
  const [brews, events, orders, batches, batchEvents] = [
    await ids('select id from brews'),
    await ids('select id from brew_events'),
    await ids('select id from orders'),
    await ids('select id from batches'),
    await ids('select id from batch_events'),
  ];
  const missing = (wanted, there) => {
    const t = new Set(there);
    return [...wanted].filter((id) => !t.has(id)).length;
  };
  const marks = await rowsOf(
    db,
    'select id, json_length(marks) as n, state from brews where id in (?)',
    [[...acked.brews]],
  );
  const stepsOf = new Map();
  for (const e of acked.events.values())
    if (e.kind === 'step') stepsOf.set(e.brew, (stepsOf.get(e.brew) ?? 0) + 1);
  const [gaps] = await rowsOf(
    db,
    'select sum(m - n) as n from (select max(seq) as m, count(*) as n from feed group by site_id) f',
  );
  const twice = (there) => there.length - new Set(there).size;
  return {
    lost:
      missing(acked.brews, brews) +
      missing(acked.events.keys(), events) +
      missing(acked.orders, orders) +
      missing(acked.batches, batches) +
      missing(acked.batchEvents, batchEvents),
    duplicated:
      twice(brews) +
      twice(events) +
      twice(batches) +
      twice(batchEvents) +
      marks.filter((m) => Number(m.n) > (stepsOf.get(m.id) ?? 0)).length,
    stepsMissing: marks.filter((m) => Number(m.n) < (stepsOf.get(m.id) ?? 0)).length,
    gapsInTheFeed: Number(gaps.n),
  };
}

import { cupOfBrew, doseOfRecipe } from '../src/core/corrections/index';
import { ALL_RIGHT } from '../src/core/corrections/index';
import { startingRecipe } from '../src/core/recipes/index';
import { epochMs, seconds } from '../src/core/units/index';
import { orders } from '../src/server/db/schema/index';
import { type Begun, begunHouse, BITTER_PROPOSAL, brewBody, newId, orderBody, POT } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const start = async (over: object = {}) =>
  (await h.callers.brewer.post('/api/brews', brewBody(h, over)).expect(200)).body;
const event = (id: string, body: object) =>
  h.callers.brewer.post(`/api/brews/${id}/events`, { id: newId(), at: h.now(), ...body });
const recipe = async () =>
  (await h.callers.brewer.get(`/api/teas/${h.ids.tea}`).expect(200)).body.tea.house.recipe;

describe('a guest’s wish', () => {
  test('is worked out again by the server; the house recipe stays as it is', async () => {
    const before = await recipe();
    const brew = await start({ wish: { strength: 1, milk: 'tenth' } });
    expect(brew.plan.leaf).toBeGreaterThan(6.5);
    expect(brew.plan.wish).toMatchObject({ strength: 1, milk: 'tenth' });
    expect(brew.plan.wish.milkMl).toBe(Math.round(brew.plan.liquor / 10));
    expect(brew.plan.wish.house).toEqual({ dose: 1.2, temperature: 90, best: 240 });
    expect(brew.plan.recipe.dose).toBeCloseTo((1.2 * brew.plan.leaf) / 6, 6);
    expect(await recipe()).toEqual(before);
  });
  test('as the house has it is the brew of before, with no wish in it', async () => {
    const brew = await start({ wish: { strength: 0, milk: 'none' } });
    expect(brew.plan.leaf).toBe(6);
    expect(brew.plan.wish ?? null).toBeNull();
  });
  test('stays with the leaf at its later steeps, with milk for what they pour', async () => {
    const first = await start({ wish: { strength: -1, milk: 'fifth' }, at: h.now() - 240_000 });
    await event(first.id, { kind: 'pull' }).expect(200);
    const second = await start({ after: first.id, water: first.plan.water, at: h.now() });
    expect(second.plan.leaf).toBe(first.plan.leaf);
    expect(second.plan.wish).toMatchObject({ strength: -1, milk: 'fifth' });
    expect(second.plan.wish.milkMl).toBe(Math.round(second.plan.water / 5));
  });
  test('a cup that strayed tells the lead that it was made for a guest', async () => {
    const brew = await start({ wish: { strength: 1, milk: 'none' } });
    await event(brew.id, { kind: 'pull' }).expect(200);
    await event(brew.id, {
      ...{ kind: 'judge', verdict: { ...ALL_RIGHT, bitterness: 1 } },
      ...{ proposal: BITTER_PROPOSAL, accepted: true, remark: '' },
    }).expect(200);
    const { notes } = (await h.callers.lead.get(`/api/teas/${h.ids.tea}`).expect(200)).body;
    expect(notes[0].found).toBe('bitter; made for a guest: stronger');
  });
  test('judged right as it was asked for, it says nothing against the house recipe', async () => {
    for (const strength of [1, -1] as const) {
      const brew = await start({ wish: { strength, milk: 'none' } });
      await event(brew.id, { kind: 'pull' }).expect(200);
      await event(brew.id, {
        ...{ kind: 'judge', verdict: ALL_RIGHT, proposal: BITTER_PROPOSAL },
        ...{ accepted: false, remark: '' },
      }).expect(200);
    }
    const found = (await h.callers.lead.get(`/api/teas/${h.ids.tea}/advice`).expect(200)).body;
    const { advice } = found;
    expect(advice.counted).toBe(2);
    for (const mean of advice.belief.mean) expect(Math.abs(mean)).toBeLessThan(0.05);
  });
  test('a wish that is none is refused and named', async () => {
    for (const wish of [
      { strength: 2, milk: 'none' },
      { strength: 0, milk: 'half' },
      { strength: 1 },
    ]) {
      const { body } = await h.callers.brewer.post('/api/brews', brewBody(h, { wish })).expect(422);
      expect(JSON.stringify(body)).toContain('wish');
    }
  });
  test('the log says it, and so does the table that is taken out', async () => {
    await start({ wish: { strength: 1, milk: 'splash' } });
    const csv = await h.callers.lead.get('/api/log/brews.csv').expect(200);
    expect(csv.text).toContain('stronger, a splash of milk');
  });
});
test('an order keeps wish and cups until it is started', async () => {
  const asked = {
    wish: { strength: -1, milk: 'splash' },
    cups: { count: 3, each: 120 },
  };
  const body = orderBody(h, asked);
  const { orders: waiting } = (await h.callers.brewer.post('/api/orders', body).expect(200)).body;
  expect(waiting[0]).toMatchObject(asked);
  expect((await h.callers.trainee.get('/api/bar').expect(200)).body.orders[0]).toMatchObject(asked);
  const plain = (await h.callers.brewer.post('/api/orders', orderBody(h, {})).expect(200)).body;
  expect(plain.orders).toHaveLength(2);
  expect(await h.db.select({ cups: orders.cups }).from(orders)).toContainEqual({ cups: null });
});
test('cups of a size stay with the brew', async () => {
  const brew = await start({ water: 373.5, cups: { count: 3, each: 120 } });
  expect(brew.plan.cups).toEqual({ count: 3, each: 120 });
  expect(brew.plan.liquor).toBeCloseTo(360, 0);
});

describe('a pot that is not on the shelf', () => {
  const typed = { ...POT, name: 'Guest pot' };
  test('gives the brew of the same vessel on the shelf, to the figure, and no record', async () => {
    const shelf = await start();
    const other = await start({ vesselId: null, pot: typed, place: 2 });
    expect(other.vesselId).toBeNull();
    const { vessel: _shelf, ...plan } = shelf.plan;
    const { vessel, ...same } = other.plan;
    expect(same).toEqual(plan);
    expect(vessel).toEqual(typed);
    const { vessels } = (await h.callers.lead.get('/api/vessels').expect(200)).body;
    expect(vessels).toHaveLength(1);
  });
  test('two at once hold up neither each other nor a vessel of the shelf', async () => {
    for (const place of [1, 2]) await start({ vesselId: null, pot: typed, place });
    await start({ place: 3 });
    const { brews, recent } = (await h.callers.brewer.get('/api/bar').expect(200)).body;
    expect(brews).toHaveLength(3);
    expect(recent.every((r: { vesselId: unknown }) => typeof r.vesselId === 'string')).toBe(true);
  });
  test('steeps again, is judged, taken back and found in the log', async () => {
    const first = await start({ vesselId: null, pot: typed });
    await event(first.id, { kind: 'pull' }).expect(200);
    const second = await start({ vesselId: null, after: first.id, at: h.now() });
    expect(second.plan.steep.number).toBe(2);
    expect(second.plan.vessel.name).toBe('Guest pot');
    await event(second.id, { kind: 'pull' }).expect(200);
    await event(second.id, { kind: 'undoPull' }).expect(200);
    const log = (await h.callers.lead.get('/api/brews').expect(200)).body;
    expect(log.brews).toHaveLength(2);
    await h.callers.lead.get(`/api/trends?siteId=${h.ids.site}`).expect(200);
  });
  test('without a vessel and without a pot there is no brew; one that makes no sense is refused', async () => {
    await h.callers.brewer.post('/api/brews', brewBody(h, { vesselId: null })).expect(404);
    const pot = { ...typed, mark: 700 };
    const { body } = await h.callers.brewer
      .post('/api/brews', brewBody(h, { vesselId: null, pot }))
      .expect(422);
    expect(JSON.stringify(body)).toContain('mark');
  });
});

test('a cup made for a guest is evidence by its own execution: planned and done are the wished cup', async () => {
  const brew = await start({ wish: { strength: 1, milk: 'tenth' } });
  const { evidence } = cupOfBrew({
    ...{ id: brew.id, style: 'black-whole', plan: brew.plan, verdict: ALL_RIGHT },
    recorded: {
      ...{ steeped: seconds(240), waterOn: epochMs(brew.startedAt), marks: [], readings: [] },
    },
    brewedBy: doseOfRecipe(startingRecipe('black-whole')),
    asked: doseOfRecipe(startingRecipe('black-whole')),
  });
  expect(evidence.plan).toMatchObject({ leaf: brew.plan.leaf, milk: 0.1, time: 240 });
  expect(evidence.done).toMatchObject({ leaf: brew.plan.leaf, milk: 0.1, time: 240 });
  expect(evidence.moved).toEqual([0, 0, 0]);
});

describe('steps of the house’s own', () => {
  const own = [
    { when: 'before', at: null, words: 'Shake the leaf flat' },
    { when: 'steep', at: 60, words: 'Lid on' },
  ];
  const withOwn = async (steps: unknown) => {
    const now = await recipe();
    return h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, {
      ...{ id: newId(), method: 'pot', basedOn: 1, as: 'house', reason: 'own steps', settles: [] },
      recipe: { ...now, handling: { ...now.handling, own: steps } },
    });
  };
  test('come with the recipe to the brew, to the exchanged book and back', async () => {
    const version = await withOwn(own);
    expect(version.status).toBe(200);
    const brew = await start({ versionId: version.body.id });
    expect(brew.plan.recipe.handling.own).toEqual(own);
    await event(brew.id, { kind: 'step', key: 'own2', outcome: 'done' }).expect(200);
    const book = await h.callers.lead.get('/api/exchange/book.json').expect(200);
    expect(JSON.stringify(book.body)).toContain('Shake the leaf flat');
  });
  test('one without words, one after the leaf is out and a ninth are refused', async () => {
    const bad = [
      [{ when: 'before', at: null, words: '' }],
      [{ when: 'steep', at: 5000, words: 'Lid on' }],
      Array(9).fill(own[0]),
    ];
    for (const steps of bad) expect((await withOwn(steps)).status).toBe(422);
  });
});

describe('a steep that is ended by eye', () => {
  test('is kept with the colour that was seen, and no clock judges it', async () => {
    const brew = await start({ at: h.now() - 400_000 });
    const pulled = (await event(brew.id, { kind: 'pull', seen: 1 }).expect(200)).body;
    expect(pulled).toMatchObject({ timing: 'byEye', seen: 1 });
    const asked = await h.callers.lead.get('/api/brews?pull=byEye').expect(200);
    expect(asked.body.brews.map((b: { id: string }) => b.id)).toEqual([brew.id]);
    const counts = (await h.callers.lead.get('/api/brews').expect(200)).body.counts;
    expect(counts).toEqual({ all: 1, inWindow: 0, late: 0, early: 0, forgotten: 0 });
    const trends = await h.callers.lead.get(`/api/trends?siteId=${h.ids.site}`).expect(200);
    expect(trends.body.points).toEqual([]);
    const { errors } = (await h.callers.lead.get(`/api/teas/${h.ids.tea}/pulls`).expect(200)).body;
    expect(errors).toEqual([]);
  });
  test('taken back it steeps on; ended by the clock after that, the clock counts', async () => {
    const brew = await start();
    await event(brew.id, { kind: 'pull', seen: -1 }).expect(200);
    const on = (await event(brew.id, { kind: 'undoPull' }).expect(200)).body;
    expect([on.timing, on.seen ?? null]).toEqual([null, null]);
    const again = (await event(brew.id, { kind: 'pull' }).expect(200)).body;
    expect([again.timing, again.seen ?? null]).toEqual(['inWindow', null]);
  });
  test('the last thing undone, the brew is as it was', async () => {
    const brew = await start();
    const id = newId();
    await h.callers.brewer
      .post(`/api/brews/${brew.id}/events`, { id, at: h.now(), kind: 'pull', seen: 0 })
      .expect(200);
    const back = (await event(brew.id, { kind: 'undo', of: id }).expect(200)).body;
    expect([back.state.kind, back.timing, back.seen ?? null]).toEqual(['steeping', null, null]);
  });
  test('a colour that is no step is refused', async () => {
    const brew = await start();
    await event(brew.id, { kind: 'pull', seen: 3 }).expect(422);
  });
});

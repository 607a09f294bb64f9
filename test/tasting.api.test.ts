import { ALL_RIGHT } from '../src/core/corrections/index';
import { startingRecipe } from '../src/core/recipes/index';
import { type Begun, begunHouse, BITTER_PROPOSAL, brewBody, newId } from './house';

/** A brew of the tests began so long ago, s. */
const START_AGO = 300;
let h: Begun;
let began: number;
beforeEach(async () => {
  h = await begunHouse();
  began = h.now() - START_AGO * 1000;
});
afterEach(() => h.close());

/** Seconds from water on, as the device says them. */
const at = (s: number) => began + s * 1000;
const start = async (over: object = {}) =>
  (await h.callers.brewer.post('/api/brews', brewBody(h, { at: at(0), ...over })).expect(200)).body;
const event = (id: string, body: object, by: 'brewer' | 'lead' = 'brewer') =>
  h.callers[by].post(`/api/brews/${id}/events`, { id: newId(), at: h.now(), ...body });
const done = async (id: string, body: object) => (await event(id, body).expect(200)).body;

test('45 s in, 40 s out, 30 s in is kept as 75 s, with its tastes, and no clock judges it', async () => {
  const brew = await start();
  const out = await done(brew.id, { kind: 'leafOut', at: at(45) });
  expect(out.state).toEqual({ kind: 'tasting', waterOn: at(0), out: at(45) });
  await done(brew.id, { kind: 'leafIn', at: at(85), mark: -2 });
  await done(brew.id, { kind: 'leafOut', at: at(115) });
  const pulled = await done(brew.id, { kind: 'pull', at: at(140), mark: 0 });
  expect(pulled.state.pulled - pulled.state.waterOn).toBe(75_000);
  expect(pulled).toMatchObject({
    timing: 'byTaste',
    outs: [{ after: 45, lasted: 40 }],
    tastes: [
      { after: 45, mark: -2 },
      { after: 75, mark: 0 },
    ],
  });
  // The window of the recipe stays, and the clock has nothing to say of it.
  expect(pulled.plan.recipe.window.best).toBe(240);
  const { counts } = (await h.callers.lead.get('/api/brews').expect(200)).body;
  expect(counts).toEqual({ all: 1, inWindow: 0, late: 0, early: 0, forgotten: 0 });
  const asked = await h.callers.lead.get('/api/brews?pull=byTaste').expect(200);
  expect(asked.body.brews.map((b: { id: string }) => b.id)).toEqual([brew.id]);
});

test('a brew that explores asks at 0:45, then every half minute; the last is its best', async () => {
  const brew = await start({ explore: true });
  expect(brew.plan.recipe.window).toEqual({ earliest: 30, best: 45, latest: 60 });
  expect(brew.plan.explore).toEqual({ best: 240 });
  await done(brew.id, { kind: 'leafOut', at: at(47) });
  const again = await done(brew.id, { kind: 'leafIn', at: at(60) });
  expect(again.plan.recipe.window.best).toBe(77);
  const tasted = await done(brew.id, { kind: 'taste', at: at(93), mark: -1 });
  expect(tasted.plan.recipe.window.best).toBe(110);
  const pulled = await done(brew.id, { kind: 'pull', at: at(118), mark: 0 });
  expect(pulled.plan.recipe.window.best).toBe(105);
  expect(pulled.timing).toBe('byTaste');
  // The book's recipe knows nothing of it until a lead makes a version.
  const { tea } = (await h.callers.brewer.get(`/api/teas/${h.ids.tea}`).expect(200)).body;
  expect(tea.house.recipe.window).toEqual(startingRecipe('black-whole').window);
});

test('two tablets: the leaf is out once; the second is told, and a spoon is not dipped twice', async () => {
  const brew = await start();
  await event(brew.id, { kind: 'leafOut', at: at(45) }).expect(200);
  const second = await event(brew.id, { kind: 'leafOut', at: at(46) }, 'lead');
  expect([second.status, second.body.details.why]).toEqual([409, 'leafIsOut']);
  const spoon = await event(brew.id, { kind: 'taste', at: at(50), mark: 0 });
  expect([spoon.status, spoon.body.details.why]).toEqual([409, 'leafIsOut']);
  const id = newId();
  const twice = { id, at: at(60), kind: 'leafIn', mark: -1 };
  await h.callers.brewer.post(`/api/brews/${brew.id}/events`, twice).expect(200);
  const kept = await h.callers.brewer.post(`/api/brews/${brew.id}/events`, twice).expect(200);
  expect(kept.body.tastes).toEqual([{ after: 45, mark: -1 }]);
});

test('each is undone to what it was; ended with the leaf out it can go on', async () => {
  const brew = await start();
  const undone = async (of: string) => done(brew.id, { kind: 'undo', of });
  const out = newId();
  await done(brew.id, { id: out, kind: 'leafOut', at: at(45) });
  expect((await undone(out)).state).toEqual(brew.state);
  await done(brew.id, { kind: 'leafOut', at: at(50) });
  const back = newId();
  await done(brew.id, { id: back, kind: 'leafIn', at: at(80), mark: 0 });
  const again = await undone(back);
  expect(again.state).toEqual({ kind: 'tasting', waterOn: at(0), out: at(50) });
  expect([again.outs ?? null, again.tastes ?? null]).toEqual([null, null]);
  const pulled = await done(brew.id, { kind: 'pull', at: at(90) });
  expect(pulled.state).toMatchObject({ pulled: at(50), wasTasting: true });
  const on = await done(brew.id, { kind: 'undoPull', at: at(95) });
  expect([on.state, on.timing]).toEqual([{ kind: 'tasting', waterOn: at(0), out: at(50) }, null]);
});

test('its vessel is in use while the leaf is out', async () => {
  const brew = await start();
  await event(brew.id, { kind: 'leafOut', at: at(45) }).expect(200);
  const other = await h.callers.lead.post('/api/brews', brewBody(h, { place: 2 }));
  expect([other.status, other.body.code]).toEqual([409, 'brew.vesselInUse']);
});

test('a brewer’s found time is noted for the lead', async () => {
  const brew = await start({ explore: true });
  await event(brew.id, { kind: 'pull', at: at(105), mark: 0 }).expect(200);
  await event(brew.id, {
    ...{ kind: 'judge', verdict: ALL_RIGHT, accepted: true, remark: '' },
    proposal: {
      ...BITTER_PROPOSAL,
      rowId: 'foundTime',
      lever: 'shorter',
      headline: '2:15 shorter',
    },
  }).expect(200);
  const { notes } = (await h.callers.lead.get(`/api/teas/${h.ids.tea}`).expect(200)).body;
  expect(notes[0]).toMatchObject({ headline: '2:15 shorter' });
});

test('a mark that is no step of the scale, and tasting before the water, are refused', async () => {
  const brew = await start({ warming: true });
  const early = await event(brew.id, { kind: 'leafOut' });
  expect([early.status, early.body.details.why]).toEqual([409, 'notSteeping']);
  expect((await event(brew.id, { kind: 'taste', mark: 0 })).body.details.why).toBe('notSteeping');
  await event(brew.id, { kind: 'waterOn', at: at(10) }).expect(200);
  await event(brew.id, { kind: 'taste', mark: 3 }).expect(422);
});

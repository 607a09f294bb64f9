// A site that brews another version than the house's, and why.
import { spawnSync } from 'node:child_process';
import { startingRecipe } from '../src/core/recipes/index';
import {
  type Begun,
  begunHouse,
  brewBody,
  type Caller,
  cookieOf,
  from,
  newId,
  POT,
  SECRETS,
  SITE,
} from './house';

let h: Begun;
/** A second site with a pot, and the lead signed in there. */
let hut: { site: string; pot: string; lead: Caller };
const ADDRESS = 'Ridge hut';
beforeEach(async () => {
  h = await begunHouse();
  const { lead } = h.callers;
  hut = { site: newId(), pot: newId(), lead };
  await lead.post('/api/sites', { ...SITE, name: ADDRESS, id: hut.site }).expect(200);
  await lead.post('/api/vessels', { ...POT, id: hut.pot, siteId: hut.site }).expect(200);
  const signIn = { personId: h.ids.lead, siteId: hut.site, secret: SECRETS.lead };
  hut.lead = from(h.app, cookieOf(await from(h.app).post('/api/session', signIn).expect(200)));
});
afterEach(() => h.close());

const versions = () => `/api/teas/${h.ids.tea}/versions`;
const siteRecipe = () => `/api/teas/${h.ids.tea}/site-recipe`;
/** A draft that is cooler than the house's recipe; its id. */
async function cooler(basedOn = 1, temperature = 86): Promise<string> {
  const id = newId();
  const recipe = { ...startingRecipe('black-whole'), temperature };
  const body = {
    id,
    method: 'pot',
    basedOn,
    as: 'draft',
    recipe,
    reason: 'For the hut',
    settles: [],
  };
  await h.callers.lead.post(versions(), body).expect(200);
  return id;
}
const own = (versionId: string, over: object = {}) => ({
  siteId: hut.site,
  method: 'pot',
  own: { versionId, why: 'altitude', words: 'Water boils at 94 °C there.', ...over },
});
const asTheHouse = () => ({ siteId: hut.site, method: 'pot', own: null });
const teaAt = async (caller: Caller) => (await caller.get('/api/book').expect(200)).body.teas[0];
const temperatureAt = async (caller: Caller) => (await teaAt(caller)).house.recipe.temperature;
const pageAt = async (caller: Caller) =>
  (await caller.get(`/api/teas/${h.ids.tea}`).expect(200)).body;
const brewAtHut = (versionId: string) =>
  brewBody(h, { siteId: hut.site, vesselId: hut.pot, versionId });

test('a site brews its own version, the others as the house does; every site sees it with its reason', async () => {
  const id = await cooler();
  await hut.lead.post(siteRecipe(), own(id)).expect(200);
  expect([await temperatureAt(hut.lead), await temperatureAt(h.callers.brewer)]).toEqual([86, 90]);
  const [recipe] = (await teaAt(hut.lead)).recipes;
  expect(recipe.site).toMatchObject({
    ...{ why: 'altitude', words: 'Water boils at 94 °C there.', by: { name: 'Lead L.' } },
    inPlaceOf: { number: 1 },
  });
  expect((await teaAt(h.callers.brewer)).recipes[0].site).toBeNull();
  for (const caller of [hut.lead, h.callers.trainee])
    expect((await pageAt(caller)).sites).toMatchObject([
      { siteName: ADDRESS, method: 'pot', version: { number: 2 }, why: 'altitude' },
    ]);
  const begun = (await hut.lead.post('/api/brews', brewAtHut(id)).expect(200)).body;
  expect(begun.plan.temperature).toBe(86);
});
test('back to the house recipe; both are kept in the history of the tea', async () => {
  await hut.lead.post(siteRecipe(), own(await cooler())).expect(200);
  for (let i = 0; i < 2; i++) await hut.lead.post(siteRecipe(), asTheHouse()).expect(200);
  expect([await temperatureAt(hut.lead), (await pageAt(hut.lead)).sites]).toEqual([90, []]);
  const { changes } = (await h.callers.lead.get(`/api/history/tea/${h.ids.tea}`).expect(200)).body;
  const lines = changes.flatMap((c: { lines: { field: string }[] }) => c.lines);
  expect(lines.filter((l: { field: string }) => l.field === `brewed at ${ADDRESS}`)).toMatchObject([
    { before: expect.stringMatching(/^version 2, because of its altitude/), after: 'as the house' },
    { before: 'as the house', after: expect.stringMatching(/^version 2, because of its altitude/) },
  ]);
});
test('a new house recipe leaves the site with its own, also when that is retired, and it may be brewed there', async () => {
  const trial = newId();
  const recipe = { ...startingRecipe('black-whole'), temperature: 86 };
  const body = {
    id: trial,
    method: 'pot',
    basedOn: 1,
    as: 'trial',
    recipe,
    reason: 'Cooler',
    settles: [],
  };
  await h.callers.lead.post(versions(), body).expect(200);
  await hut.lead.post(siteRecipe(), own(trial)).expect(200);
  // Another goes on trial: the one before it is retired.
  const next = { ...body, id: newId(), basedOn: 2, recipe: { ...recipe, temperature: 88 } };
  await h.callers.lead.post(versions(), next).expect(200);
  await h.callers.lead.post(`/api/versions/${next.id}/state`, { to: 'house' }).expect(200);
  expect([await temperatureAt(hut.lead), await temperatureAt(h.callers.lead)]).toEqual([86, 88]);
  await hut.lead.post('/api/brews', brewAtHut(trial)).expect(200);
  // Elsewhere a retired version is not brewed any more.
  const here = await h.callers.lead
    .post('/api/brews', brewBody(h, { versionId: trial }))
    .expect(409);
  expect(here.body.code).toBe('brew.cannot');
});
test('a version that a site brews is not set aside; once the house takes it, the site brews as the house does', async () => {
  const id = await cooler();
  await hut.lead.post(siteRecipe(), own(id)).expect(200);
  const refused = await h.callers.lead
    .post(`/api/versions/${id}/state`, { to: 'retired' })
    .expect(409);
  expect(refused.body.message).toBe(
    'Ridge hut brews version 2. Go back to the house recipe there first.',
  );
  await h.callers.lead.post(`/api/versions/${id}/state`, { to: 'house' }).expect(200);
  expect((await teaAt(hut.lead)).recipes[0]).toMatchObject({ house: { number: 2 }, site: null });
  await cooler(2, 80).then((next) =>
    h.callers.lead.post(`/api/versions/${next}/state`, { to: 'house' }).expect(200),
  );
  expect(await temperatureAt(hut.lead)).toBe(80);
});
test.each([
  ['no reason', { words: ' ' }, 422, /Type the reason/],
  ['a reason of another kind', { why: 'weather' }, 422, /./],
  ['no such version', { versionId: '019cdd1a-0000-7000-8000-000000000000' }, 404, /./],
])('%s: refused, nothing changes', async (_what, over, status, message) => {
  const id = await cooler();
  const refused = await hut.lead.post(siteRecipe(), own(id, over)).expect(status);
  expect(JSON.stringify(refused.body)).toMatch(message);
  expect((await pageAt(hut.lead)).sites).toEqual([]);
});
test('a method that the house has no recipe for is made for the house first', async () => {
  const id = newId();
  const recipe = startingRecipe('black-whole', 'fridge');
  const body = {
    id,
    method: 'fridge',
    basedOn: 0,
    as: 'draft',
    recipe,
    reason: 'Cold',
    settles: [],
  };
  await h.callers.lead.post(versions(), body).expect(200);
  const refused = await hut.lead.post(siteRecipe(), { ...own(id), method: 'fridge' }).expect(422);
  expect(refused.body.fields.versionId).toMatch(/Make a house recipe for this method first/);
});
test('the house recipe itself is no recipe of a site; a brewer makes none; a lead only where they work', async () => {
  const id = await cooler();
  await hut.lead.post(siteRecipe(), own(h.ids.version)).expect(422);
  await h.callers.brewer.post(siteRecipe(), own(id)).expect(403);
  await h.callers.lead
    .post(siteRecipe(), { ...own(id), siteId: newId() })
    .expect((r) => expect([403, 404]).toContain(r.status));
  expect((await pageAt(hut.lead)).sites).toEqual([]);
});
test('a card printed at the site says whose recipe it has', async () => {
  await hut.lead.post(siteRecipe(), own(await cooler())).expect(200);
  const footOf = async (caller: Caller) => {
    const card = await caller.get(`/api/teas/${h.ids.tea}/wall.pdf`).expect(200);
    const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: card.body as Buffer });
    return text.stdout.toString();
  };
  expect(await footOf(hut.lead)).toContain('Recipe of Ridge hut 2, Lead L.');
  expect(await footOf(h.callers.lead)).toContain('House recipe 1, Lead L.');
});

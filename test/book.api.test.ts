import { startingRecipe } from '../src/core/recipes/index';
import { begunHouse, newId, POT, type Begun } from './house';

let h: Begun;
beforeEach(async () => { h = await begunHouse(); });
afterEach(() => h.close());
const version = (over: object = {}) => ({ id: newId(), basedOn: 1, as: 'house', recipe: { ...startingRecipe('black-whole'), temperature: 86 }, reason: 'Bitter at 90', settles: [], ...over });

test('a lead makes a new version; the old one stays readable and on the brews that used it', async () => {
  const brew = { id: newId(), siteId: h.ids.site, teaId: h.ids.tea, versionId: h.ids.version, vesselId: h.ids.pot, water: 500, warmed: true, warming: false, place: 1, at: h.now() };
  await h.callers.brewer.post('/api/brews', brew).expect(200);
  expect((await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, version()).expect(200)).body).toMatchObject({ number: 2, state: 'house' });
  const page = (await h.callers.trainee.get(`/api/teas/${h.ids.tea}`).expect(200)).body;
  expect(page.versions.map((v: { number: number; state: string; reason: string }) => [v.number, v.state, v.reason])).toEqual([[2, 'house', 'Bitter at 90'], [1, 'retired', 'First recipe, from the style’s starting point']]);
  expect(page.tea.house.recipe.temperature).toBe(86);
  const kept = (await h.callers.brewer.get(`/api/brews/${brew.id}`).expect(200)).body.brew;
  expect([kept.versionNumber, kept.plan.recipe.temperature]).toEqual([1, 90]);
});
test('two leads: the second is told of the first, and can then save', async () => {
  await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, version()).expect(200);
  const late = version({ reason: 'Mine' });
  const told = (await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, late).expect(409)).body;
  expect(told).toMatchObject({ code: 'version.newer', details: { newest: 2 } });
  expect(told.message).toMatch(/Bitter at 90/);
  expect((await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, { ...late, basedOn: 2 }).expect(200)).body.number).toBe(3);
});
test('a trial stands beside the house recipe, is brewed, and is adopted once; the one before it is kept', async () => {
  const trial = version({ as: 'trial', reason: 'Softer' });
  expect((await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, trial).expect(200)).body).toMatchObject({ number: 2, state: 'trial' });
  const tea = async () => (await h.callers.trainee.get('/api/book').expect(200)).body.teas[0];
  expect(await tea()).toMatchObject({ house: { number: 1 }, trial: { number: 2, recipe: { temperature: 86 } } });
  const brew = { id: newId(), siteId: h.ids.site, teaId: h.ids.tea, versionId: trial.id, vesselId: h.ids.pot, water: 500, warmed: true, warming: false, place: 1, at: h.now() };
  expect((await h.callers.brewer.post('/api/brews', brew).expect(200)).body.plan.temperature).toBe(86);
  const second = version({ as: 'trial', basedOn: 2, reason: 'Softer still' });
  await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, second).expect(200);
  expect(await tea()).toMatchObject({ house: { number: 1 }, trial: { number: 3 } });
  expect((await h.callers.lead.post(`/api/versions/${trial.id}/adopt`, {}).expect(409)).body.code).toBe('version.newer');
  for (let i = 0; i < 2; i++) expect((await h.callers.lead.post(`/api/versions/${second.id}/adopt`, {}).expect(200)).body).toMatchObject({ number: 3, state: 'house' });
  expect(await tea()).toMatchObject({ house: { number: 3 }, trial: null });
  expect((await h.callers.brewer.get(`/api/brews/${brew.id}`).expect(200)).body.brew.versionNumber).toBe(2);
  await h.callers.brewer.post(`/api/versions/${second.id}/adopt`, {}).expect(403);
});
test('a repeated save makes one version', async () => {
  const body = version();
  for (let i = 0; i < 3; i++) expect((await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, body).expect(200)).body.number).toBe(2);
});
test.each([['no reason', { reason: ' ' }, 'reason'], ['window out of order', { recipe: { ...startingRecipe('white'), window: { earliest: 200, best: 100, latest: 300 } } }, 'recipe.window'], ['no leaf', { recipe: { ...startingRecipe('white'), dose: 0 } }, 'recipe.dose']])('%s is refused at its field', async (_n, over, field) => {
  expect(Object.keys((await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, version(over)).expect(422)).body.fields)).toContain(field);
});
test('an absurd weighing is refused with the question to ask', async () => {
  const { house: _h, trial: _t, id: _i, ...tea } = (await h.callers.lead.get('/api/book').expect(200)).body.teas[0];
  const res = await h.callers.lead.patch(`/api/teas/${h.ids.tea}`, { ...tea, weighing: { spoon: 'metricTeaspoon', spoons: 1, weighed: 60 } }).expect(422);
  expect(res.body.fields['weighing.weighed']).toMatch(/tablespoon/);
});
test('a change on an old copy of a tea or a vessel is refused and says so', async () => {
  const { id, siteId: _s, ...pot } = (await h.callers.lead.get('/api/vessels').expect(200)).body.vessels[0];
  await h.callers.lead.patch(`/api/vessels/${id}`, { ...pot, name: 'Blue pot' }).expect(200);
  expect((await h.callers.lead.patch(`/api/vessels/${id}`, { ...pot, name: 'Red pot' }).expect(409)).body).toMatchObject({ code: 'record.changed', details: { rev: 2 } });
});
test('a mark over the brim is refused at the mark; a vessel that brews cannot be retired', async () => {
  expect((await h.callers.lead.post('/api/vessels', { ...POT, id: newId(), siteId: h.ids.site, mark: 700 }).expect(422)).body.fields.mark).toMatch(/over the brim/);
  await h.callers.brewer.post('/api/brews', { id: newId(), siteId: h.ids.site, teaId: h.ids.tea, versionId: h.ids.version, vesselId: h.ids.pot, water: 500, warmed: true, warming: false, place: 1, at: h.now() }).expect(200);
  const { id, siteId: _s, ...pot } = (await h.callers.lead.get('/api/vessels').expect(200)).body.vessels[0];
  expect((await h.callers.lead.patch(`/api/vessels/${id}`, { ...pot, retired: true }).expect(409)).body.code).toBe('vessel.inUse');
});

import { type Begun, begunHouse, brewBody, newId, POT, SITE } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const FIELDS = {
  ...{ name: 'Tall kettle', kind: 'kettle', volume: 1200, material: 'stainless', lid: false },
  ...{ setPoints: { from: 60, to: 100, step: 5 }, note: '' },
};
const addKettle = async (over: object = {}) =>
  (
    await h.callers.lead
      .post('/api/kettles', { ...FIELDS, id: newId(), siteId: h.ids.site, ...over })
      .expect(200)
  ).body;
const start = (over: object) => h.callers.brewer.post('/api/brews', brewBody(h, over));

test('the chosen kettle’s nearest setting, and what it gives, are kept with the brew', async () => {
  const kettle = await addKettle();
  const { body } = await start({ kettleId: kettle.id }).expect(200);
  expect(body.kettle).toBe('Tall kettle');
  expect(body.plan.kettleUsed).toEqual({ name: 'Tall kettle', set: 100, wait: null });
  expect(body.plan.kettle).toBe(100);
  expect(body.plan.onLeaf).not.toBe(body.plan.temperature);
});
test('none chosen is the site’s usual one, as before', async () => {
  await addKettle();
  const { body } = await start({}).expect(200);
  expect(body.kettle).toBe(SITE.kettle.name);
  expect(body.plan.kettleUsed ?? null).toBeNull();
  expect(body.plan.onLeaf).toBe(90);
});
test('a kettle without settings is boiled: no setting is made up for it', async () => {
  const kettle = await addKettle({ name: 'Stove kettle', setPoints: null });
  const { body } = await start({ kettleId: kettle.id }).expect(200);
  expect(body.plan.kettleUsed).toMatchObject({ name: 'Stove kettle', set: null });
  expect(body.plan.onLeaf).toBe(90);
});
test('its own readings count: a pour that loses more gives less on the leaf', async () => {
  const kettle = await addKettle();
  const before = (await start({ kettleId: kettle.id }).expect(200)).body.plan.onLeaf;
  await h.callers.brewer
    .post(`/api/kettles/${kettle.id}/readings`, {
      ...{ id: newId(), kind: 'poured', boil: newId(), seconds: 0, celsius: 88 },
      ...{ kettleCelsius: 100, water: 1000, ambient: 20, simulated: false, at: h.now() },
    })
    .expect(200);
  const pot = { ...POT, id: newId(), siteId: h.ids.site, name: 'Other pot' };
  await h.callers.lead.post('/api/vessels', pot).expect(200);
  const after = await start({ kettleId: kettle.id, vesselId: pot.id, place: 2 }).expect(200);
  expect(after.body.plan.onLeaf).toBeLessThan(before - 3);
});
test('one that is not there, or stands at another site, is refused', async () => {
  const missing = await start({ kettleId: newId() });
  expect([missing.status, missing.body.message]).toEqual([
    404,
    'That kettle is not here any more.',
  ]);
});

import { ALL_RIGHT } from '#core/corrections';
import type { TeaAdvice } from '#contracts/advice';
import type { Brew } from '#contracts/brews';
import { type Begun, begunHouse, BITTER_PROPOSAL, brewBody, newId, POT, SITE } from './house';

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
test('how long the water waited off the boil is kept, and the cup counts as it was made', async () => {
  const kettle = await addKettle({ name: 'Stove kettle', setPoints: null });
  const began = h.now() - 900_000;
  const { body } = await start({ kettleId: kettle.id, warming: true, at: began }).expect(200);
  const { id, plan } = body as Brew;
  expect(plan.kettleUsed?.wait).toBeGreaterThan(30);
  expect(plan.kettleUsed?.cools?.a).toBeGreaterThan(0);
  const event = (what: object) =>
    h.callers.brewer.post(`/api/brews/${id}/events`, { id: newId(), ...what }).expect(200);
  // Poured as soon as it boiled.
  await event({ kind: 'step', at: began + 60_000, key: 'heat', outcome: 'done' });
  await event({ kind: 'waterOn', at: began + 62_000 });
  await event({ kind: 'pull', at: began + 62_000 + 1000 * plan.recipe.window.best });
  const verdict = { ...ALL_RIGHT, bitterness: 1 };
  await event({
    ...{ kind: 'judge', at: began + 600_000, verdict, proposal: BITTER_PROPOSAL },
    ...{ accepted: false, remark: '' },
  });
  const { body: found } = await h.callers.trainee.get(`/api/teas/${h.ids.tea}/advice`).expect(200);
  const { advice } = found as { advice: TeaAdvice };
  expect(advice.cups[0]?.recorded).toMatch(/^Waited 0:02 off the boil, \+\d+ °C$/);
  // Hotter water explains some of it: the recipe is blamed less than it would be for the same cup unrecorded.
  expect(advice.advice.pooled.bitterness.mean).toBeLessThan(0.5);
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

import { type Begun, begunHouse, brewBody, newId, POT } from './house';

let h: Begun;
let pot: string;
let began: number;
beforeEach(async () => {
  h = await begunHouse();
  began = h.now() - 900_000;
  pot = newId();
  await h.callers.lead
    .post('/api/vessels', {
      ...{ ...POT, id: pot, siteId: h.ids.site, name: 'Strainer pot' },
      ...{ infuser: 'free', basket: null, strainer: 'staysIn' },
    })
    .expect(200);
});
afterEach(() => h.close());

const at = (s: number) => began + s * 1000;
const start = async (over: object = {}) =>
  (
    await h.callers.brewer
      .post('/api/brews', brewBody(h, { vesselId: pot, at: at(0), ...over }))
      .expect(200)
  ).body;
const event = (id: string, body: object) =>
  h.callers.brewer.post(`/api/brews/${id}/events`, { id: newId(), at: h.now(), ...body });
const done = async (id: string, body: object) => (await event(id, body).expect(200)).body;

test('a pot is emptied cup by cup, and filled up again: each is kept with its moment', async () => {
  const brew = await start();
  const first = await done(brew.id, { kind: 'pull', at: at(240), cup: 150 });
  // The first cup ends the steep, by the clock.
  expect(first).toMatchObject({ timing: 'inWindow', state: { kind: 'pulled', pulled: at(240) } });
  await done(brew.id, { kind: 'pour', what: 'cup', ml: 150, at: at(540) });
  const id = newId();
  const again = await done(brew.id, { id, kind: 'pour', what: 'refill', ml: 300, at: at(600) });
  expect(again.pours).toEqual([
    { after: 240, what: 'cup', ml: 150 },
    { after: 540, what: 'cup', ml: 150 },
    { after: 600, what: 'refill', ml: 300 },
  ]);
  const undone = await done(brew.id, { kind: 'undo', of: id });
  expect(undone.pours).toHaveLength(2);
  const steepsOn = await done(brew.id, { kind: 'undoPull' });
  expect(steepsOn.pours ?? null).toBeNull();
});
test('what was poured off at once, or still steeps, gives no cup', async () => {
  const brew = await start();
  const early = await event(brew.id, { kind: 'pour', what: 'cup', ml: 150 });
  expect([early.status, early.body.details.why]).toEqual([409, 'notOnLeaf']);
  await done(brew.id, { kind: 'pull', at: at(240) });
  const late = await event(brew.id, { kind: 'pour', what: 'cup', ml: 150 });
  expect([late.status, late.body.details.why]).toEqual([409, 'notOnLeaf']);
  await event(brew.id, { kind: 'pour', what: 'cup', ml: 0 }).expect(422);
});
test('a basket that lifts out leaves nothing on the leaf, whatever a device says', async () => {
  const brew = await start({ vesselId: h.ids.pot });
  const pulled = await done(brew.id, { kind: 'pull', at: at(240), cup: 150 });
  expect(pulled.pours ?? null).toBeNull();
});
test('a tapered start has less leaf, worked out again by the server; for one cup there is none', async () => {
  const brew = await start({ taper: 3 });
  expect(brew.plan.leaf).toBeLessThan(6);
  expect(brew.plan.taper).toEqual({ cups: 3, house: 6 });
  await h.callers.brewer.post('/api/brews', brewBody(h, { taper: 1, place: 2 })).expect(422);
});

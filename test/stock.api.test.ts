import { startingRecipe } from '../src/core/recipes/index';
import { type Begun, begunHouse, brewBody, newId, POT } from './house';

const DAY = 86_400_000;
let h: Begun;
let lot: string;
const leafOf = async (id: string) =>
  (await h.callers.brewer.get(`/api/brews/${id}`).expect(200)).body.brew.plan.leaf as number;
beforeEach(async () => {
  h = await begunHouse();
  lot = newId();
  await h.callers.lead
    .post(`/api/teas/${h.ids.tea}/lots`, {
      ...{ id: lot, name: 'Lot 1', arrived: null, bestBefore: null, harvest: '', note: '' },
      ...{ state: 'inUse', weighing: null, versionId: null },
    })
    .expect(200);
});
afterEach(() => h.close());

const stock = async () => {
  const { lots } = (await h.callers.brewer.get('/api/stock').expect(200)).body;
  return lots.find((l: { lotId: string }) => l.lotId === lot);
};
const count = (grams: number, at = h.now(), by: 'brewer' | 'lead' | 'trainee' = 'brewer') =>
  h.callers[by].post(`/api/lots/${lot}/count`, { grams, at });
const start = async (over: object = {}): Promise<string> =>
  (await h.callers.brewer.post('/api/brews', brewBody(h, over)).expect(200)).body.id;
const event = (id: string, body: object) =>
  h.callers.brewer
    .post(`/api/brews/${id}/events`, { id: newId(), at: h.now(), ...body })
    .expect(200);

test('a tin is counted; brews since then take their leaf off, weighed leaf as it was weighed', async () => {
  expect(await stock()).toMatchObject({ counted: null, used: 0, perDay: null, price: null });
  await count(500, h.now() - 3_600_000).expect(200);
  const first = await start({ at: h.now() - 1_800_000 });
  const planned = await leafOf(first);
  expect((await stock()).used).toBeCloseTo(planned, 6);
  await event(first, { kind: 'step', key: 'weigh', outcome: 'done', grams: planned + 1.5 });
  expect((await stock()).used).toBeCloseTo(planned + 1.5, 6);
  // A second steep takes no new leaf.
  await event(first, { kind: 'pull', at: h.now() - 1_800_000 + 60_000 });
  await event(first, { kind: 'close' });
  await start({ after: first, at: h.now() });
  expect((await stock()).used).toBeCloseTo(planned + 1.5, 6);
});

test('leaf of a brew that was given up before its water went on is still in the tin; after it, it is not', async () => {
  await count(500, h.now() - 3_600_000).expect(200);
  const dry = await start({ warming: true, at: h.now() - 60_000 });
  await event(dry, { kind: 'abandon', reason: 'changed his mind' });
  expect((await stock()).used).toBe(0);
  const wet = await start({ at: h.now() - 30_000 });
  const planned = await leafOf(wet);
  await event(wet, { kind: 'abandon', reason: 'spilled' });
  expect((await stock()).used).toBeCloseTo(planned, 6);
});

test('what was brewed before the count does not count; a count that comes late changes nothing', async () => {
  await start({ at: h.now() - 2 * 3_600_000 });
  await count(300, h.now() - 3_600_000).expect(200);
  expect((await stock()).used).toBe(0);
  const late = await count(900, h.now() - 2 * 3_600_000).expect(200);
  expect(late.body.counted.grams).toBe(300);
  expect((await count(280)).body.counted).toMatchObject({ grams: 280 });
  const changes = (await h.callers.lead.get(`/api/history/lot/${lot}`).expect(200)).body;
  expect(JSON.stringify(changes)).toContain('leafCounted');
});

test('grams a day need three days; then they are of the tea, whichever lot', async () => {
  const id = await start({ at: h.now() - 10 * DAY });
  expect((await stock()).perDay).toBeCloseTo((await leafOf(id)) / 10, 3);
});

test('a price is a lead’s; another currency is refused beside its field', async () => {
  const price = (body: object | null, by: 'lead' | 'brewer' = 'lead') =>
    h.callers[by].patch(`/api/lots/${lot}/price`, { price: body });
  expect((await price({ per100g: 8.5, currency: 'EUR' }).expect(200)).body.price).toEqual({
    ...{ per100g: 8.5, currency: 'EUR' },
  });
  await price({ per100g: 8.5, currency: 'euro' }).expect(422);
  await price({ per100g: -1, currency: 'EUR' }).expect(422);
  await price({ per100g: 1, currency: 'EUR' }, 'brewer').expect(403);
  expect((await stock()).price.per100g).toBe(8.5);
  expect((await price(null).expect(200)).body.price).toBeNull();
  await count(-5).expect(422);
  await count(5, h.now(), 'trainee').expect(403);
});

describe('pockets filled ahead', () => {
  const BAG = 2;
  const recipe = { ...startingRecipe('black-whole'), bag: BAG };
  let version: string;
  let pockets: string;
  const fill = (over: object = {}) =>
    h.callers.brewer.post('/api/pockets', {
      ...{ id: pockets, siteId: h.ids.site, teaId: h.ids.tea, grams: BAG, filled: 10, ...over },
    });
  const left = async () =>
    (await h.callers.brewer.get('/api/stock').expect(200)).body.pockets.map(
      (p: { left: number }) => p.left,
    );
  /** A mug that takes bags. */
  const bagMug = async (): Promise<string> => {
    const mug = newId();
    await h.callers.lead
      .post('/api/vessels', {
        ...{
          ...POT,
          id: mug,
          siteId: h.ids.site,
          name: 'Bag mug',
          infuser: 'flatbag',
          basket: null,
        },
      })
      .expect(200);
    return mug;
  };
  /** One pocket of an old filling, ten of a new one, and a brew that takes more than one. */
  async function brewedFromTwoFillings() {
    const mug = await bagMug();
    await count(500, h.now() - 3_600_000).expect(200);
    await fill({ filled: 1 }).expect(200);
    pockets = newId();
    await fill().expect(200);
    const id = await start({ vesselId: mug, versionId: version, at: h.now() });
    return { id, bags: Math.round((await leafOf(id)) / BAG) };
  }
  beforeEach(async () => {
    [version, pockets] = [newId(), newId()];
    await h.callers.lead
      .post(`/api/teas/${h.ids.tea}/versions`, {
        ...{ id: version, method: 'bag', recipe, reason: 'For the rush', as: 'house' },
        ...{ basedOn: 0, settles: [] },
      })
      .expect(200);
  });
  test('filled once however often it is sent, counted by hand, and never more than were filled', async () => {
    await fill().expect(200);
    const { body } = await fill().expect(200);
    expect(await left()).toEqual([10]);
    const to = (n: number, rev: number) =>
      h.callers.brewer.patch(`/api/pockets/${pockets}`, { left: n, rev });
    const fewer = await to(9, body.rev).expect(200);
    expect([fewer.body.left, fewer.body.rev]).toEqual([9, body.rev + 1]);
    // The same touch sent again, and another tablet's older one.
    await to(9, body.rev).expect(200);
    expect((await to(8, body.rev)).status).toBe(409);
    await to(11, fewer.body.rev).expect(422);
    expect(await left()).toEqual([9]);
  });

  test('their leaf leaves the tin when they are filled, not again when a bag is brewed; the oldest go first', async () => {
    const { bags } = await brewedFromTwoFillings();
    expect(bags).toBeGreaterThan(1);
    expect(await left()).toEqual([10 - (bags - 1)]);
    expect((await stock()).used).toBe(11 * BAG);
  });
  test('bags of a start that was taken back go into their pockets again, and come out when the undo is undone', async () => {
    const { id, bags } = await brewedFromTwoFillings();
    const event = (what: object, eventId = newId()) =>
      h.callers.brewer
        .post(`/api/brews/${id}/events`, { id: eventId, at: h.now(), ...what })
        .expect(200);
    const givenUp = newId();
    await event({ kind: 'abandon', reason: 'Started by mistake' }, givenUp);
    expect((await left()).reduce((a: number, b: number) => a + b, 0)).toBe(11);
    // The leaf is in its pockets, and nowhere twice.
    expect((await stock()).used).toBe(11 * BAG);
    await event({ kind: 'undo', of: givenUp });
    expect((await left()).reduce((a: number, b: number) => a + b, 0)).toBe(11 - bags);
    expect((await stock()).used).toBe(11 * BAG);
    // Spilled after its water was on, a bag is used.
    await event({ kind: 'abandon', reason: 'Spilled' });
    expect((await left()).reduce((a: number, b: number) => a + b, 0)).toBe(11 - bags);
  });
  test('a bag that nobody filled ahead takes its leaf out of the tin', async () => {
    const mug = await bagMug();
    await count(500, h.now() - 3_600_000).expect(200);
    await fill({ filled: 1 }).expect(200);
    const id = await start({ vesselId: mug, versionId: version, at: h.now() });
    const brewed = await leafOf(id);
    expect(brewed).toBeGreaterThan(BAG);
    // One bag was in its pocket already; the others were filled as the brew was made.
    expect((await stock()).used).toBeCloseTo(brewed, 6);
    expect(await left()).toEqual([]);
  });
});

import { proposeForBatch } from '#core/cold';
import { ALL_RIGHT } from '#core/corrections';
import { startingRecipe } from '#core/recipes';
import { epochMs, millilitres } from '#core/units';
import type { Batch } from '#contracts/batches';
import type { TeaPage } from '#contracts/teas';
import { type ColdTea, coldTea } from './coldTea';
import { type Begun, begunHouse, brewBody, newId, PLAIN_TEA, POT, SITE } from './house';

// What is done to a cold batch beside lifting and pouring: judged, poured over, its times mended, its end chosen.

const HOUR = 3_600_000;
let h: Begun;
let c: ColdTea;
beforeEach(async () => {
  h = await begunHouse();
  c = await coldTea(h);
});
afterEach(() => h.close());
const one = async (): Promise<Batch> => {
  const [batch] = (await c.cold()).batches;
  if (!batch) throw new Error('no batch');
  return batch;
};

describe('a batch is judged', () => {
  const tasted = (batch: Batch, accepted: boolean) => {
    const verdict = { ...ALL_RIGHT, strength: -1 as const };
    const proposal = proposeForBatch({
      verdict,
      style: batch.tea.style,
      plan: batch.plan,
      steeped: batch.plan.window.best,
      left: millilitres(900),
      waterAfter: 0,
    });
    return { id: newId(), kind: 'taste', verdict, proposal, accepted, remark: 'a little cloudy' };
  };
  const notes = async () =>
    ((await h.callers.lead.get(`/api/teas/${c.ids.tea}`).expect(200)).body as TeaPage).notes;

  test('and what the taster would change is noted for the lead at the tea; taken back, the note goes', async () => {
    const batch = await c.lifted();
    const event = tasted(batch, true);
    for (let i = 0; i < 2; i++) await c.act(batch, event).expect(200);
    expect(await notes()).toMatchObject([
      {
        batchId: batch.id,
        brewId: null,
        headline: event.proposal.headline,
        found: 'light',
        by: { name: 'Brewer B.' },
      },
    ]);
    expect((await one()).events.at(-1)).toMatchObject({
      kind: 'taste',
      remark: 'a little cloudy',
      by: 'Brewer B.',
    });
    await c.act(batch, { kind: 'undo', of: event.id }).expect(200);
    expect(await notes()).toEqual([]);
  });
  test('kept as it is, the lead hears nothing; with its leaf in, or past its time, it is not judged', async () => {
    const infusing = await c.start();
    expect((await c.act(infusing, tasted(infusing, false)).expect(409)).body.message).toMatch(
      /The leaf is still in/,
    );
    c.wait(infusing.plan.window.best / 3600);
    await c.act(infusing, { kind: 'lift', yield: 900, squeezed: false }).expect(200);
    const observed = { clarity: 'hazy', words: ['malty'], leaf: ['even'] };
    await c.act(infusing, { ...tasted(infusing, false), observed }).expect(200);
    expect((await one()).events.at(-1)).toMatchObject({ kind: 'taste', observed });
    const murky = { ...tasted(infusing, false), observed: { ...observed, clarity: 'murky' } };
    await c.act(infusing, murky).expect(422);
    expect(await notes()).toEqual([]);
    c.wait(73);
    expect((await c.act(infusing, tasted(infusing, false)).expect(409)).body.message).toMatch(
      /The time of this batch ended/,
    );
  });
});

describe('poured over into another vessel', () => {
  const vessels = () => ({
    from: { id: c.ids.pitcher, name: 'Pitcher 3' },
    to: { id: c.ids.bottle, name: 'Bottle 1' },
  });
  test('the first is free for new leaf; taken back only while it is', async () => {
    const batch = await c.lifted();
    const decant = { id: newId(), kind: 'decant', ...vessels() };
    const { body: after } = await c.act(batch, decant).expect(200);
    expect(after).toMatchObject({ vesselId: c.ids.bottle, vesselName: 'Bottle 1' });
    expect(await one()).toMatchObject({ vesselId: c.ids.bottle, vesselName: 'Bottle 1' });
    const second = await c.start();
    expect((await c.act(batch, { kind: 'undo', of: decant.id }).expect(409)).body.message).toMatch(
      /is in that vessel now/,
    );
    await c.act(second, { kind: 'undo', of: second.id }).expect(200);
    await c.act(batch, { kind: 'undo', of: decant.id }).expect(200);
    expect((await c.cold()).batches.find((b) => b.id === batch.id)?.vesselName).toBe('Pitcher 3');
  });
  test('only into an empty one of this site', async () => {
    const batch = await c.lifted();
    const { from, to } = vessels();
    await c.act(batch, { kind: 'decant', from, to: from }).expect(409);
    await c.act(batch, { kind: 'decant', from, to: { id: newId(), name: 'Nowhere' } }).expect(404);
    await c.start({ vesselId: c.ids.bottle });
    expect((await c.act(batch, { kind: 'decant', from, to }).expect(409)).body.message).toMatch(
      /Kestry Pearl is in the Bottle 1\. Empty the vessel first\./,
    );
  });
  test('not where hot tea steeps; and no hot tea is started where it stands', async () => {
    const batch = await c.lifted();
    const cup = { id: h.ids.pot, name: 'White pot' };
    const decant = { kind: 'decant', from: vessels().from, to: cup };
    const { body: brew } = await h.callers.brewer.post('/api/brews', brewBody(h)).expect(200);
    expect((await c.act(batch, decant).expect(409)).body.message).toBe(
      'White pot is in use: Brewer B. started Tolvane Amber in it.',
    );
    await h.callers.brewer
      .post(`/api/brews/${brew.id}/events`, { id: newId(), at: h.now(), kind: 'pull' })
      .expect(200);
    await c.act(batch, decant).expect(200);
    const again = brewBody(h, { place: 2 });
    expect((await h.callers.brewer.post('/api/brews', again).expect(409)).body).toMatchObject({
      code: 'brew.vesselInUse',
      message: 'White pot is in use: cold Kestry Pearl is in the vessel. Empty the vessel first.',
    });
  });
});

test('out on the counter its end comes sooner, from every device; back in the fridge it is kept so', async () => {
  const batch = await c.lifted();
  const shelve = (place: string, air: number) => ({ id: newId(), kind: 'shelve', place, air });
  const out = shelve('counter', 21);
  for (let i = 0; i < 2; i++) await c.act(batch, out).expect(200);
  expect((await one()).events.filter((e) => e.kind === 'shelve')).toMatchObject([
    { place: 'counter', air: 21, by: 'Brewer B.' },
  ]);
  expect((await c.act(batch, shelve('counter', 21)).expect(409)).body.message).toMatch(
    /is on the counter already/,
  );
  c.wait(5);
  const pour = { kind: 'pour', ml: 220, glasses: 1 };
  expect((await c.act(batch, pour).expect(409)).body.message).toMatch(/ended at/);
  await c.act(batch, shelve('fridge', 4)).expect(200);
  expect((await c.act(batch, pour).expect(409)).body.message).toMatch(/Throw the batch out/);
});

test('leaf that was in an hour sooner than kept: window and end move with it, and back', async () => {
  const batch = await c.start();
  const to = epochMs(batch.leafIn - HOUR);
  const retime = { id: newId(), kind: 'retime', from: batch.leafIn, to };
  c.wait(1);
  await c.act(batch, retime).expect(200);
  expect((await one()).leafIn).toBe(to);
  await c.act(batch, { kind: 'undo', of: retime.id }).expect(200);
  expect((await one()).leafIn).toBe(batch.leafIn);
  await c
    .act(batch, { kind: 'retime', from: batch.leafIn, to: h.now() + HOUR })
    .expect(409)
    .then(({ body }) => expect(body.message).toMatch(/in the future/));
});

describe('the end that a lead chooses', () => {
  const end = async () =>
    (
      (
        await h.callers.lead
          .get(`/api/cold/batches.json?from=${h.now() - 200 * HOUR}&to=${h.now() + HOUR}`)
          .expect(200)
      ).body as { discardAt: string; because: string }[]
    )[0];
  test('sooner holds at once; it wants a lead and a reason', async () => {
    const batch = await c.lifted();
    // To the second, as the record says it.
    const until = Math.round(h.now() / 1000) * 1000 + 5 * HOUR;
    const shorten = { kind: 'shorten', until, reason: 'for today only' };
    expect((await c.act(batch, shorten).expect(409)).body.message).toMatch(/Only a lead/);
    expect(
      (await c.act(batch, { ...shorten, reason: ' ' }, 'lead').expect(409)).body.message,
    ).toMatch(/Give the reason/);
    await c.act(batch, shorten, 'lead').expect(200);
    expect(await end()).toMatchObject({ because: 'shortened' });
    expect(Date.parse((await end())?.discardAt ?? '')).toBe(until);
    c.wait(5.1);
    await c.act(batch, { kind: 'pour', ml: 100, glasses: null }).expect(409);
  });
  test('later only over age, and to five days from lift', async () => {
    const batch = await c.lifted();
    const lifted = h.now();
    const later = (hours: number) => ({
      kind: 'override',
      until: lifted + hours * HOUR,
      reason: 'tasted, clear',
    });
    c.wait(73);
    await c.act(batch, { kind: 'pour', ml: 100, glasses: null }).expect(409);
    expect((await c.act(batch, later(121), 'lead').expect(409)).body.message).toMatch(
      /Five days after lifting is the most/,
    );
    await c.act(batch, later(100), 'brewer').expect(409);
    await c.act(batch, later(100), 'lead').expect(200);
    expect(await end()).toMatchObject({ because: 'extended' });
    await c.act(batch, { kind: 'pour', ml: 100, glasses: null }).expect(200);
    c.wait(28);
    await c.act(batch, { kind: 'pour', ml: 100, glasses: null }).expect(409);
  });
  test('nobody keeps longer what was warm', async () => {
    const batch = await c.lifted();
    for (let hour = 1; hour <= 8; hour++) {
      c.wait(1);
      await h.callers.brewer
        .post('/api/fridge-readings', {
          id: newId(),
          siteId: h.ids.site,
          at: h.now(),
          celsius: 16,
        })
        .expect(200);
    }
    expect((await end())?.because).toBe('warm');
    expect(
      (
        await c
          .act(batch, { kind: 'override', until: h.now() + 9 * HOUR, reason: 'clear' }, 'lead')
          .expect(409)
      ).body.message,
    ).toMatch(/Nobody can allow a later time/);
  });
});

test('warm, then cold: hot water first, then the second water once, while the leaf is in; the lidded cup does', async () => {
  const [teaId, versionId, cup] = [newId(), newId(), newId()];
  await h.callers.lead
    .post('/api/vessels', {
      ...POT,
      ...{ id: cup, siteId: h.ids.site, name: 'Lidded cup', kind: 'lidded' },
      ...{ brim: 400, mark: 350, infuser: 'free', basket: null },
    })
    .expect(200);
  await h.callers.lead
    .post('/api/teas', {
      id: teaId,
      versionId,
      name: 'Sennet Dew',
      style: 'green-pan',
      method: 'warmThenCold',
      ...PLAIN_TEA,
      weighing: null,
      spoon: 'dessertSpoon',
      recipe: startingRecipe('green-pan', 'warmThenCold'),
    })
    .expect(200);
  const body = c.startBody({ teaId, versionId, vesselId: cup, water: 300 });
  const batch = (await h.callers.brewer.post('/api/batches', body).expect(200)).body as Batch;
  expect(batch.plan.hotFirst).toEqual({ water: 100, temperature: 80, time: 60 });
  // A third hot and two thirds cold would begin near 30 °C: ice in place of cold water makes it cold in time.
  expect(batch.plan.ice).toBeGreaterThan(20);
  expect(batch.plan.ice).toBeLessThan(200);
  expect(batch.plan.start).toBeGreaterThan(5);
  expect(batch.plan.start).toBeLessThan(20);
  c.wait(1 / 60);
  const coldOn = { id: newId(), kind: 'coldOn' };
  await c.act(batch, coldOn).expect(200);
  expect((await c.act(batch, { kind: 'coldOn' }).expect(409)).body.message).toMatch(
    /The cold water went on at/,
  );
  await c.act(batch, { kind: 'undo', of: coldOn.id }).expect(200);
  await c.act(batch, { kind: 'coldOn' }).expect(200);
  c.wait(batch.plan.window.best / 3600);
  expect(
    (await c.act(batch, { kind: 'lift', yield: null, squeezed: true }).expect(409)).body.message,
  ).toMatch(/Squeeze only cold brews/);
  await c.act(batch, { kind: 'lift', yield: null, squeezed: false }).expect(200);
  expect((await c.act(batch, { kind: 'coldOn' }).expect(409)).body.message).toMatch(
    /Cold-brewed leaf is done after one steep/,
  );
  const plain = await c.start();
  expect((await c.act(plain, { kind: 'coldOn' }).expect(409)).body.message).toMatch(
    /one water only/,
  );
});

test('counter brews: off until a lead allows them; then four hours from leaf in, whatever follows', async () => {
  const [teaId, versionId] = [newId(), newId()];
  await h.callers.lead
    .post('/api/teas', {
      id: teaId,
      versionId,
      name: 'Sennet Dew',
      style: 'green-pan',
      method: 'counter',
      ...PLAIN_TEA,
      weighing: null,
      spoon: 'dessertSpoon',
      recipe: startingRecipe('green-pan', 'counter'),
    })
    .expect(200);
  const body = () => c.startBody({ teaId, versionId, waterAt: 20 });
  await h.callers.brewer.post('/api/batches', body()).expect(409);
  await h.callers.lead
    .patch(`/api/sites/${h.ids.site}`, {
      ...SITE,
      rev: 1,
      limits: {
        ...{ keepHours: 72, warmStartKeepHours: 48, limit: 5 },
        ...{ warmHours: 4, coolHours: 4, counterHours: 4, counterAllowed: true },
      },
    })
    .expect(200);
  const batch = (await h.callers.brewer.post('/api/batches', body()).expect(200)).body as Batch;
  expect(batch.plan).toMatchObject({ place: 'counter', air: SITE.ambient });
  c.wait(batch.plan.window.best / 3600);
  await c.act(batch, { kind: 'lift', yield: 900, squeezed: false }).expect(200);
  await c.act(batch, { kind: 'pour', ml: 200, glasses: 1 }).expect(200);
  c.wait(4 - batch.plan.window.best / 3600);
  expect(
    (await c.act(batch, { kind: 'pour', ml: 200, glasses: 1 }).expect(409)).body.message,
  ).toMatch(/Throw the batch out/);
  expect(
    (
      await c
        .act(batch, { kind: 'override', until: h.now() + HOUR, reason: 'still fresh' }, 'lead')
        .expect(409)
    ).body.message,
  ).toMatch(/Nobody can allow a later time/);
});

import type { Batch } from '#contracts/batches';
import { type ColdTea, coldTea } from './coldTea';
import { type Begun, begunHouse, newId } from './house';

// The record of an inspection taken in again: what was given out comes back as it was.

const HOUR = 3_600_000;
let h: Begun;
let c: ColdTea;
beforeEach(async () => {
  h = await begunHouse();
  c = await coldTea(h);
});
afterEach(() => h.close());

type Kept = { begun: Batch[]; temperatures: { at: string; celsius: number }[] };
const record = async (): Promise<Kept> => {
  const period = `from=${h.now() - 400 * HOUR}&to=${h.now() + HOUR}&zone=Europe/Lisbon`;
  const { text } = await h.callers.lead.get(`/api/cold/record.json?${period}`).expect(200);
  return JSON.parse(text) as Kept;
};
const take = (text: string, confirmed: boolean, by: keyof Begun['callers'] = 'lead') =>
  h.callers[by].post('/api/cold/record', { siteId: h.ids.site, text, confirmed });
const discarded = async (): Promise<Batch> => {
  const batch = await c.lifted();
  return (await c.act(batch, { kind: 'discard', ml: 900, reason: 'off' }).expect(200))
    .body as Batch;
};
/** The same as another house would have it: every id is its own. */
const ofAnotherHouse = (batch: Batch): Batch => ({
  ...batch,
  ...{ id: newId(), versionId: newId(), vesselId: newId() },
  tea: { ...batch.tea, id: newId() },
  events: batch.events.map((e) => ({ ...e, id: newId() })),
});

test('another house’s record: looked at first, then added once, with every act under the name of who did it', async () => {
  await discarded();
  const [mine] = (await record()).begun;
  if (!mine) throw new Error('no batch');
  const theirs = ofAnotherHouse(mine);
  const temperatures = [{ at: '2026-01-05T08:00:00+01:00', celsius: 4.25 }];
  const text = JSON.stringify({ begun: [mine, theirs], temperatures });
  const found = { batches: 1, known: 1, standing: 0, readings: 1, faultCount: 0 };
  expect((await take(text, false).expect(200)).body).toMatchObject({ ...found, taken: false });
  expect((await record()).begun).toEqual([mine]);
  expect((await take(text, true).expect(200)).body).toMatchObject({ ...found, taken: true });
  expect((await take(text, true).expect(200)).body).toMatchObject({
    ...{ batches: 0, known: 2, readings: 0 },
  });
  const { begun } = await record();
  const { tea, versionId, vesselId } = mine;
  expect(begun.find((b) => b.id === theirs.id)).toEqual({ ...theirs, tea, versionId, vesselId });
  // It ended there: the pitcher is free here.
  await c.start();
});
test('what is missing here is said by batch and name, and nothing comes in', async () => {
  await discarded();
  const [mine] = (await record()).begun;
  if (!mine) throw new Error('no batch');
  const theirs = ofAnotherHouse(mine);
  const strange = {
    ...theirs,
    ...{ tea: { ...theirs.tea, name: 'Unknown Leaf' }, vesselName: 'Far jar' },
    startedBy: { ...theirs.startedBy, name: 'Nobody N.' },
  };
  const temperatures = [{ at: 'noon', celsius: 4 }];
  const { body } = await take(JSON.stringify({ begun: [strange], temperatures }), true).expect(200);
  expect(body).toMatchObject({ taken: false, batches: 0, faultCount: 4 });
  expect(body.faults.map((f: { why: string }) => f.why)).toEqual([
    'No tea here is called “Unknown Leaf”.',
    'No vessel of this site is called “Far jar”.',
    'Nobody here is called “Nobody N.”.',
    '“noon” is no time.',
  ]);
  expect((await record()).begun).toEqual([mine]);
  for (const [text, where] of [
    ['', 'the file'],
    ['at,celsius', 'the file'],
    ['[]', 'the file'],
    ['{"begun": [{"id": 3}], "temperatures": []}', 'batch 1'],
  ]) {
    const { faults } = (await take(text ?? '', true).expect(200)).body;
    expect(faults.map((f: { where: string }) => f.where)).toEqual([where]);
  }
});
test('a batch that had not ended stays out and is counted; leads only', async () => {
  await c.start();
  const [mine] = (await record()).begun;
  if (!mine) throw new Error('no batch');
  const text = JSON.stringify({ begun: [ofAnotherHouse(mine)], temperatures: [] });
  expect((await take(text, true).expect(200)).body).toMatchObject({ batches: 0, standing: 1 });
  expect((await record()).begun).toHaveLength(1);
  await take(text, true, 'brewer').expect(403);
});

test('the local code that a lead typed stands in the record; a link that is none is said beside its field', async () => {
  const { text: before } = await h.callers.lead
    .get(`/api/cold/record.json?from=${h.now() - HOUR}&to=${h.now()}&zone=Europe/Lisbon`)
    .expect(200);
  expect(JSON.parse(before).note).toBe('Guidance and house limits; the local food code decides.');
  const safety = {
    codeName: 'Food rules of Harbour district',
    codeLink: 'https://rules.example/food',
    hotHold: 63,
    cardWords: 'Ask us about allergens.',
  };
  const site = (await h.callers.lead.get('/api/house').expect(200)).body.session.site;
  const { id, ...fields } = site as { id: string };
  const change = (over: object, by: keyof Begun['callers'] = 'lead') =>
    h.callers[by].patch(`/api/sites/${id}`, { ...fields, safety: { ...safety, ...over } });
  await change({}, 'brewer').expect(403);
  const bad = await change({ codeLink: 'javascript:alert(1)' }).expect(422);
  expect(bad.body.fields['safety.codeLink']).toBe('A link begins with https:// or http://.');
  expect((await change({ hotHold: 12 }).expect(422)).body.fields).toHaveProperty([
    'safety.hotHold',
  ]);
  expect((await change({}).expect(200)).body.safety).toEqual(safety);
  const { text } = await h.callers.lead
    .get(`/api/cold/record.json?from=${h.now() - HOUR}&to=${h.now()}&zone=Europe/Lisbon`)
    .expect(200);
  expect(JSON.parse(text).note).toBe(
    'Guidance and house limits; the local food code decides: Food rules of Harbour district (https://rules.example/food).',
  );
});

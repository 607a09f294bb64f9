import { eq } from 'drizzle-orm';
import { ALL_RIGHT } from '../src/core/corrections/index';
import { brewEvents } from '../src/server/db/schema';
import { type Begun, begunHouse, BITTER_PROPOSAL, brewBody, newId } from './house';

const STEEPED = 240;
let h: Begun;
let began: number;
beforeEach(async () => {
  h = await begunHouse();
  began = h.now() - 600_000;
});
afterEach(() => h.close());

const done = async (id: string, body: object) =>
  (
    await h.callers.brewer
      .post(`/api/brews/${id}/events`, { id: newId(), at: h.now(), ...body })
      .expect(200)
  ).body;
/** A cup that was pulled, `after` so many seconds. */
async function pulled(after = 0): Promise<string> {
  const body = brewBody(h, { at: began + after * 1000 });
  const { id } = (await h.callers.brewer.post('/api/brews', body).expect(200)).body;
  await done(id, { kind: 'pull', at: began + (after + STEEPED) * 1000 });
  return id;
}
const judgement = (observed?: object) => ({
  ...{ kind: 'judge', verdict: ALL_RIGHT, proposal: BITTER_PROPOSAL, accepted: false, remark: '' },
  ...(observed && { observed }),
});
const HAZY = { clarity: 'hazy', words: ['Malty', 'brisk'], leaf: ['even'] };
const found = async (noted: string) =>
  (
    await h.callers.lead.get(`/api/brews?noted=${encodeURIComponent(noted)}`).expect(200)
  ).body.brews.map((b: { id: string }) => b.id);

test('what was noted of a judged cup is kept, found by each word, exported, and gone with the undo', async () => {
  const [noted, plain] = [await pulled(), await pulled(20)];
  const event = newId();
  const judged = await done(noted, { id: event, ...judgement(HAZY) });
  expect(judged.observed).toEqual(HAZY);
  await done(plain, judgement());
  for (const word of ['hazy', 'malty', 'BRISK', 'leaf: even'])
    expect(await found(word)).toEqual([noted]);
  expect(await found('even')).toEqual([]);
  expect(await found('cloudy')).toEqual([]);
  const { terms } = (await h.callers.lead.get('/api/brews').expect(200)).body;
  expect(terms).toEqual(['brisk', 'hazy', 'leaf: even', 'malty']);
  const csv = (await h.callers.lead.get('/api/log/brews.csv?noted=hazy').expect(200)).text;
  expect(csv).toContain('"hazy; Malty, brisk; leaf even"');
  await done(noted, { kind: 'undo', of: event });
  expect(await found('hazy')).toEqual([]);
  // Judged anew, with another eye.
  await done(noted, judgement({ ...HAZY, clarity: 'cloudy', words: [], leaf: [] }));
  expect(await found('cloudy')).toEqual([noted]);
  expect(await found('malty')).toEqual([]);
});

test('two spellings that the database takes for one word are both kept with the cup, and found once', async () => {
  const id = await pulled();
  const judged = await done(
    id,
    judgement({ clarity: null, words: ['rosé', 'rose', '🌿', '🍵'], leaf: [] }),
  );
  expect(judged.observed.words).toEqual(['rosé', 'rose', '🌿', '🍵']);
  expect(await found('rose')).toEqual([id]);
});

test('a judgement that was kept before cups were noted can still be taken back', async () => {
  const id = await pulled();
  const event = newId();
  await done(id, { id: event, ...judgement() });
  const [kept] = await h.db.select().from(brewEvents).where(eq(brewEvents.id, event));
  const { observed: _observed, ...before } = kept?.before ?? {};
  await h.db.update(brewEvents).set({ before }).where(eq(brewEvents.id, event));
  const again = await done(id, { kind: 'undo', of: event });
  expect(again.state.kind).toBe('pulled');
});

test('a cup without notes has none, and a repeated judgement keeps one set', async () => {
  const id = await pulled();
  const event = newId();
  const body = { id: event, at: h.now(), ...judgement({ clarity: null, words: [], leaf: [] }) };
  await h.callers.brewer.post(`/api/brews/${id}/events`, body).expect(200);
  const again = await h.callers.brewer.post(`/api/brews/${id}/events`, body).expect(200);
  expect(again.body).not.toHaveProperty('observed');
  expect((await h.callers.lead.get('/api/brews').expect(200)).body.terms).toEqual([]);
});

test('clarity over time: clear at 0, hazy at 1, cloudy at 2; a cup nobody looked at is no point', async () => {
  for (const [after, clarity] of [
    [0, 'clear'],
    [20, 'cloudy'],
    [40, null],
    [60, 'hazy'],
  ] as const)
    await done(await pulled(after), judgement({ clarity, words: ['malty'], leaf: [] }));
  const trend = await h.callers.lead
    .get(`/api/trends?siteId=${h.ids.site}&measure=clarity`)
    .expect(200);
  expect(trend.body.points.map((p: { value: number }) => p.value)).toEqual([0, 2, 1]);
  expect(trend.body.chart).toBeNull();
  expect(trend.body.tables.tea[0]).toMatchObject({ n: 4, looked: 3, notClear: 2 });
});

test.each([
  ['an unknown clarity', { clarity: 'murky', words: [], leaf: [] }],
  ['a word of no letters', { clarity: null, words: [' '], leaf: [] }],
  [
    'thirteen words',
    { clarity: null, words: Array.from({ length: 13 }, (_, i) => `w${i}`), leaf: [] },
  ],
  ['a word too long', { clarity: null, words: [], leaf: ['x'.repeat(41)] }],
])('%s is refused and nothing is judged', async (_, observed) => {
  const id = await pulled();
  await h.callers.brewer
    .post(`/api/brews/${id}/events`, { id: newId(), at: h.now(), ...judgement(observed) })
    .expect(422);
  const { brew } = (await h.callers.brewer.get(`/api/brews/${id}`).expect(200)).body;
  expect(brew.state.kind).toBe('pulled');
});

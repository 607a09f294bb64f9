import { type Begun, begunHouse, brewBody, newId, SITE } from './house';

let h: Begun;
let today: string;
beforeEach(async () => {
  h = await begunHouse();
  today = new Date(h.now()).toISOString().slice(0, 10);
});
afterEach(() => h.close());

const dayBefore = (days: number) =>
  new Date(Date.parse(today) - days * 86_400_000).toISOString().slice(0, 10);
const changed = (day: string, by: 'brewer' | 'lead' | 'trainee' = 'brewer') =>
  h.callers[by].post(`/api/sites/${h.ids.site}/filter`, { changed: day });
const start = async (over: object = {}) =>
  (
    await h.callers.brewer
      .post('/api/brews', brewBody(h, { at: h.now() - 1000, ...over }))
      .expect(200)
  ).body;

test('a brewer puts a new filter in: recorded, and said twice it is one change', async () => {
  const first = (await changed(dayBefore(3)).expect(200)).body;
  expect(first.water).toMatchObject({
    filtered: true,
    filter: { changed: dayBefore(3), everyDays: 60 },
  });
  const again = (await changed(dayBefore(3)).expect(200)).body;
  expect(again.rev).toBe(first.rev);
  const recorded = (await h.callers.lead.get(`/api/history/site/${h.ids.site}`)).body;
  expect(JSON.stringify(recorded)).toContain(dayBefore(3));
});

test('the days of a filter stay as a lead typed them', async () => {
  const water = {
    ...SITE.water,
    filtered: true,
    filter: { changed: dayBefore(90), everyDays: 30 },
  };
  await h.callers.lead.patch(`/api/sites/${h.ids.site}`, { ...SITE, water, rev: 1 }).expect(200);
  const { filter } = (await changed(today).expect(200)).body.water;
  expect(filter).toEqual({ changed: today, everyDays: 30 });
});

test('a day to come, a day that is none, and a filter of no days are refused beside their field', async () => {
  const ahead = await changed(dayBefore(-3));
  expect([ahead.status, ahead.body.fields.changed]).toEqual([422, 'This day is still to come.']);
  await changed('2026-02-30').expect(422);
  const water = { ...SITE.water, filtered: true, filter: { changed: today, everyDays: 0 } };
  await h.callers.lead.patch(`/api/sites/${h.ids.site}`, { ...SITE, water, rev: 1 }).expect(422);
});

test('a brew keeps the water it was made with; a filter changed later changes nothing in it', async () => {
  const before = await start();
  expect(before.plan.brewWater).toEqual({ ...SITE.water, filterChanged: null });
  await changed(dayBefore(1)).expect(200);
  const id = newId();
  await h.callers.brewer
    .post(`/api/brews/${before.id}/events`, { id, at: h.now(), kind: 'abandon', reason: 'spilled' })
    .expect(200);
  const after = await start({ id: newId() });
  expect(after.plan.brewWater).toMatchObject({ filtered: true, filterChanged: dayBefore(1) });
  const kept = (await h.callers.lead.get(`/api/brews/${before.id}`).expect(200)).body.brew;
  expect(kept.plan.brewWater.filterChanged).toBeNull();
});

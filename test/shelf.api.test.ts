import { type Begun, begunHouse, newId, POT } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

describe('spoons', () => {
  test('the trade’s are there and cannot be changed; a house adds a scoop and weighs a tea with it', async () => {
    const scoop = { id: newId(), name: 'green scoop', ml: 18, heaped: false };
    for (let i = 0; i < 2; i++)
      expect((await h.callers.lead.post('/api/spoons', scoop).expect(200)).body).toMatchObject({
        plural: 'green scoops',
        own: true,
        rev: 1,
      });
    const all = (await h.callers.trainee.get('/api/spoons').expect(200)).body.spoons as {
      id: string;
      own: boolean;
    }[];
    expect(all.filter((s) => s.own).map((s) => s.id)).toEqual([scoop.id]);
    expect(all.filter((s) => !s.own)).toHaveLength(5);
    await h.callers.lead
      .patch('/api/spoons/dessertSpoon', {
        name: 'x',
        ml: 10,
        heaped: false,
        rev: 0,
        retired: false,
      })
      .expect(422);
    const [before] = (await h.callers.lead.get('/api/book').expect(200)).body.teas;
    const {
      id: _i,
      house: _h,
      trial: _t,
      recipes: _r,
      measure: _m,
      lots: _l,
      photoId: _p,
      fitted: _f,
      swatches: _s,
      ...tea
    } = before;
    const after = (
      await h.callers.lead
        .patch(`/api/teas/${h.ids.tea}`, {
          ...tea,
          spoon: scoop.id,
          weighing: { spoon: scoop.id, spoons: 3, weighed: 12.9, singles: [4.2, 4.4, 4.3] },
        })
        .expect(200)
    ).body;
    expect(after.measure.weighing.spoon).toMatchObject({ name: 'green scoop', ml: 18 });
    const brew = {
      id: newId(),
      siteId: h.ids.site,
      teaId: h.ids.tea,
      versionId: h.ids.version,
      vesselId: h.ids.pot,
      water: 500,
      warmed: true,
      warming: false,
      place: 1,
      at: h.now(),
    };
    expect((await h.callers.brewer.post('/api/brews', brew).expect(200)).body.plan.spoons).toBe(
      '1½ level green scoops',
    );
  });
  test('a scoop changed on an old copy is refused', async () => {
    const scoop = { id: newId(), name: 'scoop', ml: 18, heaped: false };
    await h.callers.lead.post('/api/spoons', scoop).expect(200);
    const change = { name: 'scoop', ml: 17, heaped: true, retired: false, rev: 1 };
    expect(
      (await h.callers.lead.patch(`/api/spoons/${scoop.id}`, change).expect(200)).body,
    ).toMatchObject({ ml: 17, heaped: true, rev: 2 });
    expect(
      (await h.callers.lead.patch(`/api/spoons/${scoop.id}`, change).expect(409)).body.code,
    ).toBe('record.changed');
  });
});

describe('kettles', () => {
  const kettle = () => ({
    id: newId(),
    siteId: h.ids.site,
    name: 'Tall kettle',
    kind: 'kettle',
    volume: 1200,
    material: 'stainless',
    lid: true,
    setPoints: { from: 60, to: 100, step: 5 },
    note: '',
  });
  const reading = (over: object = {}) => ({
    id: newId(),
    kind: 'cooling',
    boil: newId(),
    seconds: 0,
    celsius: 99.4,
    kettleCelsius: null,
    water: 1000,
    ambient: 20,
    simulated: false,
    at: h.now(),
    ...over,
  });
  test('readings are kept in order, once each, by whoever took them; a lead can take one out, and that is kept', async () => {
    const k = kettle();
    await h.callers.lead.post('/api/kettles', k).expect(200);
    const first = reading();
    for (let i = 0; i < 2; i++)
      await h.callers.brewer.post(`/api/kettles/${k.id}/readings`, first).expect(200);
    const second = reading({ boil: first.boil, seconds: 300, celsius: 91.2, at: h.now() + 10 });
    const after = (await h.callers.lead.post(`/api/kettles/${k.id}/readings`, second).expect(200))
      .body;
    expect(
      after.readings.map((r: { celsius: number; by: { name: string } }) => [r.celsius, r.by.name]),
    ).toEqual([
      [99.4, 'Brewer B.'],
      [91.2, 'Lead L.'],
    ]);
    await h.callers.brewer.delete(`/api/kettles/${k.id}/readings/${first.id}`).expect(403);
    expect(
      (await h.callers.lead.delete(`/api/kettles/${k.id}/readings/${first.id}`).expect(200)).body
        .readings,
    ).toHaveLength(1);
    expect(
      (await h.callers.lead.get(`/api/history/kettle/${k.id}`).expect(200)).body.changes[0]
        .lines[0],
    ).toMatchObject({ field: 'reading', before: '99.4 °C at 0 s' });
  });
  test.each<[string, object]>([
    ['hotter than any boil', { celsius: 140 }],
    ['no water', { water: 0 }],
    ['a day later', { seconds: 90_000 }],
  ])('a reading %s is refused', async (_n, over) => {
    const k = kettle();
    await h.callers.lead.post('/api/kettles', k).expect(200);
    await h.callers.lead.post(`/api/kettles/${k.id}/readings`, reading(over)).expect(422);
  });
  test('a reading of a kettle that is not there says so', async () =>
    expect(
      (await h.callers.lead.post(`/api/kettles/${newId()}/readings`, reading()).expect(404)).body
        .message,
    ).toMatch(/kettle/));
});

test.each<[string, object, string]>([
  ['what covers the leaf over the mark', { covers: 550 }, 'covers'],
  ['all of it staying in the pot', { dead: 500 }, 'dead'],
])('a vessel with %s is refused at its field', async (_n, over, field) => {
  expect(
    Object.keys(
      (
        await h.callers.lead
          .post('/api/vessels', { ...POT, ...over, id: newId(), siteId: h.ids.site })
          .expect(422)
      ).body.fields,
    ),
  ).toEqual([field]);
});
test('a vessel’s changes are kept on it', async () => {
  const [{ id, siteId: _s, ...pot }] = (await h.callers.lead.get('/api/vessels').expect(200)).body
    .vessels;
  await h.callers.lead.patch(`/api/vessels/${id}`, { ...pot, mark: 480, covers: 160 }).expect(200);
  expect(
    (await h.callers.brewer.get(`/api/history/vessel/${id}`).expect(200)).body.changes[0].lines,
  ).toEqual([
    { field: 'mark', before: 500, after: 480 },
    { field: 'covers', before: null, after: 160 },
  ]);
});

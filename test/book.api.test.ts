import { startingRecipe } from '../src/core/recipes/index';
import { type Begun, begunHouse, newId, POT } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());
const version = (over: object = {}) => ({
  id: newId(),
  method: 'pot',
  basedOn: 1,
  as: 'house',
  recipe: { ...startingRecipe('black-whole'), temperature: 86 },
  reason: 'Bitter at 90',
  settles: [],
  ...over,
});

/** The first tea as a lead sends it back. */
async function teaBody() {
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
  } = (await h.callers.lead.get('/api/book').expect(200)).body.teas[0];
  return tea;
}

test('a lead makes a new version; the old one stays readable and on the brews that used it', async () => {
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
  await h.callers.brewer.post('/api/brews', brew).expect(200);
  expect(
    (await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, version()).expect(200)).body,
  ).toMatchObject({ number: 2, state: 'house' });
  const page = (await h.callers.trainee.get(`/api/teas/${h.ids.tea}`).expect(200)).body;
  expect(
    page.versions.map((v: { number: number; state: string; reason: string }) => [
      v.number,
      v.state,
      v.reason,
    ]),
  ).toEqual([
    [2, 'house', 'Bitter at 90'],
    [1, 'retired', 'First recipe, from the style, black, whole leaf'],
  ]);
  expect(page.tea.house.recipe.temperature).toBe(86);
  const kept = (await h.callers.brewer.get(`/api/brews/${brew.id}`).expect(200)).body.brew;
  expect([kept.versionNumber, kept.plan.recipe.temperature]).toEqual([1, 90]);
});
test('two leads: the second is told of the first, and can then save', async () => {
  await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, version()).expect(200);
  const late = version({ reason: 'Mine' });
  const told = (await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, late).expect(409))
    .body;
  expect(told).toMatchObject({ code: 'version.newer', details: { newest: 2 } });
  expect(told.message).toMatch(/Bitter at 90/);
  expect(
    (
      await h.callers.lead
        .post(`/api/teas/${h.ids.tea}/versions`, { ...late, basedOn: 2 })
        .expect(200)
    ).body.number,
  ).toBe(3);
});
test('a trial stands beside the house recipe, is brewed, and is adopted once; the one before it is kept', async () => {
  const trial = version({ as: 'trial', reason: 'Softer' });
  expect(
    (await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, trial).expect(200)).body,
  ).toMatchObject({ number: 2, state: 'trial' });
  const tea = async () => (await h.callers.trainee.get('/api/book').expect(200)).body.teas[0];
  expect(await tea()).toMatchObject({
    house: { number: 1 },
    trial: { number: 2, recipe: { temperature: 86 } },
  });
  const brew = {
    id: newId(),
    siteId: h.ids.site,
    teaId: h.ids.tea,
    versionId: trial.id,
    vesselId: h.ids.pot,
    water: 500,
    warmed: true,
    warming: false,
    place: 1,
    at: h.now(),
  };
  expect((await h.callers.brewer.post('/api/brews', brew).expect(200)).body.plan.temperature).toBe(
    86,
  );
  const second = version({ as: 'trial', basedOn: 2, reason: 'Softer still' });
  await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, second).expect(200);
  expect(await tea()).toMatchObject({ house: { number: 1 }, trial: { number: 3 } });
  expect(
    (await h.callers.lead.post(`/api/versions/${trial.id}/state`, { to: 'house' }).expect(409)).body
      .code,
  ).toBe('version.newer');
  for (let i = 0; i < 2; i++)
    expect(
      (await h.callers.lead.post(`/api/versions/${second.id}/state`, { to: 'house' }).expect(200))
        .body,
    ).toMatchObject({ number: 3, state: 'house' });
  expect(await tea()).toMatchObject({ house: { number: 3 }, trial: null });
  expect(
    (await h.callers.brewer.get(`/api/brews/${brew.id}`).expect(200)).body.brew.versionNumber,
  ).toBe(2);
  await h.callers.brewer.post(`/api/versions/${second.id}/state`, { to: 'house' }).expect(403);
});
test('a repeated save makes one version', async () => {
  const body = version();
  for (let i = 0; i < 3; i++)
    expect(
      (await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, body).expect(200)).body.number,
    ).toBe(2);
});
test.each([
  ['no reason', { reason: ' ' }, 'reason'],
  [
    'window out of order',
    { recipe: { ...startingRecipe('white'), window: { earliest: 200, best: 100, latest: 300 } } },
    'recipe.window',
  ],
  ['no leaf', { recipe: { ...startingRecipe('white'), dose: 0 } }, 'recipe.dose'],
])('%s is refused at its field', async (_n, over, field) => {
  expect(
    Object.keys(
      (await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, version(over)).expect(422)).body
        .fields,
    ),
  ).toContain(field);
});
test('an absurd weighing is refused with the question to ask', async () => {
  const tea = await teaBody();
  const res = await h.callers.lead
    .patch(`/api/teas/${h.ids.tea}`, {
      ...tea,
      weighing: { spoon: 'metricTeaspoon', spoons: 1, weighed: 60, singles: [] },
    })
    .expect(422);
  expect(res.body.fields['weighing.weighed']).toMatch(/tablespoon/);
});
test('a change on an old copy of a tea or a vessel is refused and says so', async () => {
  const {
    id,
    siteId: _s,
    ...pot
  } = (await h.callers.lead.get('/api/vessels').expect(200)).body.vessels[0];
  await h.callers.lead.patch(`/api/vessels/${id}`, { ...pot, name: 'Blue pot' }).expect(200);
  expect(
    (await h.callers.lead.patch(`/api/vessels/${id}`, { ...pot, name: 'Red pot' }).expect(409))
      .body,
  ).toMatchObject({ code: 'record.changed', details: { rev: 2 } });
});
test('a mark over the brim is refused at the mark; a vessel that brews cannot be retired', async () => {
  expect(
    (
      await h.callers.lead
        .post('/api/vessels', { ...POT, id: newId(), siteId: h.ids.site, mark: 700 })
        .expect(422)
    ).body.fields.mark,
  ).toMatch(/over the brim/);
  await h.callers.brewer
    .post('/api/brews', {
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
    })
    .expect(200);
  const {
    id,
    siteId: _s,
    ...pot
  } = (await h.callers.lead.get('/api/vessels').expect(200)).body.vessels[0];
  expect(
    (await h.callers.lead.patch(`/api/vessels/${id}`, { ...pot, retired: true }).expect(409)).body
      .code,
  ).toBe('vessel.inUse');
});

describe('methods', () => {
  const fridge = startingRecipe('black-whole', 'fridge');
  const add = (over: object = {}) =>
    h.callers.lead.post(
      `/api/teas/${h.ids.tea}/versions`,
      version({ method: 'fridge', basedOn: 0, recipe: fridge, reason: 'For the summer', ...over }),
    );
  test('a second method has versions of its own, and the bar’s recipe stays', async () => {
    expect((await add().expect(200)).body).toMatchObject({
      method: 'fridge',
      number: 1,
      state: 'house',
    });
    expect((await add({ basedOn: 1, reason: 'Longer' }).expect(200)).body.number).toBe(2);
    const [tea] = (await h.callers.trainee.get('/api/book').expect(200)).body.teas;
    expect(
      tea.recipes.map((r: { method: string; house: { number: number } }) => [
        r.method,
        r.house.number,
      ]),
    ).toEqual([
      ['pot', 1],
      ['fridge', 2],
    ]);
    expect(tea.house).toMatchObject({ method: 'pot', number: 1 });
  });
  test.each<[string, object, string]>([
    ['a hot steep of hours', { method: 'pot', basedOn: 1 }, 'recipe.window'],
    ['a cold one on hot water', { recipe: { ...fridge, temperature: 80 } }, 'recipe.temperature'],
    [
      'glasses of what is no extract',
      { recipe: { ...fridge, glasses: [{ style: 'hot', extract: 40, water: 160 }] } },
      'recipe.glasses',
    ],
    ['warm-then-cold with nothing warm', { method: 'warmThenCold' }, 'recipe.warmStart'],
    ['cold leaf brewed twice', { recipe: { ...fridge, later: [fridge.window] } }, 'recipe.later'],
    [
      'counted leaf in a pot',
      { method: 'pot', basedOn: 1, recipe: { ...startingRecipe('black-whole'), bag: 2.5 } },
      'recipe.bag',
    ],
  ])('%s is refused at its field', async (_name, over, field) =>
    expect(Object.keys((await add(over).expect(422)).body.fields)).toEqual([field]),
  );
  test('drafts stand beside each other and are not brewed; one goes on trial, then to the house; both moves are kept', async () => {
    const draft = version({ as: 'draft', reason: 'An idea' });
    await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, draft).expect(200);
    await h.callers.lead
      .post(
        `/api/teas/${h.ids.tea}/versions`,
        version({ as: 'draft', basedOn: 2, reason: 'Another' }),
      )
      .expect(200);
    const [tea] = (await h.callers.lead.get('/api/book').expect(200)).body.teas;
    expect([tea.house.number, tea.trial]).toEqual([1, null]);
    for (const to of ['trial', 'trial', 'house'])
      expect(
        (await h.callers.lead.post(`/api/versions/${draft.id}/state`, { to }).expect(200)).body
          .state,
      ).toBe(to);
    expect(
      (
        await h.callers.lead
          .post(`/api/versions/${h.ids.version}/state`, { to: 'house' })
          .expect(409)
      ).body.code,
    ).toBe('version.newer');
    const history = (await h.callers.brewer.get(`/api/history/tea/${h.ids.tea}`).expect(200)).body
      .changes;
    expect(
      history.slice(0, 2).map((c: { lines: { after: string }[] }) => c.lines[0]?.after),
    ).toEqual(['pot 2: house', 'pot 2: trial']);
  });
});

describe('lots', () => {
  const lot = (over: object = {}) => ({
    id: newId(),
    name: 'Lot 19',
    arrived: '2026-10-02',
    bestBefore: '2027-10-01',
    harvest: 'April',
    note: '',
    state: 'new',
    weighing: null,
    versionId: null,
    ...over,
  });
  const add = (l: object) => h.callers.lead.post(`/api/teas/${h.ids.tea}/lots`, l).expect(200);
  const openLots = async () =>
    (await h.callers.trainee.get('/api/book').expect(200)).body.teas[0].lots.map(
      (l: { name: string; state: string }) => [l.name, l.state],
    );
  test('a new lot waits, is dialled in with a version, is put in use, and finishes the one before', async () => {
    const old = lot({ name: 'Lot 18', arrived: '2026-03-01', state: 'inUse' });
    await add(old);
    const fresh = lot();
    for (let i = 0; i < 2; i++) await add(fresh);
    expect(await openLots()).toEqual([
      ['Lot 19', 'new'],
      ['Lot 18', 'inUse'],
    ]);
    const { id, ...fields } = fresh;
    const dialled = (
      await h.callers.lead
        .patch(`/api/lots/${id}`, {
          ...fields,
          state: 'dialledIn',
          versionId: h.ids.version,
          rev: 1,
        })
        .expect(200)
    ).body;
    expect([dialled.state, dialled.versionNumber]).toEqual(['dialledIn', 1]);
    await h.callers.lead
      .patch(`/api/lots/${id}`, { ...fields, state: 'inUse', versionId: h.ids.version, rev: 2 })
      .expect(200);
    expect(await openLots()).toEqual([['Lot 19', 'inUse']]);
    const page = (await h.callers.lead.get(`/api/teas/${h.ids.tea}`).expect(200)).body;
    expect(page.lots.map((l: { name: string; state: string }) => [l.name, l.state])).toEqual([
      ['Lot 19', 'inUse'],
      ['Lot 18', 'finished'],
    ]);
    expect(
      (await h.callers.lead.get(`/api/history/lot/${old.id}`).expect(200)).body.changes[0].lines,
    ).toEqual([{ field: 'state', before: 'inUse', after: 'finished' }]);
  });
  test('a brew knows its lot: the one in use, or the one asked for, weighed as that lot was', async () => {
    const inUse = lot({ name: 'Lot 18', state: 'inUse' });
    const fluffy = lot({
      weighing: { spoon: 'dessertSpoon', spoons: 5, weighed: 6.25, singles: [] },
    });
    await add(inUse);
    await add(fluffy);
    const brew = (lotId?: string) => ({
      id: newId(),
      siteId: h.ids.site,
      teaId: h.ids.tea,
      ...(lotId ? { lotId } : {}),
      versionId: h.ids.version,
      vesselId: h.ids.pot,
      water: 500,
      warmed: true,
      warming: false,
      place: 1,
      at: h.now(),
    });
    const first = (await h.callers.brewer.post('/api/brews', brew()).expect(200)).body;
    expect([first.lot.name, first.plan.spoons]).toEqual(['Lot 18', '2½ level dessert spoons']);
    await h.callers.brewer
      .post(`/api/brews/${first.id}/events`, {
        id: newId(),
        kind: 'abandon',
        at: h.now(),
        reason: '',
      })
      .expect(200);
    const second = (await h.callers.brewer.post('/api/brews', brew(fluffy.id)).expect(200)).body;
    expect([second.lot.name, second.plan.leaf, second.plan.spoons]).toEqual([
      'Lot 19',
      6,
      '4¾ level dessert spoons',
    ]);
  });
  test.each<[string, object, string]>([
    ['a day that is not', { bestBefore: '2026-02-30' }, 'bestBefore'],
    ['no name', { name: ' ' }, 'name'],
    [
      'a version of another tea',
      { versionId: '0192f000-0000-7000-8000-000000000000' },
      'versionId',
    ],
    [
      'a spoon that is not on the shelf',
      { weighing: { spoon: 'ladle', spoons: 1, weighed: 3, singles: [] } },
      'weighing.spoon',
    ],
  ])('%s is refused at its field', async (_n, over, field) => {
    expect(
      Object.keys(
        (await h.callers.lead.post(`/api/teas/${h.ids.tea}/lots`, lot(over)).expect(422)).body
          .fields,
      ),
    ).toEqual([field]);
  });
  test('two leads at one lot: the second is told', async () => {
    const one = lot();
    await add(one);
    const { id, ...fields } = one;
    await h.callers.lead.patch(`/api/lots/${id}`, { ...fields, note: 'Mine', rev: 1 }).expect(200);
    expect(
      (
        await h.callers.lead
          .patch(`/api/lots/${id}`, { ...fields, note: 'Theirs', rev: 1 })
          .expect(409)
      ).body,
    ).toMatchObject({ code: 'record.changed', details: { rev: 2 } });
  });
});

test('what a lead changed is kept: who, what it was, what it became', async () => {
  const { rev, ...tea } = await teaBody();
  await h.callers.lead
    .patch(`/api/teas/${h.ids.tea}`, { ...tea, rev, words: 'honey, bright', allergens: 'Almond' })
    .expect(200);
  const [last, first] = (await h.callers.brewer.get(`/api/history/tea/${h.ids.tea}`).expect(200))
    .body.changes;
  expect(last).toMatchObject({
    by: { name: 'Lead L.' },
    lines: [
      { field: 'words', before: '', after: 'honey, bright' },
      { field: 'allergens', before: '', after: 'Almond' },
    ],
  });
  expect(first.lines.map((l: { field: string }) => l.field)).toContain('name');
  await h.callers.trainee.get(`/api/history/tea/${h.ids.tea}`).expect(403);
});
test('the house’s words are its own: in its order, each once', async () => {
  await h.callers.lead.patch('/api/vocabulary', { words: ['Malty', 'hay', 'malty'] }).expect(200);
  expect((await h.callers.trainee.get('/api/book').expect(200)).body.vocabulary).toEqual([
    'malty',
    'hay',
  ]);
  await h.callers.brewer.patch('/api/vocabulary', { words: [] }).expect(403);
});

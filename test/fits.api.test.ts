import type { Brew } from '../src/contracts/brews';
import type { TeaFitPage } from '../src/contracts/fits';
import type { OpenTasting } from '../src/contracts/tastings';
import type { Tea } from '../src/contracts/teas';
import { ALL_RIGHT, type Verdict } from '../src/core/corrections/index';
import { startingRecipe } from '../src/core/recipes/index';
import { type Begun, begunHouse, type Caller, newId, POT, proposed } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const fitOf = async (query = '', who: Caller = h.callers.lead): Promise<TeaFitPage> =>
  (await who.get(`/api/teas/${h.ids.tea}/fit${query}`).expect(200)).body;
const teaOf = async (): Promise<Tea> =>
  (await h.callers.brewer.get(`/api/teas/${h.ids.tea}`).expect(200)).body.tea;
const use = (over: object = {}, who: Caller = h.callers.lead) =>
  who.post(`/api/teas/${h.ids.tea}/fit`, { id: newId(), ...over });
/** A ladder of time that found this tea bitter early. */
async function ladder(
  marks: readonly (-2 | -1 | 0 | 1 | 2)[] = [-1, 0, 1, 2],
): Promise<OpenTasting> {
  const cups = [60, 120, 180, 300].map((seconds) => ({
    grams: 1.8,
    water: 150,
    celsius: 90,
    seconds,
  }));
  const start = h.now() - 400_000;
  const does = (id: string, act: object, who: Caller = h.callers.lead, at = h.now()) =>
    who.post(`/api/tastings/${id}/events`, { id: newId(), at, act }).expect(200);
  const t = (
    await h.callers.lead
      .post('/api/tastings', {
        id: newId(),
        siteId: h.ids.site,
        teaId: h.ids.tea,
        lotId: null,
        versionId: h.ids.version,
        vesselId: h.ids.pot,
        kind: 'ladder',
        way: 'seconds',
        asks: 'strength',
        cups,
        tasterIds: [h.ids.brewer],
        at: h.now(),
      })
      .expect(200)
  ).body as OpenTasting;
  await does(t.id, { kind: 'start' }, h.callers.lead, start);
  const codes = t.exercise.cups.map((c) => c.codes[0] ?? '');
  for (const [cup, code] of codes.entries()) {
    await does(
      t.id,
      { kind: 'pull', cup },
      h.callers.lead,
      start + (cups[cup]?.seconds ?? 0) * 1000,
    );
    await does(
      t.id,
      {
        kind: 'keep',
        taster: h.ids.brewer,
        code,
        sheet: { marks: { bitterness: marks[cup], astringency: marks[cup] }, words: [] },
      },
      h.callers.brewer,
    );
  }
  await does(
    t.id,
    { kind: 'handIn', taster: h.ids.brewer, order: codes, choice: null },
    h.callers.brewer,
  );
  return (await does(t.id, { kind: 'reveal' })).body as OpenTasting;
}
async function brewed(verdict: Verdict | null, steeped = 240): Promise<Brew> {
  const at = h.now() - 900_000;
  const brew = (
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
        at,
      })
      .expect(200)
  ).body as Brew;
  const event = (body: object) =>
    h.callers.brewer
      .post(`/api/brews/${brew.id}/events`, { id: newId(), at: at + steeped * 1000, ...body })
      .expect(200);
  await event({ kind: 'pull' });
  await event(
    verdict
      ? { kind: 'judge', verdict, proposal: proposed(verdict), accepted: false, remark: '' }
      : { kind: 'close' },
  );
  return brew;
}

test('a tea without cups cannot be fitted, and says how many are wanted', async () => {
  expect((await fitOf()).fit).toEqual({ kind: 'tooFewCups', got: 0, need: 2 });
  await brewed(ALL_RIGHT);
  expect((await use().expect(409)).body).toMatchObject({
    code: 'fit.tooFew',
    message: expect.stringMatching(/only one here/),
  });
  expect((await teaOf()).fitted).toBeNull();
});

test('a fit from a ladder and a brew: taken, it is in the book and the next plan; set aside, gone', async () => {
  await ladder();
  const page = await fitOf('', h.callers.brewer);
  expect(page.cups).toHaveLength(4);
  if (page.fit.kind !== 'fitted') throw new Error('not fitted');
  expect(page.fit.multipliers.bite * page.fit.multipliers.rate).toBeGreaterThan(1.2);
  expect(page.cups[0]).toMatchObject({ from: 'table', n: 1, left: false });
  // Before and after: the cup that was marked harsh is nearer to what was tasted.
  const harsh = page.cups.find((c) => (c.scores.bitterness ?? 0) > page.right.bitterness + 1);
  expect(Math.abs((harsh?.fitted?.bitterness ?? 0) - (harsh?.scores.bitterness ?? 0))).toBeLessThan(
    Math.abs((harsh?.style.bitterness ?? 0) - (harsh?.scores.bitterness ?? 0)),
  );
  await use({}, h.callers.brewer).expect(403);
  const id = newId();
  const taken = (await use({ id }).expect(200)).body as TeaFitPage;
  expect(taken.kept).toEqual([
    expect.objectContaining({ id, state: 'inUse', fit: expect.objectContaining({ cups: 4 }) }),
  ]);
  // The same write again is the same fit.
  expect(((await use({ id }).expect(200)).body as TeaFitPage).kept).toHaveLength(1);
  const [change] = (await h.callers.lead.get(`/api/history/tea/${h.ids.tea}`).expect(200)).body
    .changes as { lines: { field: string; after: string }[] }[];
  expect(change?.lines).toEqual([
    { field: 'fit', before: null, after: expect.stringMatching(/^from \d+ cups: in use$/) },
  ]);
  expect((await teaOf()).fitted).toEqual(page.fit.multipliers);
  expect((await brewed(null)).plan.fitted).toEqual(page.fit.multipliers);
  await h.callers.brewer.post(`/api/fits/${id}/state`, { to: 'aside' }).expect(403);
  await h.callers.lead.post(`/api/fits/${id}/state`, { to: 'aside' }).expect(200);
  expect((await teaOf()).fitted).toBeNull();
  expect((await brewed(null)).plan.fitted).toBeNull();
  await h.callers.lead.post(`/api/fits/${id}/state`, { to: 'inUse' }).expect(200);
  expect((await teaOf()).fitted).toEqual(page.fit.multipliers);
});

test('two fits at once: one is in use, the other aside', async () => {
  await ladder();
  await Promise.all([use().expect(200), use().expect(200), use().expect(200)]);
  const { kept } = await fitOf();
  expect(kept.map((k) => k.state).sort()).toEqual(['aside', 'aside', 'inUse']);
});

test('a cup left out does not count; a colour and a refractometer do', async () => {
  const one = await brewed({ ...ALL_RIGHT, bitterness: 2 });
  const two = await brewed(null, 120);
  const event = (body: object) =>
    h.callers.brewer.post(`/api/brews/${two.id}/events`, { id: newId(), at: h.now(), ...body });
  expect((await fitOf()).cups).toHaveLength(1);
  await event({ kind: 'solids', gramsPerLitre: 3.1 }).expect(200);
  await event({
    kind: 'colour',
    way: 'reference',
    strength: 0.7,
    low: 0.62,
    high: 0.78,
    depthCm: 3.5,
  }).expect(200);
  await event({ kind: 'solids', gramsPerLitre: 900 }).expect(422);
  const page = await fitOf();
  expect(page.cups.find((c) => c.id === two.id)).toMatchObject({
    solids: 3.1,
    colour: 0.7,
    n: 0,
    scores: {},
  });
  expect(page.fit.kind).toBe('fitted');
  const without = await fitOf(`?without=${one.id}`);
  expect(without.cups.find((c) => c.id === one.id)?.left).toBe(true);
  expect(without.fit).toEqual({ kind: 'tooFewCups', got: 1, need: 2 });
  await h.callers.lead.get(`/api/teas/${h.ids.tea}/fit?without=drop%20table`).expect(422);
});

test('a brew in another vessel counts by the same recipe; one by another method’s recipe does not', async () => {
  const mug = newId();
  await h.callers.lead
    .post('/api/vessels', {
      ...POT,
      id: mug,
      siteId: h.ids.site,
      name: 'Blue mug',
      kind: 'mug',
      brim: 600,
      mark: 500,
    })
    .expect(200);
  const inMug = async (versionId: string) => {
    const at = h.now() - 900_000;
    const brew = (
      await h.callers.brewer
        .post('/api/brews', {
          id: newId(),
          siteId: h.ids.site,
          teaId: h.ids.tea,
          versionId,
          vesselId: mug,
          water: 500,
          warmed: true,
          warming: false,
          place: 1,
          at,
        })
        .expect(200)
    ).body as Brew;
    for (const body of [
      { kind: 'pull' },
      {
        kind: 'judge',
        verdict: ALL_RIGHT,
        proposal: proposed(ALL_RIGHT),
        accepted: false,
        remark: '',
      },
    ])
      await h.callers.brewer
        .post(`/api/brews/${brew.id}/events`, { id: newId(), at: at + 240_000, ...body })
        .expect(200);
    return brew;
  };
  const first = await inMug(h.ids.version);
  expect(first.method).not.toBe('pot');
  expect((await fitOf()).cups.map((c) => c.id)).toEqual([first.id]);
  const own = newId();
  await h.callers.lead
    .post(`/api/teas/${h.ids.tea}/versions`, {
      id: own,
      method: first.method,
      basedOn: 0,
      as: 'house',
      recipe: startingRecipe('black-whole', first.method),
      reason: 'Its own in a mug',
      settles: [],
    })
    .expect(200);
  await inMug(own);
  expect((await fitOf()).cups.map((c) => c.id)).toEqual([first.id]);
});

test('a finished lot and later steeps say nothing of the leaf now; another style sets the fit aside', async () => {
  const lot = newId();
  const fields = {
    name: 'First lot',
    arrived: null,
    bestBefore: null,
    harvest: '',
    note: '',
    state: 'inUse',
    weighing: null,
    versionId: null,
  };
  const made = (
    await h.callers.lead.post(`/api/teas/${h.ids.tea}/lots`, { id: lot, ...fields }).expect(200)
  ).body as { rev: number };
  await brewed({ ...ALL_RIGHT, strength: 1 });
  await brewed({ ...ALL_RIGHT, strength: 1 }, 250);
  expect((await fitOf()).cups).toHaveLength(2);
  await use().expect(200);
  await h.callers.lead
    .patch(`/api/lots/${lot}`, { ...fields, state: 'finished', rev: made.rev })
    .expect(200);
  expect((await fitOf()).cups).toHaveLength(0);
  const tea = await teaOf();
  expect(tea.fitted).not.toBeNull();
  const {
    name,
    method,
    words,
    allergens,
    note,
    leaf,
    blend,
    packet,
    caffeine,
    cautions,
    colour,
    weighing,
    spoon,
  } = tea;
  await h.callers.lead
    .patch(`/api/teas/${h.ids.tea}`, {
      name,
      method,
      words,
      allergens,
      note,
      leaf,
      blend,
      packet,
      caffeine,
      cautions,
      colour,
      weighing,
      spoon,
      style: 'white',
      rev: tea.rev,
      retired: false,
    })
    .expect(200);
  expect((await teaOf()).fitted).toBeNull();
  // Nor is it taken up again for that style.
  const [old] = (await fitOf()).kept;
  expect(
    (await h.callers.lead.post(`/api/fits/${old?.id}/state`, { to: 'inUse' }).expect(409)).body
      .message,
  ).toMatch(/another style/);
});

const lab = (l: number): [number, number, number] => [l, 20, 60];
const measured = (swatches: object | null, who: Caller = h.callers.lead) =>
  who.post(`/api/teas/${h.ids.tea}/swatches`, { swatches });
test('measured colours are in the next brew’s plan and on paper; null goes back to predicted', async () => {
  await measured(
    {
      depthCm: 3.5,
      rungs: [
        { seconds: 240, lab: lab(55) },
        { seconds: 90, lab: lab(75) },
      ],
    },
    h.callers.brewer,
  ).expect(403);
  const tea = (
    await measured({
      depthCm: 3.5,
      rungs: [
        { seconds: 240, lab: lab(55) },
        { seconds: 90, lab: lab(75) },
      ],
    }).expect(200)
  ).body as Tea;
  expect(tea.swatches).toMatchObject({
    depthCm: 3.5,
    by: 'Lead L.',
    dose: tea.house?.recipe.dose,
    rungs: [{ seconds: 90 }, { seconds: 240 }],
  });
  expect((await brewed(null)).plan.swatches).toMatchObject({
    rungs: [
      { seconds: 90, lab: lab(75) },
      { seconds: 240, lab: lab(55) },
    ],
  });
  const pdf = await h.callers.trainee.get(`/api/teas/${h.ids.tea}/swatches.pdf`).expect(200);
  expect(pdf.headers['content-type']).toContain('application/pdf');
  expect(((await measured(null).expect(200)).body as Tea).swatches).toBeNull();
  expect((await brewed(null)).plan.swatches).toBeUndefined();
});
test('figures that are no colours, one cup alone, a time twice: refused in words, nothing changed', async () => {
  for (const bad of [
    { depthCm: 3.5, rungs: [{ seconds: 90, lab: lab(75) }] },
    {
      depthCm: 3.5,
      rungs: [
        { seconds: 90, lab: lab(175) },
        { seconds: 120, lab: lab(50) },
      ],
    },
    {
      depthCm: 3.5,
      rungs: [
        { seconds: 90, lab: lab(75) },
        { seconds: 90, lab: lab(50) },
      ],
    },
    {
      depthCm: 0,
      rungs: [
        { seconds: 90, lab: lab(75) },
        { seconds: 120, lab: lab(50) },
      ],
    },
  ]) {
    const answer = await measured(bad).expect(422);
    expect(answer.body.message).not.toBe('');
  }
  expect((await teaOf()).swatches).toBeNull();
});

import { type Recipe, startingRecipe } from '#core/recipes';
import { millilitres, SPOONS } from '#core/units';
import type { Brew } from '#contracts/brews';
import type { Preview } from '#contracts/exchange';
import type { Tea, TeaPage } from '#contracts/teas';
import { type Begun, begunHouse, brewBody, newId } from './house';

// A recipe that counts spoons, in a real database: weighed later, exchanged, brewed.

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

/** One tablespoon to 240 ml; a tablespoon of this leaf is taken to hold 3 g until one is weighed. */
const inSpoons = {
  ...startingRecipe('black-whole'),
  dose: 1.25,
  spoons: { quarters: 4, spoon: SPOONS.metricTablespoon, water: millilitres(240) },
} as unknown as Recipe;
async function makeHouse(recipe: object = inSpoons) {
  const id = newId();
  const body = {
    ...{ id, method: 'pot', basedOn: 1, as: 'house', recipe, settles: [] },
    reason: 'As it is served: in spoons',
  };
  await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, body).expect(200);
  return id;
}
const page = async () =>
  (await h.callers.lead.get(`/api/teas/${h.ids.tea}`).expect(200)).body as TeaPage;
async function weigh(grams: number | null) {
  const { tea } = await page();
  const { name, style, method, words, allergens, note, leaf, blend, packet } = tea;
  const { caffeine, cautions, colour, spoon, rev, retired } = tea;
  const fields = {
    ...{ name, style, method, words, allergens, note, leaf, blend, packet, caffeine, cautions },
    ...{ colour, spoon, rev, retired },
    weighing: grams && { spoon: 'metricTablespoon', spoons: 1, weighed: grams, singles: [] },
  };
  await h.callers.lead.patch(`/api/teas/${h.ids.tea}`, fields).expect(200);
}
async function brewed(versionId: string) {
  const { body } = await h.callers.brewer
    .post('/api/brews', brewBody(h, { versionId, water: 480 }))
    .expect(200);
  const { id, plan } = body as Brew;
  const given = { id: newId(), kind: 'abandon', at: h.now(), reason: 'A test' };
  await h.callers.brewer.post(`/api/brews/${id}/events`, given).expect(200);
  return plan;
}

test('weighing a spoon gives the grams of the recipe and of the next brew; the count stays', async () => {
  await weigh(null);
  const versionId = await makeHouse();
  const before = await brewed(versionId);
  expect(before).toMatchObject({
    ...{ spoons: '2 level tablespoons', leaf: 6, spoonsUnweighed: true },
  });
  await weigh(4.5);
  const { tea, versions } = await page();
  // 4.5 g to 240 ml.
  expect(tea.house?.recipe.dose).toBeCloseTo(1.875, 6);
  expect(tea.house?.recipe.spoons?.quarters).toBe(4);
  expect(versions.find((v) => v.id === versionId)?.recipe.dose).toBeCloseTo(1.875, 6);
  // The version in grams is not touched.
  expect(versions.find((v) => v.number === 1)?.recipe.spoons ?? null).toBeNull();
  const after = await brewed(versionId);
  expect(after).toMatchObject({ spoons: '2 level tablespoons', leaf: 9 });
  expect(after.spoonsUnweighed).toBeUndefined();
  expect(after.recipe.dose).toBeCloseTo(1.875, 6);
});
test('what is no count of spoons is refused by its name', async () => {
  const refused = async (over: object) => {
    const recipe = { ...inSpoons, ...over };
    const body = {
      ...{ id: newId(), method: 'pot', basedOn: 1, as: 'draft', recipe, settles: [], reason: 'x' },
    };
    const res = await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, body).expect(422);
    return Object.keys((res.body as { fields: object }).fields);
  };
  expect(await refused({ spoons: { ...inSpoons.spoons, quarters: 0 } })).toEqual([
    'recipe.spoons.quarters',
  ]);
  expect(await refused({ spoons: { ...inSpoons.spoons, water: 1 } })).toEqual([
    'recipe.spoons.water',
  ]);
  const known = (water: number, leaf: number) => ({ water, leaf });
  expect(
    await refused({
      scaling: { school: 'tapered', small: known(300, 4), large: known(900, 9) },
    }),
  ).toEqual(['recipe.spoons']);
});
test('the book goes out and comes in with its counts, before and after a weighing', async () => {
  await makeHouse();
  const out = async () =>
    String((await h.callers.lead.get('/api/exchange/book.json').expect(200)).text);
  const preview = async (text: string, table: string | null) => {
    const given = { name: table ? 'file.csv' : 'book.json', text, table, answers: {} };
    return (await h.callers.lead.post('/api/exchange/preview', given).expect(200)).body as Preview;
  };
  const first = await out();
  const kept = (text: string) =>
    (JSON.parse(text) as { teas: { recipes: { recipe: Recipe }[] }[] }).teas[0]?.recipes.at(-1)
      ?.recipe;
  expect(kept(first)).toMatchObject({ dose: 1.25, spoons: { quarters: 4 } });
  await weigh(4.5);
  // A version is never changed: only the grams its spoons hold are known better.
  expect(kept(await out())).toEqual(kept(first));
  expect(await preview(await out(), null)).toMatchObject({
    faults: [],
    counts: { added: 0, changed: 0, refused: 0 },
  });
  const table = String(
    (await h.callers.lead.get('/api/exchange/recipes.csv?comma=point').expect(200)).text,
  );
  expect(table).toContain('1.875');
  expect(await preview(table, 'recipes')).toMatchObject({
    counts: { added: 0, changed: 0 },
  });
});
test('a lot with its own weighing brews by that; the tea’s page keeps the tea’s', async () => {
  const versionId = await makeHouse();
  await weigh(4.5);
  const lot = {
    ...{ id: newId(), name: 'Lot 20', arrived: '2026-02-02', bestBefore: '2027-02-01' },
    ...{ harvest: '', note: '', state: 'inUse', versionId: null },
    weighing: { spoon: 'metricTablespoon', spoons: 1, weighed: 3.6, singles: [] },
  };
  await h.callers.lead.post(`/api/teas/${h.ids.tea}/lots`, lot).expect(200);
  const plan = await brewed(versionId);
  expect(plan).toMatchObject({ spoons: '2 level tablespoons', leaf: 7.2 });
  expect(plan.recipe.dose).toBeCloseTo(1.5, 6);
  const tea: Tea = (await page()).tea;
  expect(tea.house?.recipe.dose).toBeCloseTo(1.875, 6);
});

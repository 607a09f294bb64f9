import { Duration } from 'luxon';
import type { RecipeJsonLd } from '#core/recipes';
import { type Begun, begunHouse } from './house';

let h: Begun;
beforeAll(async () => {
  h = await begunHouse();
});
afterAll(() => h.close());

const read = async (query: string): Promise<RecipeJsonLd> => {
  const res = await h.callers.trainee
    .get(`/api/teas/${h.ids.tea}/recipe.jsonld?${query}`)
    .expect(200);
  expect(res.headers['content-type']).toContain('application/ld+json');
  return JSON.parse(res.text ?? (res.body as Buffer).toString()) as RecipeJsonLd;
};

test('a recipe as a web page carries it: leaf, water, time and steps of a pot at home', async () => {
  const recipe = await read('water=500');
  expect(recipe).toMatchObject({
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: 'Tolvane Amber',
    recipeCategory: 'Drink',
  });
  const [leaf, water] = recipe.recipeIngredient;
  expect(leaf).toMatch(/^[\d.]+ g of Tolvane Amber/);
  expect(water).toBe('500 ml of water');
  expect(recipe.recipeYield).toMatch(/^4\d\d ml of tea$/);
  const seconds = Duration.fromISO(recipe.cookTime).as('seconds');
  expect(seconds).toBeGreaterThan(120);
  expect(seconds).toBeLessThan(360);
  const texts = recipe.recipeInstructions.map((s) => s.text);
  expect(texts).toEqual(
    expect.arrayContaining([
      expect.stringMatching(/^Pour on 500 ml of water.*scald/),
      expect.stringMatching(/^Steep \d+:\d\d with the lid on/),
    ]),
  );
  expect(recipe.description).toMatch(/llergens/);
});
test('twice the water is twice the leaf, about; milk is an ingredient, a step and an allergen', async () => {
  const grams = (r: RecipeJsonLd) => Number.parseFloat(r.recipeIngredient[0] ?? '');
  const [small, large] = [await read('water=400'), await read('water=800')];
  expect(grams(large) / grams(small)).toBeCloseTo(2, 1);
  const milky = await read('water=500&milk=tenth');
  expect(milky.recipeIngredient[2]).toMatch(/ml of milk$/);
  expect(milky.description).toMatch(/milk/);
  expect(milky.recipeInstructions.some((s) => /^Add \d+ ml of milk/.test(s.text))).toBe(true);
});
test('a pot that cannot be, and a tea that is not here, are said in words', async () => {
  await h.callers.trainee.get(`/api/teas/${h.ids.tea}/recipe.jsonld?water=5`).expect(422);
  await h.callers.trainee.get(`/api/teas/${h.ids.pot}/recipe.jsonld?water=500`).expect(404);
});

import {
  METHOD_NAMES,
  SMALL_LADDERS,
  startingRecipe,
  styleStarts,
  usualSteeps,
} from '#core/recipes';
import { isCold, recipeFault } from '#core/recipes';
import { STYLE_IDS, type StyleId, styleOf } from '#core/styles';

// Common practice, as a table: green 2 to 3, scented about 5, oolong 4 to 6, ripe dark 6 to 7; broken leaf and bags once.
test.each<[StyleId, number, number]>([
  ['green-steamed', 2, 3],
  ['green-pan', 2, 3],
  ['green-shaded', 2, 3],
  ['green-scented', 4, 5],
  ['oolong-light', 4, 6],
  ['oolong-dark', 4, 6],
  ['dark-ripe', 6, 7],
  ['black-broken', 1, 1],
])('%s gives %i to %i steeps, and one from a bag', (style, from, to) => {
  expect(usualSteeps(style, false)).toEqual({ from, to });
  expect(usualSteeps(style, true)).toEqual({ from: 1, to: 1 });
});

describe('small vessels', () => {
  const times = (recipe: ReturnType<typeof startingRecipe>) =>
    [recipe.window, ...recipe.later].map((w) => w.best);
  test('an oolong begins with 3 g per 100 ml, or with 5 g and shorter steeps, near 90 °C', () => {
    for (const method of ['liddedCup', 'tastingSet'] as const) {
      const starts = styleStarts('oolong-light', method);
      expect(starts.map(({ recipe }) => [recipe.dose, times(recipe)])).toEqual([
        [3, [45, 60, 90]],
        [5, [20, 20, 60, 60, 90]],
      ]);
      for (const { recipe, why } of starts) {
        expect(recipe.temperature).toBe(90);
        expect(why).toBeTruthy();
      }
      expect(startingRecipe('oolong-light', method).dose).toBe(3);
    }
  });
  test('green leaf keeps its own heat and steeps no more than green does', () => {
    const [three, five] = styleStarts('green-steamed', 'liddedCup');
    expect([three?.recipe.temperature, five?.recipe.temperature]).toEqual([70, 70]);
    expect(five && times(five.recipe)).toEqual([20, 20, 60]);
    expect(five?.name).toContain('5 g per 100 ml: 20, 20, 60 s');
  });
  test('broken leaf is done after one steep, and begins one way', () => {
    const starts = styleStarts('black-broken', 'liddedCup');
    expect(starts.map(({ recipe }) => times(recipe))).toEqual([[45]]);
  });
  test.each(STYLE_IDS)(
    '%s: every start of a small vessel is a recipe that can be kept',
    (style) => {
      for (const method of ['liddedCup', 'tastingSet'] as const)
        for (const { recipe } of styleStarts(style, method)) {
          expect(recipeFault(recipe, method)).toBeNull();
          const { range } = styleOf(style);
          expect(recipe.temperature).toBeGreaterThanOrEqual(range.temperature[0]);
          expect(recipe.temperature).toBeLessThanOrEqual(range.temperature[1]);
        }
    },
  );
  test('a pot begins as before: the ladders are of small vessels alone', () => {
    for (const method of METHOD_NAMES.filter((m) => !isCold(m)))
      if (method !== 'liddedCup' && method !== 'tastingSet')
        expect(startingRecipe('oolong-light', method).later).toEqual([]);
    expect(SMALL_LADDERS.map((l) => l.dose)).toEqual([3, 5]);
  });
});

import { forSeason, recipeFault, startingRecipe, styleStarts } from '#core/recipes';
import { STYLE_IDS, type StyleId, styleOf } from '#core/styles';

const namesOf = (style: StyleId) => styleStarts(style).map(({ name }) => name);

describe('schools that practitioners begin from', () => {
  // Common practice: leaf in g for water in ml, heat on the leaf, best time s; null: the style's own.
  test.each<[StyleId, RegExp, number, number, number | null, number | null]>([
    ['black-whole', /pot, 6 g per 500 ml/, 6, 500, null, null],
    ['black-whole', /2.75 g per 150 ml/, 2.75, 150, null, null],
    ['black-whole', /for milk/, 1.4, 100, 97, 270],
    ['black-broken', /for milk/, 1.4, 100, 97, 270],
    ['black-first', /2 g per 200 ml/, 2, 200, null, null],
    ['black-first', /2.5 g per 200 ml/, 2.5, 200, null, null],
    ['green-pan', /"full"/, 2, 150, null, null],
    ['green-pan', /"light"/, 2, 300, null, null],
    ['green-pan', /large pot/, 2, 150, 85, 150],
    ['green-steamed', /thirty seconds/, 4, 400, 80, 30],
    ['green-shaded', /4 g per 200 ml/, 4, 200, 60, 120],
    ['green-shaded', /5 g per 200 ml/, 5, 200, 60, 120],
    ['green-scented', /4 g per 240 ml/, 4, 240, null, null],
    ['chamomile', /95 °C/, 1, 100, 95, null],
    ['chamomile', /70 °C/, 1, 100, 70, null],
  ])('%s %s', (style, name, leaf, water, heat, best) => {
    const start = styleStarts(style).find((point) => name.test(point.name));
    const base = startingRecipe(style);
    expect(start?.recipe.dose).toBeCloseTo((100 * leaf) / water, 2);
    expect(start?.recipe.temperature).toBe(heat ?? base.temperature);
    expect(start?.recipe.window.best).toBe(best ?? base.window.best);
    expect(start?.why).toBeTruthy();
  });
  test.each<StyleId>(['oolong-light', 'oolong-dark', 'dark-ripe'])(
    '%s is drained, or keeps a fifth under its leaf',
    (style) =>
      expect(styleStarts(style).map(({ recipe }) => recipe.handling.root)).toEqual([0, 0.2]),
  );
  test('every point of every style is a recipe the book takes, in every season', () => {
    for (const style of STYLE_IDS)
      for (const season of [null, 'summer'] as const)
        for (const { recipe } of styleStarts(style, 'pot', season)) {
          expect([style, recipe.origin, recipeFault(recipe, 'pot')]).toEqual([
            style,
            recipe.origin,
            null,
          ]);
          expect(recipe.origin.length).toBeLessThanOrEqual(120);
        }
  });
});

describe('the season of the leaf', () => {
  const first = startingRecipe('green-pan');
  test('summer leaf begins 3 °C cooler, and says so', () => {
    const summer = forSeason(first, 'green-pan', 'pot', 'summer');
    expect(summer.temperature).toBe(first.temperature - 3);
    expect(summer.origin).toBe(`${first.origin}; summer leaf, 3 °C cooler`);
    expect(
      styleStarts('green-pan', 'pot', 'summer').every(({ name }) => /summer leaf/.test(name)),
    ).toBe(true);
  });
  test('other seasons, cold water and herbs are left alone', () => {
    expect(forSeason(first, 'green-pan', 'pot', 'spring')).toBe(first);
    expect(forSeason(first, 'green-pan', 'pot', null)).toBe(first);
    const fridge = startingRecipe('green-pan', 'fridge');
    expect(forSeason(fridge, 'green-pan', 'fridge', 'summer')).toBe(fridge);
    const flower = startingRecipe('chamomile');
    expect(forSeason(flower, 'chamomile', 'pot', 'summer')).toBe(flower);
    expect(namesOf('green-pan').some((name) => /summer/.test(name))).toBe(false);
  });
  test('never cooler than the style allows', () => {
    const [coolest] = styleOf('black-whole').range.temperature;
    const least = { ...startingRecipe('black-whole'), temperature: (coolest + 1) as never };
    expect(forSeason(least, 'black-whole', 'pot', 'summer').temperature).toBe(coolest);
  });
});

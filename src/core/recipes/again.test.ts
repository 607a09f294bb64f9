import { colourOfBrew, tint } from '#core/colour';
import { brewAgain } from '#core/cup';
import { brewingOf, characterAfter, nextSteep, type Recipe, startingRecipe } from '#core/recipes';
import type { StyleId } from '#core/styles';
import { celsius, grams, millilitres, type Seconds, seconds } from '#core/units';

/** Three grams to a hundred, as small vessels have it. */
function pour(style: StyleId, over: Partial<Recipe> = {}) {
  const recipe = { ...startingRecipe(style), later: [], ...over } as Recipe;
  const brew = brewingOf({
    tea: { style, fitted: null },
    recipe,
    vessel: { infuser: 'free', basket: null, material: 'porcelain', lid: true },
    leaf: grams(3.6),
    water: millilitres(120),
    onLeaf: celsius(95),
    time: recipe.window.best,
  });
  return { recipe, brew };
}
const past = (...s: number[]) => s.map((x) => seconds(x));

describe('the same leaf again', () => {
  test('the recipe’s own window goes before the model', () => {
    const later = [{ earliest: seconds(50), best: seconds(60), latest: seconds(75) }];
    const { recipe, brew } = pour('oolong-dark', { later });
    expect(nextSteep(brew, recipe, past(45))).toMatchObject({
      kind: 'again',
      number: 2,
      by: 'recipe',
      window: later[0],
    });
    expect(nextSteep(brew, recipe, past(45, 60))).toMatchObject({ number: 3, by: 'model' });
  });
  test('without one, the time found gives a cup as strong as the first, by the multi-steep model', () => {
    const { recipe, brew } = pour('oolong-dark');
    const next = nextSteep(brew, recipe, past(45));
    if (next.kind !== 'again') throw new Error(next.why);
    const cups = brewAgain(
      brew,
      [seconds(45), next.window.best].map((time) => ({ time })),
    );
    expect((cups[1]?.taste.strength ?? 0) / (cups[0]?.taste.strength ?? 1)).toBeCloseTo(1, 1);
    expect(next.window.earliest).toBeLessThan(next.window.best);
    expect(next.window.latest).toBeGreaterThan(next.window.best);
  });
  test('each wants longer than the one before, until it is spent and says so', () => {
    const { recipe, brew } = pour('oolong-dark');
    const steeps: Seconds[] = [seconds(120)];
    let spent = '';
    while (!spent && steeps.length < 12) {
      const next = nextSteep(brew, recipe, steeps);
      if (next.kind === 'spent') spent = next.why;
      else steeps.push(next.window.best);
    }
    expect(spent).toMatch(/^Spent: even 15 minutes would give \d+ % of the first cup\.$/);
    expect(steeps.length).toBeGreaterThanOrEqual(2);
    expect(steeps[1]).toBeGreaterThan(seconds(120));
  });
  test('broken leaf is done after one (common practice), unless the recipe says otherwise', () => {
    const { recipe, brew } = pour('black-broken');
    expect(nextSteep(brew, recipe, past(180))).toMatchObject({
      kind: 'spent',
      why: expect.stringMatching(/done after one/),
    });
    expect(nextSteep(brew, { ...recipe, later: [recipe.window] }, past(180)).kind).toBe('again');
  });
  test('leaf as it was left: less in it, open, and with less colour', () => {
    const { recipe, brew } = pour('black-whole');
    const left = characterAfter(brew, recipe, past(240));
    left.extractable.forEach((g, i) =>
      expect(g).toBeLessThanOrEqual((brew.character.extractable[i] ?? 0) + 1e-9),
    );
    expect(left.wetting).toBeLessThan(brew.character.wetting);
    const light = (b: typeof brew) => parseInt(tint(colourOfBrew(b, seconds(120))).slice(3, 5), 16);
    expect(light({ ...brew, character: left })).toBeGreaterThan(light(brew));
    expect(characterAfter(brew, recipe, [])).toMatchObject({
      extractable: brew.character.extractable.map((g) => expect.closeTo(g, 9)),
    });
  });
});

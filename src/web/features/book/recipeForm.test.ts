import { startingRecipe } from '#core/recipes';
import { grams, millilitres } from '#core/units';
import { holdText, parseMinutes, recipeFormOf, recipeOf, type RecipeForm } from './recipeForm';

const recipe = startingRecipe('green-pan');
const read = (over: Partial<RecipeForm>, scale: 'C' | 'F' = 'C') => {
  const faults: Record<string, string> = {};
  const made = recipeOf({ ...recipeFormOf(recipe, scale), ...over }, scale, (name, why) => { faults[name] ??= why; });
  return { made, faults };
};

test.each(['C', 'F'] as const)('what a form shows of a recipe reads back as that recipe, in %s', (scale) => {
  const { made, faults } = read({}, scale);
  expect(faults).toEqual({});
  expect(made).toMatchObject({ dose: recipe.dose, window: recipe.window, warm: recipe.warm, lid: recipe.lid, scaling: recipe.scaling });
  expect(made?.temperature).toBeCloseTo(recipe.temperature, 1);
});
test.each([['2:30', 150], ['150', 150], ['150 s', 150], ['0:45', 45], ['90 sec', 90]])('"%s" is %i s', (text, s) => expect(parseMinutes(text)).toEqual({ kind: 'ok', value: s }));
test.each(['2:75', 'soon', ''])('"%s" is no time', (text) => expect(parseMinutes(text).kind).toBe('bad'));
test.each<[string, Partial<RecipeForm>, keyof RecipeForm, RegExp]>([
  ['a dose of nothing', { dose: '0' }, 'dose', /more than/], ['a dose in words', { dose: 'some' }, 'dose', /not a number/], ['Fahrenheit without its F', { temperature: '176' }, 'temperature', /Was it Fahrenheit/], ['ice', { temperature: '0' }, 'temperature', /ice/],
  ['best before earliest', { best: '1:00' }, 'best', /before earliest/], ['latest before best', { latest: '1:40' }, 'latest', /before best/], ['an hour and more', { latest: '61:00' }, 'latest', /hour/], ['a later steep in words', { later: '3:00, soon' }, 'later', /not a time/],
  ['a larger vessel that is smaller', { school: 'tapered', smallWater: '800', smallLeaf: '9', largeWater: '500', largeLeaf: '7' }, 'largeWater', /more water/], ['a match with no vessel', { school: 'match', knownWater: '500', knownLeaf: '6' }, 'knownHold', /which vessel/],
])('%s is said at its field, and nothing is made', (_name, over, field, words) => {
  const { made, faults } = read(over);
  expect(made).toBeNull();
  expect(faults[field]).toMatch(words);
});
test('a decimal comma, an F after the heat, and later steeps are understood', () => {
  const { made } = read({ dose: '1,45', temperature: '176 F', later: '3:00; 300' });
  expect(made).toMatchObject({ dose: 1.45, later: [180, 300] });
  expect(made?.temperature).toBeCloseTo(80, 9);
});
test('a known cup keeps what holds it, and reads back', () => {
  const hold = { infuser: 'deep' as const, basket: millilitres(230), material: 'glass' as const, lid: false };
  const { made } = read({ school: 'match', knownWater: '500', knownLeaf: '6,5', knownHold: holdText(hold) });
  expect(made?.scaling).toEqual({ school: 'match', known: { ...hold, water: 500, leaf: 6.5 } });
  const again = made && recipeFormOf(made, 'C');
  expect(again).toMatchObject({ school: 'match', knownWater: '500', knownLeaf: '6.5', knownHold: holdText(hold) });
  expect(grams(Number(again?.knownLeaf))).toBe(6.5);
});

import { bagOf, lotInUse, measureOf, recipeFor } from './choice';

const lot = (state: 'new' | 'inUse' | 'finished', weighing: string | null = null) => ({
  state,
  weighing,
});
test('the lot in use is brewed; with none in use there is none', () => {
  const used = lot('inUse');
  expect(lotInUse({ lots: [lot('new'), used] })).toBe(used);
  expect(lotInUse({ lots: [lot('new'), lot('finished')] })).toBeNull();
  expect(lotInUse({ lots: [] })).toBeNull();
});
describe('spoon and weighing', () => {
  const tea = {
    measure: { spoon: 'scoop', weighing: 'of the tea' },
    lots: [lot('inUse', 'of the lot')],
  };
  test('of the lot in use', () => expect(measureOf(tea).weighing).toBe('of the lot'));
  test('of the lot that is named', () =>
    expect(measureOf(tea, lot('new', 'of another')).weighing).toBe('of another'));
  test('of the tea where the lot was not weighed', () =>
    expect(measureOf({ ...tea, lots: [lot('inUse')] })).toEqual({
      spoon: 'scoop',
      weighing: 'of the tea',
    }));
});
describe('the recipe a vessel is brewed by', () => {
  const pot = { method: 'pot', house: { recipe: {} } };
  const mug = { method: 'mug', house: { recipe: {} } };
  const tea = { method: 'pot', recipes: [pot, mug] };
  test('its own method’s', () => expect(recipeFor(tea, 'mug')).toBe(mug));
  test('else the tea’s usual', () => expect(recipeFor(tea, 'bag')).toBe(pot));
  test('a draft is no recipe', () =>
    expect(recipeFor({ method: 'pot', recipes: [{ ...pot, house: null }] }, 'pot')).toBeNull());
});
test('leaf in a bag, by the bag recipe', () => {
  const recipes = [{ method: 'bag', house: { recipe: { bag: { grams: 2.5 } } } }];
  expect(bagOf({ recipes })).toEqual({ grams: 2.5 });
  expect(bagOf({ recipes: [] })).toBeNull();
});

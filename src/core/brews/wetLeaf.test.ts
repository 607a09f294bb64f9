import { startingRecipe } from '#core/recipes';
import { epochMs, grams } from '#core/units';
import { wetLeafOf, wetLeafWords } from '.';

const PULLED = epochMs(Date.UTC(2026, 2, 11, 10));
const after = (minutes: number) => epochMs(PULLED + 60_000 * minutes);
const plan = { recipe: startingRecipe('oolong-light') };

test('wet leaf has an age, and a limit of the house', () => {
  const at = (minutes: number) => wetLeafOf(plan, 'oolong-light', PULLED, after(minutes), 2);
  expect(at(4)).toBeNull();
  expect(at(12)).toEqual({ minutes: 12, isPast: false });
  expect(at(119)?.isPast).toBe(false);
  expect(at(120)).toEqual({ minutes: 120, isPast: true });
});
test('leaf that is done after one steep has none', () => {
  const bag = { recipe: { ...plan.recipe, bag: grams(2.5) } };
  expect(wetLeafOf(bag, 'oolong-light', PULLED, after(30), 2)).toBeNull();
  expect(wetLeafOf(plan, 'black-broken', PULLED, after(30), 2)).toBeNull();
});
test('in words, with the caution once it is too old', () => {
  expect(wetLeafWords({ minutes: 12, isPast: false }, 2)).toBe('Leaf wet for 12 min');
  expect(wetLeafWords({ minutes: 125, isPast: true }, 2)).toBe(
    'Leaf wet for 2 h 05, over the 2 h of this house: throw the leaf away',
  );
});

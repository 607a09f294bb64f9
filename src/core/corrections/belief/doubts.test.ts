import { weighingOf } from '#core/recipes';
import { type Celsius, celsius, grams, SPOONS } from '#core/units';
import { doubtsOf, heatDoubt, leafDoubt, USUAL_DOUBTS } from '.';

const spoonsOf = (...singles: number[]) =>
  weighingOf(
    SPOONS.dessertSpoon,
    singles.map((g) => grams(g)),
  );
const off = (...degrees: number[]): Celsius[] => degrees.map((d) => celsius(d));

test('nothing known is the usual: 6 % of leaf, 2.5 °C', () => {
  expect(doubtsOf(null, grams(6), [])).toEqual(USUAL_DOUBTS);
  // A weighing of several spoons at once says nothing of how they differ.
  expect(leafDoubt(spoonsOf(2.4, 2.5), grams(6))).toBe(0.06);
});
test('leaf by hand: the spread of single spoons, drawn to the usual, of as many spoons as the leaf takes', () => {
  // Five spoons of 2.0, 2.2, 2.4, 2.6, 2.8 g: mean 2.4, sd 0.3162, share 0.1318. One spoon is usually off by
  // 0.06 x sqrt(2.5) = 0.0949. (5 x 0.01736 + 4 x 0.009) / 9 = 0.01364, its root 0.1168; 6 g are 2.5 spoons.
  expect(leafDoubt(spoonsOf(2, 2.2, 2.4, 2.6, 2.8), grams(6))).toBeCloseTo(
    0.1168 / Math.sqrt(2.5),
    3,
  );
});
test('even spoons make leaf surer, uneven ones less sure; more spoons even out', () => {
  const even = spoonsOf(2.5, 2.5, 2.51, 2.49, 2.5, 2.5);
  const uneven = spoonsOf(1.5, 3.5, 2.5, 1.8, 3.2, 2.5);
  expect(leafDoubt(even, grams(6))).toBeLessThan(0.06);
  expect(leafDoubt(uneven, grams(6))).toBeGreaterThan(0.1);
  expect(leafDoubt(uneven, grams(20))).toBeLessThan(leafDoubt(uneven, grams(6)));
  expect(leafDoubt(even, grams(400))).toBe(0.02);
});
test('heat by hand: three readings of 1, -1 and 1 °C against a usual 2.5', () =>
  // (3 x 1 + 4 x 6.25) / 7 = 4, its root 2.
  expect(heatDoubt(off(1, -1, 1))).toBeCloseTo(2, 9));
test('a kettle that is always off makes heat less sure; a steady one surer, to a floor', () => {
  expect(heatDoubt(off(6, 5, 7, 6, 5, 6))).toBeGreaterThan(4);
  expect(heatDoubt(Array<Celsius>(400).fill(celsius(0)))).toBe(1);
});

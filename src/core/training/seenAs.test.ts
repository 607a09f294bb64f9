import { seeded } from '#core/numeric';
import { sampleDrillCup } from '#core/testing';
import { drawOrder, hatchGap, lightnessOf, tasteAtStrength, wordsAtStrength, workOrder } from '.';

const CUP = sampleDrillCup();

test('every way to see the cups gives the order of every ladder, at every level', () => {
  for (const level of [1, 2, 3, 4, 5] as const)
    for (let seed = 1; seed <= 10; seed++) {
      const given = drawOrder([CUP], level, seeded(100 * level + seed));
      const { liquors, strengths } = workOrder(given);
      const lightestFirst = [...given.shuffle.keys()].sort(
        (a, b) => (given.shuffle[a] ?? 0) - (given.shuffle[b] ?? 0),
      );
      const light = lightestFirst.map((letter) => {
        const liquor = liquors[letter];
        return liquor ? lightnessOf(liquor) : NaN;
      });
      const falls = (list: readonly number[]) =>
        list.slice(1).every((x, i) => x < (list[i] ?? NaN));
      expect(falls(light)).toBe(true);
      expect(falls(light.map((l) => hatchGap(l, light)))).toBe(true);
      const figures = strengths.map((s) =>
        Number(/strength ([\d.]+)$/.exec(wordsAtStrength(CUP, s))?.[1]),
      );
      expect(falls([...figures].reverse())).toBe(true);
    }
});
test('as strong as the house cup is the house cup; half as strong has half of what is dissolved', () => {
  const house = tasteAtStrength(CUP, 1);
  expect(tasteAtStrength(CUP, 0.5).strength).toBeLessThan(house.strength);
  expect(tasteAtStrength(CUP, 2).strength).toBeGreaterThan(house.strength);
  expect(() => tasteAtStrength(CUP, 0)).toThrow('strength');
});
test('hatching uses its whole range for the cups beside each other; cups alike lie between', () => {
  expect(hatchGap(40, [40, 60])).toBe(3);
  expect(hatchGap(60, [40, 60])).toBe(15);
  expect(hatchGap(50, [50, 50.2])).toBe(9);
});

import { brewCup } from '#core/cup';
import { sampleDrillCup } from '#core/testing';
import { FAULT_NAMES, houseCupOf, madeWith, TASTED, tasteOfMade } from '#core/training';
import { sizesOf } from './faults';

const house = houseCupOf(sampleDrillCup({ temperatureC: 80 }));
const taste = tasteOfMade(madeWith(house, []));

test('every fault can be in a warmed pot, and each strong one makes the cup stronger, each weak one weaker', () => {
  const strengths = FAULT_NAMES.map((id) => {
    const sizes = sizesOf(house, id);
    const made = madeWith(house, [{ id, size: sizes.at(-1) ?? NaN }]);
    return [id, Math.sign((tasteOfMade(made)[0] ?? 0) - (taste[0] ?? 0))];
  });
  expect(Object.fromEntries(strengths)).toEqual({
    ...{ long: 1, hot: 1, muchLeaf: 1, spoonUp: 1, brokenLeaf: 1, leftOn: 1 },
    ...{ short: -1, cool: -1, littleLeaf: -1, spoonDown: -1 },
    ...{ coldPot: -1, noLid: -1, smallBall: -1 },
  });
});
test('a drill tastes as the model of the cup does', () => {
  for (const id of FAULT_NAMES.filter((f) => f !== 'leftOn')) {
    const [size = 0] = sizesOf(house, id);
    const made = madeWith(house, [{ id, size }]);
    const { taste: full } = brewCup(made.brew);
    TASTED.forEach((index, i) => expect(tasteOfMade(made)[i]).toBeCloseTo(full[index], 2));
  }
});
test('what cannot be in a house has no size: no lid to leave off, no pot to warm, a ball that is small already', () => {
  const bare = houseCupOf(sampleDrillCup({ lid: false, warm: false, infuser: 'ball' }));
  for (const id of ['noLid', 'coldPot', 'smallBall'] as const)
    expect(sizesOf(bare, id)).toEqual([]);
});

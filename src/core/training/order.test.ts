import { seeded } from '#core/numeric';
import { sampleDrillCup } from '#core/testing';
import { drawOrder, scoreOrder, workOrder } from '#core/training';

const CUP = sampleDrillCup();
test.each([1, 2, 3, 4, 5] as const)('level %i: cups a screen can show apart, shuffled', (level) => {
  const given = drawOrder([CUP], level, seeded(level));
  const work = workOrder(given);
  expect(work.fair).toBe(true);
  expect(work.liquors).toHaveLength(given.shuffle.length);
  expect([...given.shuffle].sort((a, b) => a - b)).toEqual([...given.shuffle.keys()]);
  expect(drawOrder([CUP], level, seeded(level))).toEqual(given);
});
test('two neighbours changed is right still, three pairs are not; the wrong way round is asked again', () => {
  const straight = [0, 1, 2, 3, 4, 5, 6, 7];
  const judged = (letters: readonly number[]) => scoreOrder(straight, { letters }).judged;
  expect(judged(straight)).toBe('right');
  expect(judged([1, 0, 2, 3, 4, 5, 6, 7])).toBe('right');
  expect(judged([1, 0, 3, 2, 4, 5, 6, 7])).toBe('near');
  expect(judged([1, 0, 3, 2, 5, 4, 6, 7])).toBe('wrong');
  expect(judged([...straight].reverse())).toBe('again');
  expect(() => judged([0, 0, 2, 3, 4, 5, 6, 7])).toThrow(RangeError);
  expect(() => judged([0, 1])).toThrow(RangeError);
});

import { addressKey, waitAfter, waitNext } from './delay';

test.each([
  [0, 0],
  [4, 0],
  [5, 30],
  [6, 60],
  [7, 120],
  [9, 480],
  [10, 900],
  [40, 900],
])('after %i misses the next try waits %i s', (misses, wait) => {
  expect(waitAfter(misses, 0)).toBe(wait);
  expect(waitNext({ wait: 0, misses })).toBe(wait);
});
test('the wait runs down, and an hour later all is forgotten', () => {
  expect(waitAfter(6, 45)).toBe(15);
  expect(waitAfter(6, 61)).toBe(0);
  expect(waitAfter(40, 899)).toBe(1);
  expect(waitAfter(40, 3601)).toBe(0);
});
test('a house behind one address has more free tries than a person', () => {
  expect([waitAfter(59, 0, 60), waitAfter(60, 0, 60)]).toEqual([0, 30]);
});
test('a long address still is a key', () => {
  expect(addressKey('f'.repeat(200))).toHaveLength(80);
});

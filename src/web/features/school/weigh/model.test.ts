import { grams } from '#core/units';
import { evennessOf, NOTHING_WEIGHED, singlesOf, type WeighAct, weighedAfter } from './model';

const after = (...acts: WeighAct[]) => acts.reduce(weighedAfter, NOTHING_WEIGHED);
const typed = (at: number, text: string): WeighAct => ({ kind: 'typed', at, text });
const five = ['2,3', '2.4', '2.5 g', '2.6', '2.7'].map((text, i) => typed(i, text));

test('five weights, typed as people do; fewer are not enough', () => {
  expect(singlesOf(after(...five))).toEqual([2.3, 2.4, 2.5, 2.6, 2.7]);
  expect(singlesOf(after(...five.slice(1)))).toBeNull();
});
test('what is no weight is said beside it, and what was typed stays', () => {
  const state = after(...five, typed(2, 'two'));
  expect(state.texts[2]).toBe('two');
  expect(state.faults.map((fault) => fault !== null)).toEqual([false, false, true, false, false]);
  expect(after(typed(0, '900')).faults[0]).toBe('900 g is no weight of a spoon.');
  expect(singlesOf(state)).toBeNull();
});
test('from the scale into the first that is empty; the last is taken out again', () => {
  const taken = (g: number): WeighAct => ({ kind: 'taken', grams: g });
  const state = after(typed(1, '2.4'), taken(2.314), taken(2.5));
  expect(state.texts).toEqual(['2.31', '2.4', '2.5', '', '']);
  expect(weighedAfter(state, { kind: 'undone' }).texts).toEqual(['2.31', '2.4', '', '', '']);
  const full = after(...five);
  expect(weighedAfter(full, taken(9))).toBe(full);
});
test('nothing is kept before it is whole; what was kept stays until five more are weighed', () => {
  expect(after({ kind: 'kept' }).isKept).toBe(false);
  const kept = after(...five, { kind: 'kept' });
  expect(kept.isKept).toBe(true);
  expect(weighedAfter(kept, typed(0, '9'))).toBe(kept);
  expect(weighedAfter(kept, { kind: 'again' })).toEqual(NOTHING_WEIGHED);
});
test('even spoons and uneven ones', () => {
  expect(evennessOf([2.3, 2.4, 2.5, 2.6, 2.7].map(grams))).toMatchObject({
    one: 2.5,
    isEven: true,
  });
  expect(evennessOf([2, 2.4, 2.5, 2.6, 3].map(grams)).isEven).toBe(false);
});

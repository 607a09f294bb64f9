import { scoreOrder } from '#core/training';
import { empty, inTray, letterName, lettersOf, type OrderAction, ordered, toPlace } from './model';

const after = (...actions: OrderAction[]) => actions.reduce(ordered, empty(3));
const lift = (letter: number) => ({ kind: 'lift', letter }) as const;
const place = (at: number) => ({ kind: 'place', at }) as const;

test('a cup is lifted and set down; the next place waits by itself', () => {
  const one = after(lift(1), place(0));
  expect(one.places).toEqual([1, null, null]);
  expect([one.waiting, toPlace(one), inTray(one).map(letterName)]).toEqual([1, 2, ['A', 'C']]);
  expect(after(lift(1), place(0), lift(2), { kind: 'set' }).places).toEqual([1, 2, null]);
});
test('set down on another, that one is in hand; a placed cup can be lifted again; undo goes back step by step', () => {
  const swapped = after(lift(0), place(0), lift(1), place(0));
  expect([swapped.places, swapped.lifted]).toEqual([[1, null, null], 0]);
  const again = after(lift(0), place(0), place(0));
  expect([again.places, again.lifted]).toEqual([[null, null, null], 0]);
  const undo = { kind: 'undo' } as const;
  expect(after(lift(0), place(0), undo)).toMatchObject({ places: [null, null, null], lifted: 0 });
  expect(after(lift(0), place(0), undo, undo, undo)).toMatchObject({ lifted: null });
});
test('the place that waits is moved by keys and stays on the line', () => {
  const right = { kind: 'move', by: 1 } as const;
  expect(after(right, right, right, right).waiting).toBe(2);
  expect(after(lift(2), right, { kind: 'set' }).places).toEqual([null, 2, null]);
});
test('what is submitted stays; the wrong way round may be set again', () => {
  const whole = [lift(0), place(0), lift(1), place(1), lift(2), place(2)];
  const letters = lettersOf(after(...whole));
  expect(letters).toEqual([0, 1, 2]);
  const right = {
    kind: 'submitted',
    score: scoreOrder([0, 1, 2], { letters: [0, 1, 2] }),
  } as const;
  const done = after(...whole, right);
  expect(ordered(done, lift(0))).toBe(done);
  const wrong = {
    kind: 'submitted',
    score: scoreOrder([2, 1, 0], { letters: [0, 1, 2] }),
  } as const;
  expect(after(...whole, wrong).score?.judged).toBe('again');
  expect(after(...whole, wrong, lift(0)).score).toBeNull();
});
test('dragged to a place a cup is there; dragged onto another, the two change places; dragged away it is in none', () => {
  const drop = (letter: number, at: number | null) => ({ kind: 'drop', letter, at }) as const;
  const undo = { kind: 'undo' } as const;
  expect(after(drop(2, 0)).places).toEqual([2, null, null]);
  expect(after(drop(2, 0), drop(1, 2), drop(1, 0)).places).toEqual([1, null, 2]);
  // From the tray onto a placed cup: that one is in the tray again.
  expect(after(drop(2, 0), drop(1, 0))).toMatchObject({ places: [1, null, null], lifted: null });
  expect(after(drop(2, 0), drop(2, null)).places).toEqual([null, null, null]);
  expect(after(drop(2, 0), drop(1, 1), undo).places).toEqual([2, null, null]);
  // The cup in hand is dragged: the hand is empty.
  expect(after(lift(0), drop(0, 1))).toMatchObject({ places: [null, 0, null], lifted: null });
});

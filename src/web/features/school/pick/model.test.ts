import type { PickPart } from '#core/training';
import { isWhole, type PickAction, picking, unpicked } from './model';

const part = (many: boolean, ...ids: string[]): PickPart => ({
  ...{ asked: 'Which?', many, right: [] },
  options: ids.map((id) => ({ id, text: id })),
});
const ONES = [part(false, 'a', 'b'), part(false, 'c', 'd')];
const MANY = [part(true, 'a', 'b', 'c')];
const after = (parts: readonly PickPart[], ...actions: PickAction[]) =>
  actions.reduce(picking(parts), unpicked(parts));
const pick = (at: number, id: string) => ({ kind: 'pick', part: at, id }) as const;
const [undo, submitted] = [{ kind: 'undo' }, { kind: 'submitted' }] as const;

test('figure keys go on to the next part; the last stays', () => {
  expect(after(ONES).part).toBe(0);
  expect(after(ONES, pick(0, 'b')).part).toBe(1);
  expect(after(ONES, pick(0, 'b'), pick(1, 'c')).part).toBe(1);
});
test('one is picked instead of another, several beside each other; what is not offered is not picked', () => {
  expect(after(ONES, pick(0, 'a'), pick(0, 'b')).picks).toEqual([['b'], []]);
  expect(after(MANY, pick(0, 'a'), pick(0, 'c'), pick(0, 'a')).picks).toEqual([['c']]);
  expect(after(ONES, pick(0, 'z'), pick(5, 'a'))).toEqual(unpicked(ONES));
});
test('picks are taken back one by one', () => {
  const two = after(ONES, pick(0, 'a'), pick(1, 'd'), undo);
  expect([two.picks, two.part]).toEqual([[['a'], []], 1]);
  expect(after(ONES, pick(0, 'a'), undo, undo)).toEqual(unpicked(ONES));
});
test('it is submitted once every part is picked, and stays then', () => {
  expect(after(ONES, pick(0, 'a'), submitted).isDone).toBe(false);
  expect(isWhole(MANY, unpicked(MANY))).toBe(false);
  const done = after(ONES, pick(0, 'a'), pick(1, 'c'), submitted);
  expect(done.isDone).toBe(true);
  expect([pick(0, 'b'), undo].reduce(picking(ONES), done)).toBe(done);
});

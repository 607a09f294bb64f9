import { BLANK, type FigureAction, figured } from './model';

const after = (...actions: FigureAction[]) => actions.reduce(figured, BLANK);
const value = (v: number) => ({ kind: 'value', value: v }) as const;
const [undo, submitted] = [{ kind: 'undo' }, { kind: 'submitted' }] as const;

test('a figure is set, changed, and taken back step by step, to nothing', () => {
  expect(after(value(6), value(7.2)).value).toBe(7.2);
  expect(after(value(6), value(7.2), undo).value).toBe(6);
  expect(after(value(6), undo, undo)).toEqual(BLANK);
  expect(after(value(6), value(6)).before).toEqual([null]);
});
test('nothing is submitted without a figure; what is submitted stays', () => {
  expect(after(submitted)).toEqual(BLANK);
  const done = after(value(6), submitted);
  expect(done.isDone).toBe(true);
  expect(figured(figured(done, value(9)), undo)).toBe(done);
});

import { type PourAction, pouredMl, pouring, UNPOURED } from './model';

const pour = pouring({ liquorMl: 300, cups: 2 });
const after = (...actions: PourAction[]) => actions.reduce(pour, UNPOURED);
const into = (cup: number, ml: number) => ({ kind: 'pour', cup, ml }) as const;
const [lift, undo, submitted] = [
  { kind: 'lift' },
  { kind: 'undo' },
  { kind: 'submitted' },
] as const;

test('a held hand is one pour; set down, the next is another', () => {
  expect(after(into(0, 10), into(0, 15)).pours).toEqual([{ cup: 0, ml: 25 }]);
  expect(after(into(0, 10), lift, into(0, 15)).pours).toHaveLength(2);
  expect(after(into(0, 10), into(1, 15)).pours).toHaveLength(2);
});
test('no more is poured than there is, and into no cup that is not there', () => {
  expect(pouredMl(after(into(0, 200), lift, into(1, 200)))).toBe(300);
  expect(after(into(0, 300), lift, into(1, 5)).pours).toHaveLength(1);
  expect(after(into(2, 50))).toBe(UNPOURED);
});
test('the last pour is taken back; what is submitted stays', () => {
  expect(after(into(0, 100), lift, into(1, 50), undo).pours).toEqual([{ cup: 0, ml: 100 }]);
  expect(after(submitted)).toBe(UNPOURED);
  const done = after(into(0, 150), lift, into(1, 150), submitted);
  expect([into(0, 5), undo].reduce(pour, done)).toBe(done);
});

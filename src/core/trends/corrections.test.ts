import { ALL_RIGHT, type ProposedLever } from '#core/corrections';
import { correctionRecord, type JudgedBrew } from '#core/trends';

const brew = (
  tea: string,
  bitter: 0 | 1 | 2,
  lever: ProposedLever = 'keep',
  taken = false,
  i = 0,
): JudgedBrew => ({
  id: `${tea}${i}`,
  tea: { id: tea, name: tea.toUpperCase() },
  verdict: { ...ALL_RIGHT, bitterness: bitter },
  lever,
  taken,
  ofAllCups: false,
});

test('each correction is held against the next judged cup of its own tea, whatever was brewed between', () => {
  const r = correctionRecord([
    brew('a', 2, 'cooler', true),
    brew('b', 1, 'shorter', true),
    brew('a', 1, 'cooler', true),
    brew('b', 1, 'leafLess', false),
    brew('a', 1),
    brew('b', 2, 'leafLess', true),
  ]);
  expect(r.taken).toMatchObject({ n: 3, better: 1, same: 2, worse: 0 });
  expect(r.notTaken).toMatchObject({ n: 1, worse: 1 });
  expect(r.waiting).toBe(1);
  expect(r.byTea.map((t) => [t.name, t.n])).toEqual([
    ['A', 2],
    ['B', 1],
  ]);
  expect(r.byLever.map((l) => [l.key, l.n, l.better])).toEqual([
    ['cooler', 2, 1],
    ['shorter', 1, 0],
  ]);
  expect(r.words).toBe(
    'Too few to say: 3 corrections were taken and judged again. From 5 on there is something to tell.',
  );
});
test('told honestly: no clear difference is said to be none, and worse to be worse', () => {
  const pairs = (n: number, taken: boolean, after: 0 | 1 | 2) =>
    Array.from({ length: n }, (_, i) => [
      brew(`t${taken}${after}${i}`, 1, 'cooler', taken, i),
      brew(`t${taken}${after}${i}`, after, 'keep', false, i + 1000),
    ]).flat();
  expect(
    correctionRecord([
      ...pairs(6, true, 0),
      ...pairs(2, true, 2),
      ...pairs(5, false, 0),
      ...pairs(3, false, 1),
    ]).words,
  ).toMatch(/better in 6 \(35 % to 97 %\).*no clear difference: much comes right by itself\.$/);
  expect(correctionRecord([...pairs(30, true, 2), ...pairs(30, false, 0)]).words).toMatch(
    /better in 0 .*worse in 30.*Those that were taken did worse\.$/,
  );
  expect(correctionRecord([...pairs(30, true, 0), ...pairs(30, false, 2)]).words).toMatch(
    /Taking them helped\.$/,
  );
});
test('nothing judged: nothing claimed', () =>
  expect(correctionRecord([])).toMatchObject({
    taken: { n: 0, share: null },
    waiting: 0,
    byTea: [],
  }));
test('advice from all cups is counted apart, and says whether it has helped here', () => {
  const cups = (n: number, before: 0 | 1 | 2, after: 0 | 1 | 2, ofAllCups: boolean) =>
    Array.from({ length: n }, (_, i) => [
      { ...brew(`t${ofAllCups}${before}${i}`, before, 'leafLess', true, 0), ofAllCups },
      brew(`t${ofAllCups}${before}${i}`, after, 'keep', false, 1),
    ]).flat();
  const few = correctionRecord(cups(4, 1, 0, true)).ofAllCups;
  expect(few).toMatchObject({ n: 4, better: 4 });
  expect(few.words).toBe(
    'Too few to say whether advice from all cups helps here: 4 taken and judged again.',
  );
  // Eight of eight: the exact interval begins at 63 %.
  const helped = correctionRecord([...cups(8, 2, 0, true), ...cups(6, 1, 2, false)]);
  expect(helped.ofAllCups.words).toBe(
    'Advice from all cups: the next cup was better in 8 of 8, worse in 0. This advice has helped here. From one cup alone: better in 0 of 6.',
  );
  expect(helped.taken.n).toBe(14);
  expect(correctionRecord(cups(8, 1, 2, true)).ofAllCups.words).toContain(
    'This advice has not helped here.',
  );
  expect(
    correctionRecord([...cups(3, 2, 0, true), ...cups(3, 1, 2, true)]).ofAllCups.words,
  ).toContain('That is not clear yet.');
});

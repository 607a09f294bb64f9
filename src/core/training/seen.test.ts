import {
  batchesSeen,
  calibrationSeen,
  coloursSeen,
  correctionsSeen,
  draftsTakenSeen,
  heatSeen,
  laddersSeen,
  leafWeighedSeen,
  pullsSeen,
  rescuesSeen,
  spoonsWeighedSeen,
  spoonUnevenness,
  tablesLedSeen,
} from '#core/training';
import { grams } from '#core/units';

const pulls = (good: number, bad: number) => [
  ...new Array<boolean>(bad).fill(false),
  ...new Array<boolean>(good).fill(true),
];
test('pulls in their window: the least share that the last forty can mean, Wilson, one-sided 95 %', () => {
  expect(pullsSeen([])).toBeNull();
  // 36 of 40 means 0.796 at the least, 37 of 40 means 0.829.
  expect(pullsSeen(pulls(36, 4))).toEqual({ of: 'pulls', good: 36, n: 40, holds: false });
  expect(pullsSeen(pulls(37, 3))?.holds).toBe(true);
  // A few good ones mean little.
  expect(pullsSeen(pulls(8, 0))?.holds).toBe(false);
  // Older ones are forgotten.
  expect(pullsSeen([...pulls(0, 20), ...pulls(40, 0)])).toMatchObject({ good: 40, n: 40 });
});
test('heat read on the leaf: eight of the last ten within 3 °C of the card', () => {
  expect(heatSeen([])).toBeNull();
  expect(heatSeen([3, -3, 0, 0, 0, 0, 0, 0, 3.1, -9])).toMatchObject({ good: 8, holds: true });
  expect(heatSeen([4, 0, 0, 0, 0, 0, 0, 0, 3.1, -9])).toMatchObject({ good: 7, holds: false });
  expect(heatSeen([0, 0, 0])).toEqual({ of: 'readings', good: 3, n: 3, holds: false });
});
test('ladders in order: the last two, each near the true order', () => {
  expect(laddersSeen([])).toBeNull();
  expect(laddersSeen([0.2, 0.87, 1])).toEqual({ of: 'ladders', good: 2, n: 2, holds: true });
  expect(laddersSeen([1, 0.85])).toMatchObject({ good: 1, n: 2, holds: false });
  // One alone is not two.
  expect(laddersSeen([1])).toMatchObject({ good: 1, n: 1, holds: false });
});
test('the last calibration: every attribute without a flag', () => {
  expect(calibrationSeen([])).toBeNull();
  expect(calibrationSeen([false, false])).toEqual({
    of: 'calibration',
    good: 2,
    n: 2,
    holds: true,
  });
  expect(calibrationSeen([false, true])).toMatchObject({ good: 1, holds: false });
});
test('tables led: three, of two kinds', () => {
  expect(tablesLedSeen([])).toBeNull();
  expect(tablesLedSeen(['ladder'])).toEqual({ of: 'tablesLed', good: 1, n: 3, holds: false });
  expect(tablesLedSeen(['ladder', 'ladder', 'ladder'])?.holds).toBe(false);
  expect(tablesLedSeen(['ladder', 'triangle', 'ladder', 'ladder'])).toMatchObject({
    ...{ good: 3, holds: true },
  });
});
test('cold batches: the last five, all right', () => {
  expect(batchesSeen([])).toBeNull();
  expect(batchesSeen([false, true, true, true, true, true])).toMatchObject({ n: 5, holds: true });
  expect(batchesSeen([true, true, true, true, false])).toMatchObject({ good: 4, holds: false });
  expect(batchesSeen([true, true])?.holds).toBe(false);
});
test('leaf weighed: sixteen of the last twenty within 5 % of the card', () => {
  const near = (n: number) => new Array<number>(n).fill(1.05);
  const off = (n: number) => new Array<number>(n).fill(0.94);
  expect(leafWeighedSeen([])).toBeNull();
  expect(leafWeighedSeen([...off(9), ...off(4), ...near(16)])).toEqual({
    ...{ of: 'leafWeighed', good: 16, n: 20, holds: true },
  });
  expect(leafWeighedSeen([...near(15), ...off(5)])?.holds).toBe(false);
  // Fifteen good ones alone are not sixteen.
  expect(leafWeighedSeen(near(15))?.holds).toBe(false);
});
test('five spoons weighed one by one: even within 10 %, by the sample standard deviation', () => {
  const spoons = (...all: number[]) => all.map(grams);
  expect(spoonsWeighedSeen(null)).toBeNull();
  // By hand: mean 2.5, squares .04 + .01 + 0 + .01 + .04 = .1 over 4, root .1581, over the mean 6.3 %.
  expect(spoonUnevenness(spoons(2.3, 2.4, 2.5, 2.6, 2.7))).toBeCloseTo(0.0632, 4);
  expect(spoonsWeighedSeen(spoons(2.3, 2.4, 2.5, 2.6, 2.7))).toEqual({
    ...{ of: 'spoonsWeighed', good: 1, n: 1, holds: true },
  });
  expect(spoonsWeighedSeen(spoons(2, 2.4, 2.5, 2.6, 3))).toMatchObject({ good: 0, holds: false });
  expect(() => spoonUnevenness(spoons(2, 2, 2, 2))).toThrow(RangeError);
  expect(() => spoonUnevenness(spoons(2, 2, 2, 2, 0))).toThrow(RangeError);
});
test('drafts from a packet: one that a lead took is enough', () => {
  expect(draftsTakenSeen([])).toBeNull();
  expect(draftsTakenSeen([false])).toEqual({ of: 'draftsTaken', good: 0, n: 1, holds: false });
  expect(draftsTakenSeen([true, false, false])).toMatchObject({ good: 1, n: 3, holds: true });
  // Older ones are forgotten.
  expect(draftsTakenSeen([true, false, false, false, false, false])?.holds).toBe(false);
});
test('colours beside a lead: eight of the last ten within one mark', () => {
  expect(coloursSeen([])).toBeNull();
  expect(coloursSeen([4, 0, 1, -1, 0, 0, 0, 1, 1, 2, -2])).toMatchObject({
    ...{ good: 8, n: 10, holds: true },
  });
  expect(coloursSeen([0, 0, 0, 0, 0, 0, 0])?.holds).toBe(false);
});
test('corrections: more better than worse, of five at the least; the same counts for neither', () => {
  expect(correctionsSeen([])).toBeNull();
  expect(correctionsSeen(['better', 'better', 'better', 'better'])?.holds).toBe(false);
  expect(correctionsSeen(['better', 'same', 'same', 'same', 'same'])).toMatchObject({
    ...{ good: 1, n: 5, holds: true },
  });
  expect(correctionsSeen(['better', 'better', 'worse', 'worse', 'same'])?.holds).toBe(false);
});
test('rescues: the last five cups, each nearer than before', () => {
  const nearer = { before: 3, after: 1 };
  expect(rescuesSeen([])).toBeNull();
  expect(rescuesSeen([{ before: 2, after: 2 }, ...new Array(5).fill(nearer)])).toEqual({
    ...{ of: 'rescues', good: 5, n: 5, holds: true },
  });
  expect(rescuesSeen([...new Array(4).fill(nearer), { before: 2, after: 2 }])).toMatchObject({
    ...{ good: 4, holds: false },
  });
  expect(rescuesSeen([nearer])?.holds).toBe(false);
});

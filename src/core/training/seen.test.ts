import {
  batchesSeen,
  calibrationSeen,
  heatSeen,
  laddersSeen,
  pullsSeen,
  tablesLedSeen,
} from '#core/training';

const pulls = (good: number, bad: number) => [
  ...new Array<boolean>(bad).fill(false),
  ...new Array<boolean>(good).fill(true),
];
test('pulls in their window: the least share that the last forty can mean, Wilson, one-sided 95 %', () => {
  expect(pullsSeen([])).toBeNull();
  // 36 of 40 means 0.796 at the least, 37 of 40 means 0.829.
  expect(pullsSeen(pulls(36, 4))).toEqual({ skill: 'steep', good: 36, n: 40, holds: false });
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
  expect(heatSeen([0, 0, 0])).toEqual({ skill: 'heat', good: 3, n: 3, holds: false });
});
test('ladders in order: the last two, each near the true order', () => {
  expect(laddersSeen([])).toBeNull();
  expect(laddersSeen([0.2, 0.87, 1])).toEqual({ skill: 'see', good: 2, n: 2, holds: true });
  expect(laddersSeen([1, 0.85])).toMatchObject({ good: 1, n: 2, holds: false });
  // One alone is not two.
  expect(laddersSeen([1])).toMatchObject({ good: 1, n: 1, holds: false });
});
test('the last calibration: every attribute without a flag', () => {
  expect(calibrationSeen([])).toBeNull();
  expect(calibrationSeen([false, false])).toEqual({ skill: 'taste', good: 2, n: 2, holds: true });
  expect(calibrationSeen([false, true])).toMatchObject({ good: 1, holds: false });
});
test('tables led: three, of two kinds', () => {
  expect(tablesLedSeen([])).toBeNull();
  expect(tablesLedSeen(['ladder'])).toEqual({ skill: 'teach', good: 1, n: 3, holds: false });
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

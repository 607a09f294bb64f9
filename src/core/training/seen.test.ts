import { heatSeen, pullsSeen } from '#core/training';

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

import { dropBell, isBellSet, setBell } from './coolBell';

/** Until a bell has rung: however slow the machine, it comes. */
const rung = (brewId: string, after: number) =>
  new Promise<void>((resolve) => {
    setBell(brewId, after, resolve);
  });

test('rings after its time, and is then no bell any more', async () => {
  const ring = rung('a', 5);
  expect(isBellSet('a')).toBe(true);
  await ring;
  expect(isBellSet('a')).toBe(false);
});
test('a cup that is judged before does not ring; another brew’s bell stays', async () => {
  let calls = 0;
  setBell('a', 1, () => {
    calls += 1;
  });
  const other = rung('b', 20);
  dropBell('a');
  expect(isBellSet('a')).toBe(false);
  await other;
  expect(calls).toBe(0);
});
test('set twice it rings for the later setting alone', async () => {
  let calls = 0;
  setBell('a', 1, () => {
    calls += 1;
  });
  await rung('a', 20);
  expect(calls).toBe(0);
});

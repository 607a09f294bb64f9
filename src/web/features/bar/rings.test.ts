import { celsius, epochMs, seconds } from '#core/units';
import { sampleBrew, T0 } from '../../testing/samples';
import { ringsBetween, saysBetween } from './rings';

// Window 3:00, 4:00, 5:00; water on at T0.
const brew = sampleBrew();
const rings = (from: number, to: number, of = brew) =>
  ringsBetween(of, T0 + from * 1000, T0 + to * 1000);
const says = (from: number, to: number, of = brew) =>
  saysBetween(of, T0 + from * 1000, T0 + to * 1000);

test.each([
  [229, 230, 'knock'],
  [239, 240, 'tap'],
  [299, 300, 'taps'],
  [319, 320, 'taps'],
  [359, 360, 'taps'],
  [230, 231, null],
  [240, 241, null],
  [379, 381, null],
])('from %i s to %i s: %s', (from, to, heard) => expect(rings(from, to)).toBe(heard));
test('a moment is heard once, by whichever look comes first after it', () => {
  const heard: (string | null)[] = [];
  for (let t = 0; t < 400; t += 0.7) heard.push(rings(t, t + 0.7));
  expect(heard.filter(Boolean)).toEqual(['knock', 'tap', 'taps', 'taps', 'taps', 'taps']);
});
test('a page that slept hears only the last of what it missed', () => {
  expect(rings(0, 400)).toBe('taps');
  expect(rings(0, 245)).toBe('tap');
});
test('what has not begun, or is over, is not heard', () => {
  const waits = sampleBrew({ state: { kind: 'warming' } as never });
  expect([rings(0, 400, waits), says(0, 400, waits)]).toEqual([null, null]);
});
test.each([
  [179, 180, 'Tolvane Amber, one minute left'],
  [239, 240, 'Tolvane Amber, lift the basket now'],
  [299, 300, 'Tolvane Amber is past its latest. Lift the basket.'],
  [200, 201, null],
])('a screen reader is told from %i s to %i s: %s', (from, to, told) =>
  expect(says(from, to)).toBe(told),
);
test('a short steep has no minute to tell of', () => {
  const window = { ...brew.plan.recipe.window, best: 70 as never };
  const short = sampleBrew({ plan: { ...brew.plan, recipe: { ...brew.plan.recipe, window } } });
  expect(says(9, 10.5, short)).toBeNull();
});

test('water that waits off the boil is heard and said once, when it is right', () => {
  const { plan } = sampleBrew();
  const cools = { a: 0.0009, b: 0, from: celsius(100), arrives: 0.85 };
  const kettleUsed = { name: 'Stove kettle', set: null, wait: seconds(120), cools };
  const boiled = { key: 'heat', at: epochMs(T0), outcome: 'done' as const };
  const waits = sampleBrew({
    ...{ state: { kind: 'warming', since: epochMs(T0) }, marks: [boiled] },
    plan: { ...plan, kettleUsed },
  });
  expect([rings(118, 119, waits), rings(119, 120, waits), rings(120, 121, waits)]).toEqual([
    ...[null, 'tap', null],
  ]);
  expect(says(119, 120, waits)).toBe('Tolvane Amber: the water is ready, pour on now');
  expect(rings(119, 120, { ...waits, marks: [] })).toBeNull();
});

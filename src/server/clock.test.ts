import { steadyClock } from './clock';

const [SECOND, HOUR] = [1000, 3_600_000];
/** A machine whose clock can be put right or wrong while time passes. */
function machine() {
  const state = { wall: 1_000 * HOUR, steady: 0 };
  const backs: number[] = [];
  const clock = steadyClock(
    () => state.wall,
    () => state.steady,
    (ms) => backs.push(ms),
  );
  const pass = (ms: number) => {
    state.wall += ms;
    state.steady += ms;
  };
  return { state, backs, clock, pass };
}

test('it is the machine’s clock, also where that is put forward', () => {
  const { state, backs, clock, pass } = machine();
  pass(HOUR);
  expect(clock()).toBe(1_001 * HOUR);
  state.wall += 24 * HOUR;
  expect(clock()).toBe(1_025 * HOUR);
  expect(backs).toEqual([]);
});
test('put back an hour, time goes on, said once; it follows again when the machine has come as far', () => {
  const { state, backs, clock, pass } = machine();
  state.wall -= HOUR;
  const times = Array.from({ length: 90 }, () => {
    pass(60 * SECOND);
    return clock();
  });
  expect(times.every((t, i) => i === 0 || t - (times[i - 1] ?? 0) <= 60 * SECOND)).toBe(true);
  expect(times.every((t, i) => i === 0 || t >= (times[i - 1] ?? 0))).toBe(true);
  expect(times[0]).toBe(1_000 * HOUR + 60 * SECOND);
  expect(backs).toEqual([HOUR]);
});
test('small steps back, as a clock is put right, hold it for a moment and are told to nobody', () => {
  const { state, backs, clock, pass } = machine();
  const before = clock();
  pass(100);
  state.wall -= SECOND;
  expect(clock()).toBe(before);
  pass(SECOND);
  expect(clock()).toBe(before + 100);
  expect(backs).toEqual([]);
});

import { celsius, epochMs, seconds } from '#core/units';
import {
  type AirReading,
  keepingOf,
  type Kept,
  liquorAlong,
  PROBE_STORY_NAMES,
  readProbe,
  simulatedReading,
  unknownGaps,
  USUAL_LIMITS,
} from './index';

const START = epochMs(Date.UTC(2026, 4, 4, 8));
const at = (minutes: number) => epochMs(START + minutes * 60_000);
const reading = (
  minutes: number,
  c: number,
  source: AirReading['source'] = 'typed',
): AirReading => ({
  at: at(minutes),
  celsius: celsius(c),
  source,
});
const kept = (readings: readonly AirReading[], over: Partial<Kept> = {}): Kept => ({
  method: 'fridge',
  startAt: START,
  start: celsius(4),
  liftAt: at(600),
  tau: seconds(10_000),
  fridge: celsius(4),
  readings,
  ...over,
});

describe('a gap', () => {
  const typed = [reading(0, 4), reading(15 * 60, 4)];
  const probed = [reading(0, 4, 'probe'), reading(61, 4, 'probe'), reading(120, 4, 'probe')];
  test('is fourteen hours between what people typed, one between what a probe sent', () => {
    expect(unknownGaps({ readings: typed, gaps: [] }, USUAL_LIMITS)).toEqual([
      { from: at(0), to: at(900) },
    ]);
    expect(unknownGaps({ readings: probed, gaps: [] }, USUAL_LIMITS)).toEqual([
      { from: at(0), to: at(61) },
    ]);
    expect(
      unknownGaps({ readings: [reading(0, 4), reading(61, 4, 'probe')], gaps: [] }, USUAL_LIMITS),
    ).toEqual([]);
  });
  test('counts as warm until somebody answers; then the warmer reading of its ends holds', () => {
    const unknown = keepingOf(kept(typed), USUAL_LIMITS);
    const gaps = [{ from: at(0), to: at(900) }];
    const answered = keepingOf(kept(typed, { answered: gaps }), USUAL_LIMITS);
    expect(unknown.warmMinutes).toBeGreaterThan(0);
    expect(answered.warmMinutes).toBe(0);
    expect(answered.discardAt).toBeGreaterThan(unknown.discardAt);
    expect(unknownGaps({ readings: typed, gaps }, USUAL_LIMITS)).toEqual([]);
  });
});

test('the liquor follows the air with its own time: after one tau 63 % of the way', () => {
  const [first] = [celsius(20)];
  const along = liquorAlong(
    kept([reading(0, 4), reading(800, 4)], { start: first, tau: seconds(6000) }),
    USUAL_LIMITS,
    at(100),
    100,
  );
  const last = along.at(-1);
  expect(last?.at).toBe(at(100));
  // 100 minutes are one tau: 4 + 16 e^-1.
  expect(last?.liquor).toBeCloseTo(4 + 16 * Math.exp(-1), 2);
});

describe('a probe', () => {
  const none = { value: null, since: null };
  test('that no fridge could have is not believed, and leaves what was known', () => {
    for (const c of [-6, 46, 120])
      expect(readProbe({ value: 4, since: at(0) }, c, at(10))).toEqual({
        doubt: 'absurd',
        trail: { value: 4, since: at(0) },
      });
    expect(readProbe(none, -5, at(0)).doubt).toBeNull();
    expect(readProbe(none, 45, at(0)).doubt).toBeNull();
  });
  test('that says the same for twelve hours is stuck, until it says another', () => {
    let trail: Parameters<typeof readProbe>[0] = none;
    const doubts: (string | null)[] = [];
    for (let m = 0; m <= 13 * 60; m += 15) {
      const read = readProbe(trail, simulatedReading('stuck', m) ?? 0, at(m));
      trail = read.trail;
      doubts.push(read.doubt);
    }
    expect(doubts.indexOf('stuck')).toBe(12 * 4);
    expect(doubts.slice(12 * 4).every((d) => d === 'stuck')).toBe(true);
    expect(readProbe(trail, 4.1, at(800)).doubt).toBeNull();
  });
});

describe('the simulated probe', () => {
  const day = (story: (typeof PROBE_STORY_NAMES)[number]): AirReading[] =>
    Array.from({ length: 96 }, (_, i) => i * 15).flatMap((m) => {
      const c = simulatedReading(story, m);
      return c === null ? [] : [reading(m, c, 'probe')];
    });
  test('tells the same story again', () => {
    for (const story of PROBE_STORY_NAMES) expect(day(story)).toEqual(day(story));
  });
  test('normal: cold all day, and no minute counts as warm', () => {
    const readings = day('normal');
    expect(Math.max(...readings.map((r) => r.celsius))).toBeLessThan(5);
    expect(keepingOf(kept(readings), USUAL_LIMITS).warmMinutes).toBe(0);
    expect(unknownGaps({ readings, gaps: [] }, USUAL_LIMITS)).toEqual([]);
  });
  test('an opened door warms the air, hardly the liquor; a power cut warms both, and is a gap', () => {
    const [door, power] = [day('door'), day('power')];
    expect(Math.max(...door.map((r) => r.celsius))).toBeGreaterThan(8);
    const opened = keepingOf(kept(door), USUAL_LIMITS);
    const cut = keepingOf(kept(power), USUAL_LIMITS);
    expect(opened.warmMinutes).toBeLessThan(60);
    expect(cut.warmMinutes).toBeGreaterThan(200);
    expect(cut.discardAt).toBeLessThan(opened.discardAt);
    expect(unknownGaps({ readings: power, gaps: [] }, USUAL_LIMITS)).toHaveLength(1);
  });
});

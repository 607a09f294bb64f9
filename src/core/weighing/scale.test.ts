import { seeded } from '#core/numeric';
import { celsius, grams } from '#core/units';
import {
  isSteady,
  lineCutter,
  pourUntil,
  readScaleLine,
  simulatedScale,
  volumeWeighed,
  type Weighed,
} from '#core/weighing';

describe('lines of plain text', () => {
  test.each<[string, number, boolean | null]>([
    ['  12.34 g', 12.34, null],
    ['12.3g', 12.3, null],
    ['ST,GS,+  12.34g', 12.34, true],
    ['US,NT,-   3.20 g', -3.2, false],
    ['S S      9.40 g', 9.4, true],
    ['S D     9.38 g', 9.38, false],
    ['12,5 g', 12.5, null],
    ['0.0123 kg', 12.3, null],
    ['N     +    9.41 g', 9.41, null],
    ['+ 001.6 g', 1.6, null],
    ['1.0 oz', 28.3495, null],
    ['   9.4 g ?', 9.4, false],
    ['\u00029.40 g\u0003', 9.4, null],
    ['ST, 250.0', 250, true],
    ['104.2', 104.2, null],
    ['Net: 6.5 g', 6.5, null],
    ['W= 18 g', 18, null],
    ['-0.1 g', -0.1, null],
    ['250 mg', 0.25, null],
  ])('%j is %f g', (line, g, stable) =>
    expect(readScaleLine(line)).toEqual({
      kind: 'weight',
      grams: expect.closeTo(g, 3) as number,
      stable,
    }),
  );
  test.each(['OL', 'S +', 'ST,OL', 'OVERLOAD', '------', 'ERR 3'])(
    '%j is too much for it',
    (line) => expect(readScaleLine(line)).toEqual({ kind: 'overload' }),
  );
  test.each(['', '   ', 'Hello', '25.11.2026', 'Date 2026-11-25', 'SN: 40721-A', 'g', 'READY'])(
    '%j is no weight',
    (line) => expect(readScaleLine(line)).toBeNull(),
  );
  test('lines are put together from any pieces, whatever ends them', () => {
    const cut = lineCutter();
    expect(['  12.', '3 g\r', '\n  12.4 g\n12.', '5 g\r12.6 g', '\n\n'].flatMap(cut)).toEqual([
      '  12.3 g',
      '  12.4 g',
      '12.5 g',
      '12.6 g',
    ]);
  });
  test('a flood without an end does not grow', () => {
    const cut = lineCutter();
    for (let i = 0; i < 1000; i++) expect(cut('x'.repeat(500))).toEqual([]);
    expect(cut('\n 3.1 g\n').at(-1)).toBe(' 3.1 g');
  });
});

describe('steady', () => {
  const run = (values: readonly number[], every = 100): Weighed[] =>
    values.map((g, i) => ({ at: i * every, grams: grams(g), stable: null }));
  const still = (r: readonly Weighed[]) => isSteady(r, (r.at(-1)?.at ?? 0) + 50);
  test('still for 0.7 s within 0.2 g', () =>
    expect(still(run([0, 4, 9.3, 9.4, 9.4, 9.3, 9.4, 9.5, 9.4, 9.4, 9.4]))).toBe(true));
  test('still moving', () => expect(still(run([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]))).toBe(false));
  test('too short a look', () => expect(still(run([9.4, 9.4, 9.4]))).toBe(false));
  test('a scale that says it moves is believed, and one that says it stands', () => {
    const moving = run(Array.from({ length: 10 }, () => 9.4));
    expect(still([...moving, { at: 1000, grams: grams(9.4), stable: false }])).toBe(false);
    expect(still([{ at: 0, grams: grams(9.4), stable: true }])).toBe(true);
  });
  test('a scale that has gone silent is not steady', () =>
    expect(isSteady(run(Array.from({ length: 10 }, () => 9.4)), 5000)).toBe(false));
  test('the made-up scale settles on what lies on it, within its tenth, and is then steady', () => {
    const scale = simulatedScale(seeded(4));
    scale.load(grams(9.4));
    const readings = Array.from({ length: 40 }, (_, i) => scale.read(i * 100));
    expect(readings[2]?.grams).toBeLessThan(8);
    expect(Math.abs((readings.at(-1)?.grams ?? 0) - 9.4)).toBeLessThanOrEqual(0.2);
    expect(still(readings)).toBe(true);
    scale.tare();
    expect(Math.abs(scale.read(4100).grams)).toBeLessThanOrEqual(0.2);
  });
});

test.each<[number, string]>([
  [0, 'empty'],
  [3, 'more'],
  [8.6, 'slowly'],
  [9.35, 'there'],
  [9.5, 'there'],
  [9.8, 'over'],
])('9.4 g wanted, %f on it: %s', (g, say) => expect(pourUntil(grams(9.4), grams(g)).say).toBe(say));

describe('a vessel weighed with water', () => {
  // Density of water, handbook: 0.99820 g/ml at 20 C, 0.97179 at 80, 0.95835 at 100 (CRC Handbook of Chemistry and
  // Physics).
  test.each([
    [20, 499.1, 500],
    [80, 485.895, 500],
    [100, 479.175, 500],
  ])('at %i C %f g are %i ml', (t, g, ml) =>
    expect(volumeWeighed(grams(400), grams(400 + g), celsius(t))).toBeCloseTo(ml, 1),
  );
  test('full lighter than empty is refused', () =>
    expect(() => volumeWeighed(grams(400), grams(399), celsius(20))).toThrow(RangeError));
});

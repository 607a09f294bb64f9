import fc from 'fast-check';
import {
  celsius,
  degrees,
  epochMs,
  fromFahrenheit,
  fromMl,
  type Grams,
  GRAMS_PER_OUNCE,
  later,
  type Millilitres,
  millilitres,
  minutesText,
  ML_PER,
  oneBlank,
  packetFahrenheit,
  parseDuration,
  parseNumber,
  parseTemperature,
  parseVolume,
  parseWithin,
  seconds,
  secondsBetween,
  SPOONS,
  toFahrenheit,
  toMl,
  volumeText,
  type VolumeUnit,
  withoutUnit,
} from '#core/units';

describe('exact definitions', () => {
  // NIST SP 811 appendix B.8 and Handbook 44 appendix C; UK Units of Measurement Regulations 1995.
  test.each<[VolumeUnit, number]>([
    ['usFlOz', 29.5735295625],
    ['imperialFlOz', 28.4130625],
    ['usTeaspoon', 4.92892159375],
    ['usTablespoon', 14.78676478125],
    ['usCup', 236.5882365],
    ['litre', 1000],
  ])('one %s is %f ml', (unit, ml) => expect(toMl(1, unit)).toBeCloseTo(ml, 10));
  test('three teaspoons a tablespoon, two tablespoons an ounce, eight ounces a cup', () => {
    expect(3 * ML_PER.usTeaspoon).toBeCloseTo(ML_PER.usTablespoon, 12);
    expect(2 * ML_PER.usTablespoon).toBeCloseTo(ML_PER.usFlOz, 12);
    expect(8 * ML_PER.usFlOz).toBeCloseTo(ML_PER.usCup, 10);
  });
  test('the ounce is the 1959 one', () => expect(GRAMS_PER_OUNCE * 16).toBeCloseTo(453.59237, 10));
  test.each([
    [0, 32],
    [100, 212],
    [-40, -40],
    [37, 98.6],
  ])('%f C is %f F', (c, f) => {
    expect(toFahrenheit(celsius(c))).toBeCloseTo(f, 10);
    expect(fromFahrenheit(f)).toBeCloseTo(c, 10);
  });
});

describe('common practice', () => {
  test('a tablespoon to 8 fl oz: 32 take 4, 48 take 6', () =>
    expect([32, 48].map((oz) => oz / 8)).toEqual([4, 6]));
  test('teaspoon and tablespoon differ by three', () =>
    expect(SPOONS.metricTablespoon.ml / SPOONS.metricTeaspoon.ml).toBe(3));
  test('a teacup is 150 ml, a US packet cup 8 fl oz, a metric cup 250 ml', () =>
    expect([ML_PER.teacup, ML_PER.usCup / ML_PER.usFlOz, ML_PER.metricCup]).toEqual([150, 8, 250]));
  test.each([
    [60, 140],
    [70, 160],
    [80, 175],
    [85, 185],
    [88, 190],
    [100, 212],
  ])('packets print %i C as %i F', (c, f) =>
    expect(Math.abs(packetFahrenheit(celsius(c)) - f)).toBeLessThanOrEqual(2),
  );
});

const bad = { kind: 'bad', why: expect.any(String) as string };
describe('what people type', () => {
  test.each([
    ['2,5', 2.5],
    ['2.5', 2.5],
    [' 7 ', 7],
    ['2½', 2.5],
    ['¾', 0.75],
    ['-3', -3],
    ['12 000', 12000],
  ])('%s is %f', (t, n) => expect(parseNumber(t)).toEqual({ kind: 'ok', value: n }));
  test.each(['', 'two', '1,234', '1.2.3', '--4', '1e9'])('"%s" is not a number', (t) =>
    expect(parseNumber(t)).toEqual(bad),
  );
  test.each<[string, VolumeUnit, number]>([
    ['500', 'ml', 500],
    ['2,5 l', 'ml', 2500],
    ['16 fl oz', 'ml', 473.176473],
    ['16', 'usFlOz', 473.176473],
    ['10 UK fl oz', 'ml', 284.130625],
    ['2 cups', 'ml', 473.176473],
  ])('"%s" in a house of %s is %f ml', (t, u, ml) => {
    const v = parseVolume(t, u);
    expect(v.kind === 'ok' ? v.value : NaN).toBeCloseTo(ml, 6);
  });
  test.each(['0', '-5 ml', '5 barrels', 'much'])('"%s" is no volume', (t) =>
    expect(parseVolume(t, 'ml')).toEqual(bad),
  );
  test.each([
    ['80', 80],
    ['80 C', 80],
    ['176F', 80],
    ['176 °F', 80],
  ])('%s is %f C', (t, c) => expect(parseTemperature(t)).toEqual({ kind: 'ok', value: c }));
  test('bounds are said in the words of the field', () => {
    expect(parseWithin('0', 'Leaf', 'g', 0.1, 50)).toEqual({
      kind: 'bad',
      why: 'Leaf must be more than 0.1 g.',
    });
    expect(parseWithin('9000', 'Leaf', 'g', 0.1, 50)).toEqual({
      kind: 'bad',
      why: 'Leaf of 9000 g is too much: at most 50 g.',
    });
  });
});

describe('a unit written after a figure', () => {
  test.each([
    ['3.2 g', ['grams', 'g'], '3.2'],
    ['3.2grams', ['grams', 'g'], '3.2'],
    ['12 CM', ['cm'], '12'],
    ['12', ['cm'], '12'],
    ['  4   ml ', ['ml'], '4'],
    ['ml', ['ml'], ''],
    ['5', [''], '5'],
  ])('“%s” without %j is “%s”', (text, units, bare) => expect(withoutUnit(text, units)).toBe(bare));
  test.each([
    ['4 cups', 'cups', 4],
    ['1 cup', 'cups', 1],
    ['95 °C', '°C', 95],
    ['95C', '°C', 95],
    ['12 %', '%', 12],
    ['3 g.', 'g', 3],
  ])('“%s” in %s is %f', (text, unit, n) =>
    expect(parseWithin(text, 'It', unit, 0, 100)).toEqual({ kind: 'ok', value: n }),
  );
  test('another unit than the field’s is no figure', () =>
    expect(parseWithin('3 kg', 'Leaf', 'g', 0, 100)).toEqual(bad));
});
test('very long runs of blanks are read at once, whatever is asked of them', () => {
  const long = `1${' '.repeat(200_000)}x`;
  expect(parseNumber(long)).toEqual(bad);
  expect(parseVolume(long, 'ml')).toEqual(bad);
  expect(parseTemperature(long)).toEqual(bad);
  expect(parseDuration(long)).toEqual(bad);
  expect(oneBlank(`  a${' '.repeat(200_000)}b `)).toBe('a b');
});

test('the unit shown changes nothing but the showing', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 20_000, noNaN: true }),
      fc.constantFrom<VolumeUnit>('ml', 'usFlOz', 'imperialFlOz', 'usCup'),
      (ml, unit) => {
        expect(toMl(fromMl(millilitres(ml), unit), unit)).toBeCloseTo(ml, 8);
      },
    ),
    { seed: 20260112 },
  ));

test('instants and durations', () => {
  expect(later(epochMs(1000), seconds(90))).toBe(91_000);
  expect(secondsBetween(epochMs(91_000), epochMs(1000))).toBe(-90);
  expect([0, 59.6, 90, 599, 3600, 4320].map(minutesText)).toEqual([
    '0:00',
    '1:00',
    '1:30',
    '9:59',
    '1:00 h',
    '1:12 h',
  ]);
  expect(volumeText(millilitres(500), 'usFlOz')).toBe('16.9 fl oz');
  expect(degrees(celsius(80), 'F')).toBe(176);
});

// @ts-expect-error -- grams are not millilitres
export const notMillilitres: Millilitres = 5 as unknown as Grams;

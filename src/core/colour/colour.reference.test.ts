import { readFileSync } from 'node:fs';
import {
  hexOf,
  type Lab,
  labOf,
  liquorAt,
  PLAIN_WATER,
  spectrumOf,
  standardCup,
  tint,
} from '#core/colour';
import { STYLE_IDS, type StyleId } from '#core/styles';
import { celsius, seconds } from '#core/units';
import { D65, X_BAR, Y_BAR, Z_BAR } from './tables';

/* eslint-disable @typescript-eslint/no-explicit-any -- reference cases are plain JSON */
const read = (name: string) => JSON.parse(readFileSync(`test/reference/${name}.json`, 'utf8'));
const cases = read('colour') as Record<string, { in: any; out: any }[]>;
const list = (name: string) => (cases[name] ?? []).map((c, i) => [i, c.in, c.out] as const);

const within = (got: Lab, want: Lab, by: number) =>
  got.forEach((v, i) => expect(Math.abs(v - (want[i] as number))).toBeLessThanOrEqual(by));
const codes = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
const sameHex = (got: string, want: string) =>
  codes(got).forEach((c, i) =>
    expect(Math.abs(c - (codes(want)[i] as number))).toBeLessThanOrEqual(1),
  );

test('there are cases to check', () =>
  expect([list('strength').length, list('steep').length]).toEqual([136, 68]));

test.each(list('strength'))('strength %i', (_i, i, o) => {
  const lab = labOf(standardCup(i.style, i.strength), i.depthMm / 10);
  within(lab, o.lab, 0.02);
  sameHex(hexOf(lab), o.srgb);
});
test.each(list('steep'))('steep %i', (_i, i, o) => {
  const liquor = liquorAt(i.style, {
    time: seconds(i.seconds),
    temperature: celsius(i.temperatureC),
    leafRatio: i.leafRatio,
  });
  const lab = labOf(liquor, i.depthMm / 10);
  within(lab, o.lab, 0.02);
  sameHex(hexOf(lab), o.srgb);
});

const swatches = read('swatches').cups as Record<StyleId, [Lab, string][]>;
test('fifteen styles have swatches', () => expect(Object.keys(swatches)).toHaveLength(15));
test.each(Object.keys(swatches) as StyleId[])('standard swatches of %s', (style) => {
  expect(swatches[style]).toHaveLength(5);
  [0.25, 0.5, 1, 2, 4].forEach((x, i) => {
    within(labOf(standardCup(style, x)), swatches[style][i]?.[0] as Lab, 0.2);
    sameHex(tint(standardCup(style, x)), swatches[style][i]?.[1] as string);
  });
});

describe('outside values', () => {
  test('D65 white from the tables is CIE 15 within 0.3 %', () => {
    const sum = (bar: readonly number[]) => bar.reduce((s, v, i) => s + v * (D65[i] as number), 0);
    const y = sum(Y_BAR);
    expect(Math.abs((100 * sum(X_BAR)) / y / 95.047 - 1)).toBeLessThan(0.003);
    expect(Math.abs((100 * sum(Z_BAR)) / y / 108.883 - 1)).toBeLessThan(0.003);
  });
  test('plain water in porcelain is a light neutral', () => {
    within(labOf(PLAIN_WATER), [94, 0, 0], 0.05);
    expect(tint(PLAIN_WATER)).toBe('#eeeeee');
  });
  // With no scatter a layer on a backing is double-pass Beer-Lambert: Rg 10^(-2 d A), plus glare.
  test('clear liquor falls to Beer-Lambert', () => {
    const r = spectrumOf({ amounts: { TR: 0.3, FL: 0.2 }, turbidity: 0 }, 3.5);
    expect(r[10]).toBeCloseTo(0.06793, 4);
    expect(r[20]).toBeCloseTo(0.49134, 4);
  });
  test('only amount times depth is seen', () =>
    within(
      labOf(standardCup('black-whole', 0.5), 3.5),
      labOf(standardCup('black-whole', 1), 1.75),
      1e-6,
    ));
});

test.each(STYLE_IDS)('%s never gets lighter with strength or time', (style) => {
  let last = Infinity;
  for (let x = 0.125; x <= 5.6; x *= 1.25) {
    const [L] = labOf(standardCup(style, x));
    expect(L).toBeLessThanOrEqual(last + 1e-6);
    last = L;
  }
});

test('misuse throws', () => {
  expect(() => labOf(PLAIN_WATER, 0)).toThrow(RangeError);
  expect(() =>
    liquorAt('white', { time: seconds(-1), temperature: celsius(80), leafRatio: 1 }),
  ).toThrow(RangeError);
});

import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import {
  blendLiquors,
  checkPhoto,
  type ColouredBrew,
  colourLadder,
  colourOfBrew,
  deltaE00,
  diluted,
  displayedLab,
  type Lab,
  labOf,
  labOfLinear,
  ladderLabel,
  linearOf,
  liquorAt,
  type PhotoFacts,
  readAgainst,
  rimCorrected,
  scoreLadder,
  spentBy,
  standardCup,
  standardTime,
  strengthFromColour,
  strengthVerdict,
  styleStrengthFromColour,
  timeFromColour,
} from '#core/colour';
import { normal, seeded } from '#core/numeric';
import { characterOf, STYLE_IDS, type StyleId } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';
import { COLOUR_STYLES } from './pigments';

const sharma = readFileSync('test/reference/ciede2000.csv', 'utf8')
  .split('\n')
  .filter((l) => /^\d/.test(l))
  .map((l) => l.split(',').map(Number) as [number, number, number, number, number, number, number]);
test('the published set has 34 pairs', () => expect(sharma).toHaveLength(34));
test.each(sharma)(
  'CIEDE2000 of (%f, %f, %f) and (%f, %f, %f) is %f, in both orders',
  (l1, a1, b1, l2, a2, b2, de) => {
    expect(deltaE00([l1, a1, b1], [l2, a2, b2])).toBeCloseTo(de, 4);
    expect(deltaE00([l2, a2, b2], [l1, a1, b1])).toBeCloseTo(de, 4);
  },
);
const cases = (
  JSON.parse(readFileSync('test/reference/colour.json', 'utf8')) as {
    difference: { in: { a: Lab; b: Lab }; out: { deltaE00: number } }[];
  }
).difference;
test.each(cases.map((c, i) => [i, c] as const))('difference %i', (_i, c) =>
  expect(Math.abs(deltaE00(c.in.a, c.in.b) - c.out.deltaE00)).toBeLessThanOrEqual(1e-4),
);

const brewed = (style: StyleId, over: Partial<ColouredBrew> = {}): ColouredBrew => {
  const { brew } = COLOUR_STYLES[style];
  return {
    style,
    character: characterOf(style),
    leaf: grams(brew.leafGrams),
    water: millilitres(brew.waterMl),
    temperature: celsius(brew.temperature),
    time: seconds(brew.seconds),
    constant: true,
    ...over,
  };
};

describe('colour rides on the brew', () => {
  test.each(STYLE_IDS)(
    '%s: at constant heat and free contact it is the plain colour model',
    (style) => {
      for (const share of [0.3, 1, 1.7]) {
        for (const by of [-6, 0, 6]) {
          const t = Math.min(99, COLOUR_STYLES[style].brew.temperature + by);
          const time = seconds(standardTime(style) * share);
          const got = colourOfBrew(brewed(style, { temperature: celsius(t) }), time);
          const want = liquorAt(style, { time, temperature: celsius(t), leafRatio: 1 });
          expect(deltaE00(labOf(got), labOf(want))).toBeLessThan(1e-6);
        }
      }
    },
  );
  test('a pot that cools is paler than one held hot; a small ball paler than loose leaf; stirring darker', () => {
    const lightness = (over: Partial<ColouredBrew>) =>
      labOf(colourOfBrew(brewed('black-whole', over), seconds(210)))[0];
    const held = lightness({});
    expect(lightness({ constant: false, material: 'glass', lid: false })).toBeGreaterThan(held);
    expect(lightness({ infuser: 'ball' })).toBeGreaterThan(held);
    expect(lightness({ agitation: 'stirred' })).toBeLessThan(held);
  });
  test('at the first second there is next to nothing', () =>
    expect(labOf(colourOfBrew(brewed('black-broken'), seconds(0)))[0]).toBeCloseTo(94, 1));
  test('a second steep has what the first left, and the root of it', () => {
    const b = brewed('oolong-dark');
    const first = colourOfBrew(b, seconds(90));
    const drained = colourOfBrew(b, seconds(90), spentBy(undefined, first, 1));
    const rooted = colourOfBrew(b, seconds(90), spentBy(undefined, first, 0.8));
    expect(labOf(drained)[0]).toBeGreaterThan(labOf(first)[0]);
    expect(labOf(rooted)[0]).toBeLessThan(labOf(drained)[0]);
  });
  test('blending keeps grams: a cup with as much water is the cup at half strength', () => {
    const cup = standardCup('rooibos');
    const half = blendLiquors([
      { liquor: cup, ml: 100 },
      { liquor: { amounts: {}, turbidity: 0 }, ml: 100 },
    ]);
    expect(deltaE00(labOf(half), labOf(diluted(cup, 0.5)))).toBeLessThan(1e-9);
    expect(() => blendLiquors([])).toThrow(RangeError);
  });
});

// Common practice, by construction of the fit: regression tests, not evidence.
describe('what the eye expects', () => {
  test.each<[StyleId, number, number]>([
    ['green-steamed', 80, 95],
    ['green-pan', 80, 95],
    ['green-scented', 80, 95],
    ['green-shaded', 60, 80],
  ])('%s: the hotter cup is darker and yellower at 20 to 90 s', (style, cool, hot) => {
    for (const s of [20, 45, 90]) {
      const of = (t: number) =>
        labOf(liquorAt(style, { time: seconds(s), temperature: celsius(t), leafRatio: 1 }));
      const [c, h] = [of(cool), of(hot)];
      expect(c[0] - h[0]).toBeGreaterThan(1);
      expect(h[1]).toBeGreaterThan(c[1]);
      const hue = ([, a, b]: Lab) => (Math.atan2(b, a) * 180) / Math.PI;
      expect(hue(c) - hue(h)).toBeGreaterThan(1);
    }
  });
  test.each<[StyleId, number[]]>([
    ['black-broken', [21.7, 5.5, 4.2]],
    ['black-whole', [13.9, 6.4, 7.0]],
    ['black-first', [8.9, 3.3, 3.4]],
  ])('%s: the steps from 45 s to 2, 3 and 5 min', (style, want) => {
    const { temperature } = COLOUR_STYLES[style].brew;
    const labs = [45, 120, 180, 300].map((s) =>
      labOf(liquorAt(style, { time: seconds(s), temperature: celsius(temperature), leafRatio: 1 })),
    );
    want.forEach((de, i) =>
      expect(Math.abs(deltaE00(labs[i] as Lab, labs[i + 1] as Lab) - de)).toBeLessThan(0.3),
    );
  });
  test('lightness never rises with time', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...STYLE_IDS),
        fc.double({ min: 2, max: 700, noNaN: true }),
        fc.double({ min: 1.01, max: 1.5, noNaN: true }),
        (style, t, more) => {
          const end = Math.min(4 * standardTime(style), 900);
          const of = (s: number) =>
            labOf(
              liquorAt(style, {
                time: seconds(Math.min(end, s)),
                temperature: celsius(COLOUR_STYLES[style].brew.temperature),
                leafRatio: 1,
              }),
            )[0];
          expect(of(t * more)).toBeLessThanOrEqual(of(t) + 1e-6);
        },
      ),
      { seed: 20260501 },
    ));
});

describe('a strength read back from a colour', () => {
  test.each(STYLE_IDS)('%s: its own colour gives it back', (style) => {
    for (const s of [0.5, 0.8, 1, 1.4]) {
      const r = styleStrengthFromColour(style, labOf(standardCup(style, s)));
      expect(Math.abs(Math.log(r.value / s))).toBeLessThan(0.01);
      expect(r.residual).toBeLessThan(0.2);
      expect(r.edge).toBe(false);
    }
  });
  // Standard errors of simulated readings with sd 1.5 on each of L*, a*, b* (share), at x1 and where it fails.
  test.each<[StyleId, number, number]>([
    ['black-broken', 1, 0.04],
    ['green-pan', 1, 0.07],
    ['white', 1, 0.07],
    ['hibiscus', 1, 0.11],
    ['black-broken', 4, 0.33],
    ['white', 0.25, 0.2],
  ])('%s at x%f is known to about %f', (style, s, want) => {
    const r = styleStrengthFromColour(style, labOf(standardCup(style, s)));
    expect(r.error / want).toBeGreaterThan(0.6);
    expect(r.error / want).toBeLessThan(1.7);
  });
  test('noisy readings scatter as told', () => {
    const random = seeded(20260502);
    const lab = labOf(standardCup('black-whole', 1));
    const errors = Array.from({ length: 250 }, () =>
      Math.log(
        styleStrengthFromColour(
          'black-whole',
          lab.map((v) => normal(random, v, 1.5)) as unknown as Lab,
        ).value,
      ),
    );
    const sd = Math.sqrt(errors.reduce((x, e) => x + e * e, 0) / errors.length);
    expect(sd / styleStrengthFromColour('black-whole', lab).error).toBeGreaterThan(0.75);
    expect(sd / styleStrengthFromColour('black-whole', lab).error).toBeLessThan(1.3);
  });
  test('time reads as strong as so long at the recipe; more leaf reads as more time', () => {
    const at = (leafRatio: number, s: number) =>
      timeFromColour(
        'black-broken',
        labOf(liquorAt('black-broken', { time: seconds(s), temperature: celsius(96), leafRatio })),
      ).value;
    expect(at(1, 120)).toBeCloseTo(120, 0);
    expect(at(1.2, 210)).toBeGreaterThan(300);
  });
  test('refuses another colour, says nothing where colour says nothing', () => {
    expect(strengthVerdict(styleStrengthFromColour('black-whole', [60, -40, -30]))).toBe('refuse');
    expect(
      strengthVerdict(styleStrengthFromColour('dark-ripe', labOf(standardCup('dark-ripe', 3)))),
    ).toBe('uninformative');
    const of = (s: number) =>
      strengthVerdict(styleStrengthFromColour('black-whole', labOf(standardCup('black-whole', s))));
    expect([of(0.6), of(0.85), of(1), of(1.18), of(1.7)]).toEqual([
      'clearlyWeaker',
      'slightlyWeaker',
      'onTarget',
      'slightlyStronger',
      'clearlyStronger',
    ]);
  });
  test('a shallower layer tells where a deep one is black', () => {
    const cup = standardCup('dark-ripe', 1);
    expect(strengthFromColour(cup, labOf(diluted(cup, 2), 1), 1).error).toBeLessThan(
      strengthFromColour(cup, labOf(diluted(cup, 2)), 3.5).error / 2,
    );
  });
});

describe('a photo', () => {
  const facts: PhotoFacts = {
    rimMedian: [205, 206, 204],
    rimBurnt: 0,
    otherRimGreen: 206,
    liquorBurnt: 0,
    liquorBlack: 0,
    liquorSdL: 1,
    liquorSidesL: 1,
    depthKnown: true,
  };
  test('the rim divides out light and exposure', () => {
    const liquor = [0.4, 0.2, 0.05] as const;
    const lamp = [1.2, 0.9, 0.6] as const;
    const seen = liquor.map((v, i) => v * (lamp[i] as number) * 0.6) as unknown as readonly [
      number,
      number,
      number,
    ];
    const rim = lamp.map((v) => v * 0.6 * 0.85) as unknown as readonly [number, number, number];
    const got = rimCorrected(seen, rim);
    labOfLinear(liquor).forEach((v, i) => expect(got[i]).toBeCloseTo(v, 8));
    expect([linearOf(0), linearOf(255)]).toEqual([0, 1]);
  });
  test('a reference cup in the picture takes out what the camera did', () =>
    expect(readAgainst([50, 10, 40], [62, 5, 30], [60, 8, 33])).toEqual([52, 7, 37]));
  test('a sound one passes', () => expect(checkPhoto(facts)).toEqual([]));
  test.each<[string, Partial<PhotoFacts>, string, string]>([
    ['a burnt rim', { rimMedian: [251, 250, 240] }, 'tooBright', 'reject'],
    ['burnt pixels', { rimBurnt: 0.01 }, 'tooBright', 'reject'],
    ['a dark one', { rimMedian: [100, 98, 90] }, 'tooDark', 'reject'],
    ['a highlight', { liquorBurnt: 0.02 }, 'highlight', 'reject'],
    ['a colour past the camera', { liquorBlack: 0.3 }, 'outsideGamut', 'warn'],
    ['sides a little apart', { otherRimGreen: 194 }, 'unevenLight', 'warn'],
    ['sides far apart', { otherRimGreen: 180 }, 'unevenLight', 'reject'],
    [
      'lamp light',
      { rimMedian: [240, 180, 110], otherRimGreen: 180 },
      'colouredLight',
      'referenceOnly',
    ],
    ['a streak', { liquorSidesL: 6 }, 'unevenLiquor', 'reject'],
    ['no depth', { depthKnown: false }, 'depthMissing', 'reject'],
  ])('%s', (_name, over, fault, severity) =>
    expect(checkPhoto({ ...facts, ...over })).toContainEqual({ fault, severity }),
  );
});

describe('ladders', () => {
  test.each<[StyleId, number[]]>([
    ['black-broken', [0.7, 0.78, 0.88, 1, 1.15, 1.35, 1.6, 1.91]],
    ['green-pan', [0.44, 0.58, 0.77, 1, 1.3, 1.67, 2.12, 2.61]],
    ['white', [0.36, 0.53, 0.74, 1, 1.33, 1.75, 2.28, 2.95]],
  ])('%s, 3 apart', (style, want) => {
    const got = colourLadder(standardCup(style), 3);
    expect(got).toHaveLength(8);
    want.forEach((s, i) => expect(Math.abs((got[i] as number) / s - 1)).toBeLessThan(0.03));
  });
  test.each(STYLE_IDS)(
    '%s: neighbours are as far apart as asked, as a screen shows them',
    (style) => {
      const ladder = colourLadder(standardCup(style), 4);
      ladder
        .slice(1)
        .forEach((s, i) =>
          expect(
            deltaE00(
              displayedLab(labOf(standardCup(style, s))),
              displayedLab(labOf(standardCup(style, ladder[i] as number))),
            ),
          ).toBeCloseTo(4, 3),
        );
    },
  );
  test('scores', () => {
    expect(scoreLadder([0, 1, 2, 3, 4, 5, 6, 7])).toMatchObject({
      tau: 1,
      displacement: 0,
      kind: 'pass',
    });
    expect(scoreLadder([0, 2, 1, 3, 4, 6, 5, 7])).toMatchObject({ inversions: 2, kind: 'pass' });
    expect(scoreLadder([1, 0, 3, 2, 5, 4, 7, 6])).toMatchObject({
      inversions: 4,
      kind: 'betterThanChance',
    });
    expect(scoreLadder([7, 6, 5, 4, 3, 2, 1, 0]).kind).toBe('reversed');
    expect(scoreLadder([3, 7, 0, 5, 1, 6, 2, 4]).kind).toBe('chance');
    expect(() => scoreLadder([0])).toThrow(RangeError);
    expect([1, 1.5, 2, 3, 4].map(ladderLabel)).toEqual([
      'expert',
      'hard',
      'medium-hard',
      'medium',
      'easy',
    ]);
  });
});

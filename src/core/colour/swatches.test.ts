import { simulatedReader } from '#core/camera';
import {
  blendLiquors,
  CUP_DEPTH_CM,
  deltaE00,
  diluted,
  type Lab,
  labOf,
  scoreScreen,
  SCREEN_GREYS,
  screenPatches,
  shiftAt,
  shiftsOf,
  strengthFromColour,
} from '#core/colour';
import { seeded } from '#core/numeric';
import { houseLiquor, startingRecipe } from '#core/recipes';
import type { KnownTea, Swatches } from '#core/styles';
import { seconds } from '#core/units';

const recipe = startingRecipe('black-whole');
const plain: KnownTea = { style: 'black-whole', fitted: null };
const predicted = (s: number) => houseLiquor(plain, recipe, seconds(s));
const swatches: Swatches = {
  depthCm: CUP_DEPTH_CM,
  dose: recipe.dose,
  temperature: recipe.temperature,
  rungs: [
    { seconds: 240, lab: [55, 30, 60] },
    { seconds: 90, lab: [75, 12, 62] },
  ],
};
const own: KnownTea = { ...plain, swatches };

test('at its own times a measured cup is drawn exactly as it was measured', () => {
  for (const r of swatches.rungs)
    labOf(houseLiquor(own, recipe, seconds(r.seconds))).forEach((v, i) =>
      expect(v).toBeCloseTo(r.lab[i] ?? 0, 9),
    );
});
test('measured through a thinner layer it is drawn so through that layer, and further off through the usual one', () => {
  const thin: Swatches = { ...swatches, depthCm: 2 };
  const cup = houseLiquor({ ...plain, swatches: thin }, recipe, seconds(240));
  labOf(cup, 2).forEach((v, i) => expect(v).toBeCloseTo(swatches.rungs[0]?.lab[i] ?? 0, 9));
  const [deep, model] = [labOf(cup), labOf(predicted(240))];
  expect(
    (deep[1] - model[1]) / ((swatches.rungs[0]?.lab[1] ?? 0) - labOf(predicted(240), 2)[1]),
  ).toBeCloseTo(CUP_DEPTH_CM / 2, 6);
});
test('another recipe, or another style, works them out anew', () => {
  const open = { ...recipe, lid: false };
  for (const r of [recipe, open, recipe])
    expect(labOf(houseLiquor(own, r, seconds(240)))[0]).toBeCloseTo(55, 9);
  expect(labOf(houseLiquor({ ...own, style: 'green-pan' }, recipe, seconds(240)))[0]).toBeCloseTo(
    55,
    9,
  );
});
test('between two cups the difference goes over in proportion; from none at no time; after the last it stays', () => {
  const shifts = shiftsOf(swatches, predicted);
  expect(shifts.map((s) => s.seconds)).toEqual([90, 240]);
  const [a, b] = shifts.map((s) => s.shift) as [Lab, Lab];
  expect(shiftAt(shifts, 165)[0]).toBeCloseTo((a[0] + b[0]) / 2, 9);
  expect(shiftAt(shifts, 45)[1]).toBeCloseTo(a[1] / 2, 9);
  expect(shiftAt(shifts, 0)).toEqual([0, 0, 0]);
  expect(shiftAt(shifts, 900)).toEqual(b);
});
test('a measured tea let down to nothing is water; half of it differs by half as much', () => {
  const cup = houseLiquor(own, recipe, seconds(240));
  expect(labOf(diluted(cup, 1e-6))[0]).toBeCloseTo(94, 1);
  expect(diluted(cup, 0.5).shift?.[0]).toBeCloseTo((cup.shift?.[0] ?? 0) / 2, 12);
  // Stronger than measured differs no more than it was measured to.
  expect(diluted(cup, 2).shift).toEqual(cup.shift);
  expect(
    blendLiquors([
      { liquor: cup, ml: 100 },
      { liquor: predicted(240), ml: 300 },
    ]).shift?.[0],
  ).toBeCloseTo((cup.shift?.[0] ?? 0) / 4, 12);
});
test('a reading of the house’s own cup is on target by its measured curve, and off by the predicted one', () => {
  const lab: Lab = [55, 30, 60];
  expect(strengthFromColour(houseLiquor(own, recipe, seconds(240)), lab).value).toBeCloseTo(1, 1);
  expect(strengthFromColour(predicted(240), lab).residual).toBeGreaterThan(
    strengthFromColour(houseLiquor(own, recipe, seconds(240)), lab).residual,
  );
});
test('a made-up reader sees water as water and the same leaf alike', () => {
  const reader = simulatedReader(seeded(4));
  const [a, b] = [reader(predicted(240), CUP_DEPTH_CM), reader(predicted(240), CUP_DEPTH_CM)];
  expect(deltaE00(a, b)).toBeLessThan(3);
  expect(deltaE00(reader(predicted(1), CUP_DEPTH_CM), labOf(predicted(1)))).toBeLessThan(3);
});

describe('the screen check', () => {
  test('five of eight hold a square, each three from its patch; the draw is the same for the same chance', () => {
    for (let seed = 1; seed < 20; seed++) {
      const patches = screenPatches(seeded(seed));
      expect(patches).toHaveLength(8);
      expect(patches.filter((p) => p.inner !== null)).toHaveLength(5);
      expect(patches.every((p) => p.inner === null || p.inner !== p.outer)).toBe(true);
      expect(screenPatches(seeded(seed))).toEqual(patches);
    }
  });
  test('seven right and plain greys will do; tinted greys never do', () => {
    const patches = screenPatches(seeded(2));
    const squares = patches.flatMap((p, i) => (p.inner ? [i] : []));
    expect(scoreScreen(patches, squares, true)).toEqual({ right: 8, passed: true });
    expect(scoreScreen(patches, squares.slice(1), true)).toEqual({ right: 7, passed: true });
    expect(scoreScreen(patches, squares.slice(2), true)).toEqual({ right: 6, passed: false });
    expect(scoreScreen(patches, squares, false).passed).toBe(false);
    expect(
      SCREEN_GREYS.every((g) => g.slice(1, 3) === g.slice(3, 5) && g.slice(3, 5) === g.slice(5, 7)),
    ).toBe(true);
  });
});

import type { Brewing } from '#core/cup';
import { normal, seeded } from '#core/numeric';
import { houseBrew, startingRecipe } from '#core/recipes';
import { STYLE_IDS, styleOf } from '#core/styles';
import { celsius, grams } from '#core/units';
import { ATTRIBUTE_NAMES, type Mark } from '../marks';
import { JUDGED, type Marks } from '../search';
import { recipeAdvice } from './advice';
import { type Belief, type Evidence, gathered, preparedCup, priorOf, USUAL_TASTER } from './belief';
import { scatteredBy } from './scatter';
import { sensed } from './sensed';
import { NO_UNITS, type Three, turnBy } from './units';

const STYLE = 'black-whole';
const BREW = houseBrew({ style: STYLE, fitted: null }, startingRecipe(STYLE, 'pot'));
const ask = { brew: BREW, style: STYLE, seed: 3 } as const;
const believed = (mean: Three, sd = 0.2): Belief => ({ ...priorOf(sd), mean, cups: 9 });

/** Cups of a recipe that stands so far above the right one, with errors as people make them. */
function cupsOf(off: Three, n: number, errors: { leaf: number; heatC: number; taster: number }) {
  const random = seeded(77);
  const right: Brewing = { ...BREW };
  turnBy(right, BREW, -off[0], -off[1], -off[2]);
  return Array.from({ length: n }, (_, i): Evidence => {
    const made = {
      ...BREW,
      leaf: grams(BREW.leaf * Math.exp(normal(random, 0, errors.leaf))),
      temperature: celsius(BREW.temperature + normal(random, 0, errors.heatC)),
    };
    const [cup, meant] = [sensed(made), sensed(right)];
    const marks = Object.fromEntries(
      JUDGED.map((index, k) => {
        const found = (cup[k] ?? 0) - (meant[k] ?? 0) + normal(random, 0, errors.taster);
        return [index, Math.max(-2, Math.min(2, Math.round(found))) as Mark];
      }),
    ) as Marks;
    return {
      ...{ id: String(i), plan: BREW, done: BREW, leafWeighed: false, heatRead: false },
      ...{ moved: NO_UNITS, marks, taster: USUAL_TASTER },
    };
  });
}
const prepared = (cups: readonly Evidence[]) => cups.map((cup) => preparedCup(cup));

test('a recipe that is right is left as it is', () => {
  const advice = recipeAdvice(believed([0, 0, 0]), ask);
  expect(advice).toMatchObject({ loss: 0, change: null, chance: null, more: null });
  expect(recipeAdvice(believed([0.2, 0.1, 0]), ask).change).toBeNull();
});
test('too much leaf is answered by less leaf, by what the bar can do', () => {
  const advice = recipeAdvice(believed([1, 0, 0]), ask);
  expect(advice.change?.exact.gPer100ml).toBeCloseTo((100 * BREW.leaf) / BREW.water / 1.15, 6);
  expect(advice.change?.rounded.temperatureC).toBe(BREW.temperature);
  expect(advice.change?.rounded.seconds).toBe(BREW.time);
  expect(((advice.change?.rounded.gPer100ml ?? 0) / 0.05) % 1).toBeCloseTo(0, 6);
  expect(advice.lossAfter).toBeLessThan(0.001);
  expect(advice.chance).toBeGreaterThan(0.95);
  expect(advice.more).toBe(0);
});
test('one lever where one does nearly as well; several where it does not', () => {
  const hot = recipeAdvice(believed([0, 1.2, 0]), ask).change?.units ?? NO_UNITS;
  expect(hot.filter((u) => Math.abs(u) > 1e-6)).toHaveLength(1);
  // More leaf for less time: no single lever mends what both do to taste.
  const both = recipeAdvice(believed([-2.5, 0, 3]), ask).change?.units ?? NO_UNITS;
  expect(both.filter((u) => Math.abs(u) > 1e-6).length).toBeGreaterThan(1);
});
test.each(STYLE_IDS)('%s: no recipe is turned out of its style’s range', (style) => {
  const brew = houseBrew({ style, fitted: null }, startingRecipe(style, 'pot'));
  const { range } = styleOf(style);
  for (const mean of [
    [9, 9, 9],
    [-9, -9, -9],
  ] as const) {
    const { change } = recipeAdvice(believed(mean), { brew, style, seed: 1 });
    if (!change) continue;
    const { gPer100ml, temperatureC, seconds } = change.exact;
    for (const [value, [low, high]] of [
      [gPer100ml, range.dose],
      [temperatureC, range.temperature],
      [seconds, range.seconds],
    ] as const) {
      expect(value).toBeGreaterThanOrEqual(low - 1e-6);
      expect(value).toBeLessThanOrEqual(high + 1e-6);
    }
  }
});
test('what is not clear says how many more cups would make it so; the same seed draws the same chance', () => {
  const unsure = recipeAdvice(believed([0.8, 0, 0], 2), ask);
  expect(unsure.change).not.toBeNull();
  expect(unsure.chance).toBeLessThan(0.7);
  expect(unsure.more).toBeGreaterThan(0);
  expect(recipeAdvice(believed([0.8, 0, 0], 2), ask).chance).toBe(unsure.chance);
});
test('each attribute is pooled with its interval', () => {
  const { pooled } = recipeAdvice(believed([1, 0, 0], 0.1), ask);
  const up: Brewing = { ...BREW };
  turnBy(up, BREW, 0.01, 0, 0);
  for (const [i, a] of ATTRIBUTE_NAMES.entries()) {
    const slope = ((sensed(up)[i] ?? 0) - (sensed(BREW)[i] ?? 0)) / 0.01;
    expect(pooled[a].mean).toBeCloseTo(slope, 1);
    expect(pooled[a].sd).toBeGreaterThan(0);
  }
});
test('cups that scatter are laid to what nobody recorded; usual errors are not', () => {
  const by = (errors: Parameters<typeof cupsOf>[2]) => {
    const cups = prepared(cupsOf(NO_UNITS, 60, errors));
    return scatteredBy(priorOf(1.5), cups, gathered(priorOf(1.5), cups).met);
  };
  expect(by({ leaf: 0.06, heatC: 2.5, taster: 0.5 })).toBeNull();
  expect(by({ leaf: 0.06, heatC: 2.5, taster: 1.2 })).toBe('taster');
  expect(by({ leaf: 0.3, heatC: 0, taster: 0.3 })).toBe('leaf');
});

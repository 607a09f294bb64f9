import { celsius, millilitres, seconds } from '#core/units';
import { coolEnough } from './coolEnough';
import {
  clarityAdvice,
  isNothing,
  NOTHING_OBSERVED,
  observedTerms,
  observedWords,
} from './observed';
import type { BrewPlan } from './plan';

describe('what is noted of a cup beside its marks', () => {
  test('nothing noted is nothing; one clarity is something', () => {
    expect(isNothing(NOTHING_OBSERVED)).toBe(true);
    expect(observedWords(NOTHING_OBSERVED)).toBe('');
    expect(observedTerms(NOTHING_OBSERVED)).toEqual([]);
    expect(isNothing({ ...NOTHING_OBSERVED, clarity: 'clear' })).toBe(false);
  });
  test('a cup is found by small letters, a word of the leaf apart from the same word of the cup', () =>
    expect(
      observedTerms({ clarity: 'cloudy', words: ['Dull', 'dull', 'malty'], leaf: ['dull'] }),
    ).toEqual(['cloudy', 'dull', 'malty', 'leaf: dull']));
  test.each([
    ['cloudy', ['dusted'], /right for powder-dusted leaf/],
    ['clear', ['dusted'], /shake the packet/],
    ['hazy', [], /Check the water first/],
    ['cloudy', ['roasted'], /Check the water first/],
    ['clear', [], null],
    [null, ['dusted'], null],
  ] as const)('%s of leaf that is %s', (clarity, traits, says) => {
    const advice = clarityAdvice(clarity, traits);
    if (says === null) expect(advice).toBeNull();
    else expect(advice).toMatch(says);
  });
});

const pot = (onLeaf: number, over: object = {}) =>
  ({
    ...{ onLeaf: celsius(onLeaf), ambient: celsius(20), water: millilitres(500) },
    vessel: { material: 'porcelain', lid: true, cosy: false },
    recipe: { lid: true },
    ...over,
  }) as Pick<BrewPlan, 'onLeaf' | 'ambient' | 'water' | 'vessel' | 'recipe'>;
describe('until a cup is cool enough to taste', () => {
  test('by hand: 80 °C, no time gone, into 50 ml of cold porcelain', () => {
    // 80 − 0.07·60 = 75.8; wall 400·0.1^0.75·0.93·0.8 = 52.9 J/K against 50·4.19 = 209.5 J/K.
    const wall = 400 * 0.1 ** 0.75 * 0.93 * 0.8;
    const { poured } = coolEnough(pot(80), seconds(0));
    expect(poured).toBeCloseTo((209.5 * 75.8 + wall * 20) / (209.5 + wall), 6);
    expect(poured).toBeCloseTo(64.55, 1);
  });
  test('hotter waits longer, a longer steep less; a cool green is tasted at once, and so in a hot room', () => {
    const wait = (onLeaf: number, steeped: number, over = {}) =>
      coolEnough(pot(onLeaf, over), seconds(steeped)).wait;
    expect(wait(95, 120)).toBeGreaterThan(wait(90, 120));
    expect(wait(95, 120)).toBeGreaterThan(wait(95, 300));
    expect(wait(95, 240)).toBeGreaterThan(60);
    expect(wait(95, 240)).toBeLessThan(600);
    expect(wait(70, 90)).toBe(0);
    expect(wait(90, 60, { ambient: celsius(66) })).toBe(0);
  });
});

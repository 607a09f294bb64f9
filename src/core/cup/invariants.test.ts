import fc from 'fast-check';
import {
  brewAgain,
  brewCup,
  type Brewing,
  cupInTime,
  dilute,
  heatOf,
  leafAfter,
  outsideLimits,
  settingOf,
} from '#core/cup';
import { at, contactFactor, dryLeaf, hold, SOLUTES, steep, sumOf } from '#core/extraction';
import { characterOf, GRADE_NAMES, STYLE_IDS } from '#core/styles';
import { bitterDoseOf, doseOf, MAPS, onScale, sweetDoseOf } from '#core/taste';
import { celsius, grams, millilitres, seconds } from '#core/units';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const brews: fc.Arbitrary<Brewing> = fc
  .record({
    style: fc.constantFrom(...STYLE_IDS),
    grade: fc.option(fc.constantFrom(...GRADE_NAMES), { nil: undefined }),
    dose: number(0.3, 6),
    water: number(60, 2000),
    temperature: number(4, 98),
    time: number(10, 1800),
    lid: fc.boolean(),
    infuser: fc.constantFrom('free' as const, 'deep' as const, 'ball' as const),
    agitation: fc.constantFrom('still' as const, 'swirl' as const, 'stirred' as const),
    squeeze: fc.boolean(),
    constant: fc.boolean(),
  })
  .map(({ style, grade, dose, water, temperature, time, ...rest }) => ({
    ...rest,
    character: characterOf(style, grade),
    leaf: grams((dose * water) / 100),
    water: millilitres(water),
    temperature: celsius(temperature),
    time: seconds(time),
  }));
const SEED = { numRuns: 300 };
/**
 * The last, cut panel is at its own middle: near rest a longer, cooler one may give a trifle less, far below what is
 * noticed.
 */
const TRIFLE = 1e-3;
const RISING = ['strength', 'bitterness', 'astringency', 'colour'] as const;
const risesWith = (name: string, seed: number, more: (b: Brewing, by: number) => Brewing) =>
  test(`strength, bitterness, astringency and colour do not fall with ${name}`, () =>
    fc.assert(
      fc.property(brews, number(1.01, 1.6), (b, by) => {
        const [less, then] = [brewCup(b).taste, brewCup(more(b, by)).taste];
        for (const i of RISING) expect(then[i]).toBeGreaterThanOrEqual(less[i] - TRIFLE);
      }),
      { ...SEED, seed },
    ));

risesWith('time', 20260401, (b, by) => ({ ...b, time: seconds(b.time * by) }));
risesWith('heat', 20260402, (b, by) => ({
  ...b,
  temperature: celsius(Math.min(98, b.temperature + 10 * (by - 1))),
}));
// Crowding works against leaf: a cramped infuser can make more leaf give less, so leaf is free here.
risesWith('leaf', 20260403, (b, by) => ({ ...b, infuser: 'free', leaf: grams(b.leaf * by) }));

test('finite; indices in 0..10; yield at most all there is', () =>
  fc.assert(
    fc.property(brews, (b) => {
      const c = brewCup(b);
      for (const v of Object.values(c.taste)) {
        expect(v).toBeGreaterThanOrEqual(0);
        expect(v).toBeLessThanOrEqual(10);
      }
      expect(c.yieldPercent).toBeGreaterThanOrEqual(0);
      expect(c.yieldPercent).toBeLessThanOrEqual(100);
      expect(c.liquor).toBeLessThanOrEqual(b.water);
    }),
    { ...SEED, seed: 20260404 },
  ));
test('nothing is made or lost: leaf + liquor + air is what the dry leaf had', () =>
  fc.assert(
    fc.property(brews, (b) => {
      const after = steep(dryLeaf(b.character, b.leaf), settingOf(b), heatOf(b), b.time);
      SOLUTES.forEach((_s, i) => {
        const had = b.leaf * at(b.character.extractable, i);
        expect(
          Math.abs(at(after.inLeaf, i) + at(after.inLiquor, i) + (i === 0 ? after.lost : 0) - had),
        ).toBeLessThanOrEqual(1e-9 * Math.max(1, had));
      });
    }),
    { ...SEED, seed: 20260405 },
  ));
test('no time, no solute', () =>
  fc.assert(
    fc.property(brews, (b) => expect(brewCup({ ...b, time: seconds(0) }).tds).toBe(0)),
    { ...SEED, seed: 20260406 },
  ));
test('at constant heat twice the leaf in twice the water is the same cup', () =>
  fc.assert(
    fc.property(brews, number(0.2, 5), (b, by) => {
      const c = brewCup({ ...b, constant: true, infuser: 'free' });
      expect(
        brewCup({
          ...b,
          constant: true,
          infuser: 'free',
          leaf: grams(b.leaf * by),
          water: millilitres(b.water * by),
        }).tds,
      ).toBeCloseTo(c.tds, 9);
    }),
    { ...SEED, seed: 20260407 },
  ));
test('held for t1 and then t2 is held for t1 + t2, aroma nearly', () =>
  fc.assert(
    fc.property(brews, number(0.05, 0.95), (b, share) => {
      const [set, start] = [settingOf(b), dryLeaf(b.character, b.leaf)];
      const once = hold(start, set, b.temperature, b.time);
      const twice = hold(
        hold(start, set, b.temperature, b.time * share),
        set,
        b.temperature,
        b.time * (1 - share),
      );
      SOLUTES.forEach((_s, i) => {
        if (i === 0) return;
        expect(Math.abs(at(once.inLiquor, i) - at(twice.inLiquor, i))).toBeLessThanOrEqual(
          1e-9 * Math.max(1, at(once.inLiquor, i)),
        );
      });
      expect(once.opened).toBeCloseTo(twice.opened, 9);
    }),
    { ...SEED, seed: 20260408 },
  ));
test('at the first moment solute goes with leaf', () =>
  fc.assert(
    fc.property(brews, (b) => {
      const free: Brewing = { ...b, infuser: 'free', constant: true, time: seconds(0.5) };
      expect(brewCup({ ...free, leaf: grams(b.leaf * 1.5) }).tds / brewCup(free).tds).toBeCloseTo(
        1.5,
        1,
      );
    }),
    { ...SEED, seed: 20260409 },
  ));
test('water after keeps what is in the cup and the balance of its doses', () =>
  fc.assert(
    fc.property(brews, number(0.05, 2), (b, share) => {
      const c = brewCup(b);
      if (c.tds < 1e-6) return;
      const d = dilute(
        b.character,
        { volume: c.liquor, gramsPerLitre: c.gramsPerLitre },
        millilitres(c.liquor * share),
      );
      expect(sumOf(d.gramsPerLitre) * d.liquor).toBeCloseTo(c.tds * c.liquor, 6);
      const balance = (x: typeof c) =>
        bitterDoseOf(x.gramsPerLitre, b.character) / sweetDoseOf(x.gramsPerLitre);
      expect(balance(d)).toBeCloseTo(balance(c), 9);
    }),
    { ...SEED, seed: 20260410 },
  ));
test('dust gives at least what broken does; crowded at most what free does', () =>
  fc.assert(
    fc.property(brews, fc.constantFrom(...STYLE_IDS), (b, style) => {
      const strength = (grade: 'dust' | 'broken') =>
        brewCup({ ...b, character: characterOf(style, grade) }).taste.strength;
      expect(strength('dust')).toBeGreaterThanOrEqual(strength('broken') - 1e-9);
      expect(
        contactFactor(b.character, { leaf: b.leaf, basket: millilitres(60) }),
      ).toBeLessThanOrEqual(contactFactor(b.character, { leaf: b.leaf }));
    }),
    { ...SEED, seed: 20260411 },
  ));
test('leaf opened stays open: a second steep never starts from dry', () => {
  const b: Brewing = {
    character: characterOf('oolong-light'),
    leaf: grams(4),
    water: millilitres(240),
    temperature: celsius(94),
    time: seconds(0),
  };
  const [, second] = brewAgain(b, [{ time: seconds(20) }, { time: seconds(20) }]);
  expect(second?.taste.strength).toBeGreaterThan(
    brewCup({ ...b, time: seconds(20) }).taste.strength,
  );
});
test('an index and its dose undo each other', () =>
  fc.assert(
    fc.property(fc.constantFrom(...Object.values(MAPS)), number(0.05, 9.9), (map, index) => {
      expect(onScale(doseOf(index, map), map)).toBeCloseTo(index, 9);
    }),
    { ...SEED, seed: 20260412 },
  ));
test('limits are said in words, and misuse throws', () => {
  const b = {
    leaf: grams(3),
    water: millilitres(300),
    temperature: celsius(90),
    time: seconds(180),
  };
  expect(outsideLimits(b)).toBeNull();
  expect(outsideLimits({ ...b, temperature: celsius(2) })).toMatch(/4 to 98/);
  expect(outsideLimits({ ...b, leaf: grams(0.1) })).toMatch(/g per 100 ml/);
  expect(outsideLimits({ ...b, time: seconds(5) })).toMatch(/10 s/);
  expect(outsideLimits({ ...b, time: seconds(4000) })).toMatch(/half an hour/);
  expect(
    outsideLimits({ ...b, time: seconds(40_000), temperature: celsius(4), constant: true }),
  ).toBeNull();
  expect(() => doseOf(10, MAPS.strength)).toThrow(RangeError);
  expect(() => brewCup({ ...b, character: characterOf('white'), leaf: grams(0) })).toThrow(
    RangeError,
  );
});

test('a cup by its time is the cup of that steep, whatever was tried before, of dry leaf and of used leaf', () =>
  fc.assert(
    fc.property(
      brews,
      fc.array(number(0, 1800), { minLength: 1, maxLength: 6 }),
      number(0, 0.4),
      (b, times, kept) => {
        const dry = cupInTime(b);
        const past = [{ time: b.time, kept }];
        const used = cupInTime(b, leafAfter(b, past), kept);
        for (const time of times.map(seconds)) {
          expect(dry(time)).toEqual(brewCup({ ...b, time }));
          expect(used(time)).toEqual(brewAgain(b, [...past, { time, kept }])[1]);
        }
      },
    ),
    { ...SEED, seed: 71 },
  ));
test('a cup by its time refuses what no steep can be', () => {
  const b = { character: characterOf('black-whole'), leaf: grams(3), water: millilitres(240) };
  const hot = { ...b, temperature: celsius(95) };
  expect(() => cupInTime(hot)(seconds(-1))).toThrow('a steep takes time');
  expect(() => cupInTime({ ...hot, water: millilitres(0) })(seconds(0))).toThrow(RangeError);
});

import fc from 'fast-check';
import { brewCup, type Brewing } from '#core/cup';
import { at } from '#core/extraction';
import { CUP, newCup, quickCup } from '#core/quick';
import { characterOf, GRADE_NAMES, STYLE_IDS } from '#core/styles';
import { bitterDoseOf, bodyOf } from '#core/taste';
import { celsius, grams, millilitres, seconds } from '#core/units';
import { logOf } from './logOf';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const INDICES = [
  'strength',
  'bitterness',
  'astringency',
  'sweetness',
  'aroma',
  'stewed',
  'colour',
] as const;
const maybe = <T>(a: fc.Arbitrary<T>) => fc.option(a, { nil: undefined });
/** Any brew inside the model's limits, hot or cold, still or stirred, with milk or without, fitted or not. */
const brews: fc.Arbitrary<Brewing> = fc
  .record({
    style: fc.constantFrom(...STYLE_IDS),
    grade: maybe(fc.constantFrom(...GRADE_NAMES)),
    sensitivity: fc.constantFrom(1, 1, 1, 0.87, 1.12),
    dose: number(0.3, 6),
    water: number(60, 2000),
    temperature: number(4, 98),
    time: number(0, 1800),
    lid: maybe(fc.boolean()),
    cosy: maybe(fc.boolean()),
    material: fc.constantFrom(
      'porcelain' as const,
      'glass' as const,
      'castiron' as const,
      'none' as const,
    ),
    agitation: maybe(fc.constantFrom('still' as const, 'swirl' as const, 'stirred' as const)),
    infuser: fc.constantFrom('free' as const, 'deep' as const, 'ball' as const),
    basket: maybe(number(20, 400)),
    squeeze: fc.boolean(),
    milk: fc.constantFrom(0, 0, 0.1, 0.3),
    waterAfter: fc.constantFrom(0, 0, 0.2),
    constant: fc.constantFrom(false, false, false, true),
    ambient: number(5, 35),
    outs: maybe(
      fc.array(fc.record({ at: number(0, 1.1), lasted: number(0, 300) }), { maxLength: 3 }),
    ),
  })
  .map(
    ({
      style,
      grade,
      sensitivity,
      dose,
      water,
      temperature,
      time,
      basket,
      ambient,
      outs,
      ...rest
    }) => ({
      ...rest,
      character: characterOf(style, grade, { rate: 1, pool: 1, bite: 1, sensitivity }),
      leaf: grams((dose * water) / 100),
      water: millilitres(water),
      temperature: celsius(temperature),
      time: seconds(time),
      basket: basket === undefined ? undefined : millilitres(basket),
      ambient: celsius(ambient),
      outs: outs
        ?.map(({ at: share, lasted }) => ({
          ...{ after: seconds(share * time), lasted: seconds(lasted) },
        }))
        .sort((a, b) => a.after - b.after),
    }),
  );

test('the quick cup is the readable one: 1e-4 in amounts, 1e-3 in indices', () =>
  fc.assert(
    fc.property(brews, (b) => {
      const want = brewCup(b);
      const got = newCup();
      quickCup(b, got);
      INDICES.forEach((name) =>
        expect(Math.abs((got[CUP[name]] as number) - want.taste[name])).toBeLessThanOrEqual(1e-3),
      );
      const close = (g: number | undefined, w: number) =>
        expect(Math.abs((g as number) - w)).toBeLessThanOrEqual(1.5e-4 * Math.abs(w) + 1e-6);
      close(got[CUP.liquor], want.liquor);
      close(got[CUP.tds], want.tds);
      close(got[CUP.caffeine], want.caffeineMg);
      close(got[CUP.yieldPercent], want.yieldPercent);
      close(got[CUP.body], bodyOf(want.gramsPerLitre));
      close(got[CUP.bitterDose], bitterDoseOf(want.gramsPerLitre, b.character, b.milk));
      for (let i = 0; i < 7; i++) close(got[CUP.solutes + i], at(want.gramsPerLitre, i));
    }),
    { seed: 20260305, numRuns: 1500 },
  ));
test('misuse throws, as the readable one', () => {
  const b: Brewing = {
    character: characterOf('white'),
    leaf: grams(3),
    water: millilitres(0),
    temperature: celsius(80),
    time: seconds(100),
  };
  expect(() => quickCup(b, newCup())).toThrow(RangeError);
  expect(() => brewCup(b)).toThrow(RangeError);
});
test('the quick logarithm is the logarithm', () =>
  fc.assert(
    fc.property(number(-25, 25), (e) => {
      const x = Math.exp(e);
      expect(Math.abs(logOf(x) - Math.log(x))).toBeLessThan(1e-9);
    }),
    { seed: 20260306 },
  ));

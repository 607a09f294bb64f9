import fc from 'fast-check';
import {
  afterPour,
  arrivalFor,
  beforePour,
  cooled,
  coolingRate,
  firstContact,
  type Material,
  mixWater,
  splitWater,
  waitUntil,
} from '#core/heat';
import { celsius, grams, millilitres, seconds } from '#core/units';

// Common practice, no published source: bands, not points.
describe('common practice', () => {
  test('in a 150 ml pot, 50 ml of cool water, then boiling to the top: about 70 C', () => {
    const mixed = mixWater([
      { volume: millilitres(50), temperature: celsius(12) },
      { volume: millilitres(100), temperature: afterPour(celsius(99.97), celsius(20), 0.07) },
    ]).temperature;
    expect(Math.abs(mixed - 70)).toBeLessThan(5);
  });
  test('a cold splash of 5-10 % of just-boiled water: roughly 80-85 C', () => {
    const of = (share: number) =>
      mixWater([
        { volume: millilitres(share * 100), temperature: celsius(12) },
        {
          volume: millilitres((1 - share) * 100),
          temperature: afterPour(celsius(99.97), celsius(20), 0.07),
        },
      ]).temperature;
    expect(of(0.1)).toBeGreaterThan(80);
    expect(of(0.1)).toBeLessThan(88);
    expect(of(0.05)).toBeLessThan(92);
  });
  test('two minutes off the boil with the lid open alone does not make 80 C', () => {
    const rate = coolingRate({ volume: millilitres(1000), material: 'stainless', lid: false });
    const after = cooled(celsius(99.97), celsius(20), rate, seconds(120));
    expect(after).toBeGreaterThan(95);
    expect(after).toBeLessThan(98);
  });
  test.each<[Material, number, number, number]>([
    ['glass', 250, 84, 89],
    ['porcelain', 250, 81, 86],
    ['porcelain', 500, 83, 88],
    ['stoneware', 500, 82, 87],
    ['castiron', 500, 77, 83],
  ])('boiling water into a cold %s pot of %i ml peaks below 90', (material, ml, least, most) => {
    const at = (wall: number) =>
      firstContact({
        water: grams(ml),
        waterAt: afterPour(celsius(99.97), celsius(20), 0.07),
        material,
        wallAt: celsius(wall),
        leaf: grams(ml * 0.012),
        leafAt: celsius(20),
      });
    expect(at(20)).toBeGreaterThan(least);
    expect(at(20)).toBeLessThan(most);
    expect(at(75)).toBeGreaterThan(89.5);
  });
});

const t = (min: number, max: number) => fc.double({ min, max, noNaN: true });
describe('properties', () => {
  test('a mix lies between its parts', () =>
    fc.assert(
      fc.property(t(1, 99), t(1, 99), t(10, 900), t(10, 900), (a, b, va, vb) => {
        const m = mixWater([
          { volume: millilitres(va), temperature: celsius(a) },
          { volume: millilitres(vb), temperature: celsius(b) },
        ]).temperature;
        expect(m).toBeGreaterThanOrEqual(Math.min(a, b) - 1e-9);
        expect(m).toBeLessThanOrEqual(Math.max(a, b) + 1e-9);
      }),
      { seed: 20260115 },
    ));
  test('a split mixes back to its target', () =>
    fc.assert(
      fc.property(t(60, 99), t(2, 25), t(30, 55), t(50, 2000), (hot, cold, target, g) => {
        const s = splitWater(grams(g), celsius(hot), celsius(cold), celsius(target));
        expect(s && (s.hot * hot + s.cold * cold) / g).toBeCloseTo(target, 8);
      }),
      { seed: 20260116 },
    ));
  test('out of reach is null, never a clamp', () => {
    expect(splitWater(grams(100), celsius(90), celsius(10), celsius(95))).toBeNull();
    expect(splitWater(grams(100), celsius(90), celsius(10), celsius(5))).toBeNull();
  });
  test('arrival undoes contact, before undoes after the pour', () =>
    fc.assert(
      fc.property(
        t(40, 99),
        t(50, 1500),
        t(15, 80),
        t(0, 20),
        t(0.01, 0.2),
        (water, ml, wall, leaf, loss) => {
          const c = {
            water: grams(ml),
            material: 'porcelain' as const,
            wallAt: celsius(wall),
            leaf: grams(leaf),
            leafAt: celsius(20),
          };
          expect(arrivalFor(firstContact({ ...c, waterAt: celsius(water) }), c)).toBeCloseTo(
            water,
            8,
          );
          expect(
            beforePour(afterPour(celsius(water), celsius(20), loss), celsius(20), loss),
          ).toBeCloseTo(water, 8);
        },
      ),
      { seed: 20260117 },
    ));
  test('cooling stays between room and start, waiting inverts it, cosy >= lid >= open', () =>
    fc.assert(
      fc.property(t(40, 99), t(60, 2000), t(1, 3600), (start, ml, s) => {
        const of = (lid: boolean, cosy = false) =>
          coolingRate({ volume: millilitres(ml), material: 'porcelain', lid, cosy });
        const lidded = cooled(celsius(start), celsius(20), of(true), seconds(s));
        expect(lidded).toBeGreaterThan(20);
        expect(lidded).toBeLessThanOrEqual(start);
        expect(waitUntil(celsius(start), lidded, celsius(20), of(true))).toBeCloseTo(s, 4);
        expect(
          cooled(celsius(start), celsius(20), of(true, true), seconds(s)),
        ).toBeGreaterThanOrEqual(lidded);
        expect(cooled(celsius(start), celsius(20), of(false), seconds(s))).toBeLessThanOrEqual(
          lidded,
        );
      }),
      { seed: 20260118 },
    ));
});

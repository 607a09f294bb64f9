import fc from 'fast-check';
import { celsius, grams, millilitres, millimetres } from '#core/units';
import {
  basketCrowding,
  basketShape,
  coveringVolume,
  fillFault,
  leastToCover,
  liquorYield,
  mostLeaf,
  solveVessel,
  VESSEL_KINDS,
  type VesselFacts,
  type VesselKind,
} from '#core/vessels';

// brim ml = c R^3 with R in cm: worked by frusta when the profiles were drawn.
test.each<[VesselKind, number]>([
  ['pot', 3.925],
  ['mug', 6.346],
  ['release', 4.551],
  ['lidded', 2.865],
  ['pitcher', 12.017],
  ['tasting', 5.201],
])('a %s holds %f R cubed', (kind, c) => {
  const v = solveVessel(kind, millilitres(600));
  expect(600 / (v.radius / 10) ** 3).toBeCloseTo(c, 2);
});
test('level and volume undo each other, and rise together', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...VESSEL_KINDS),
      fc.double({ min: 60, max: 3000, noNaN: true }),
      fc.double({ min: 0.02, max: 1, noNaN: true }),
      (kind, brim, share) => {
        const v = solveVessel(kind, millilitres(brim));
        const level = v.levelOf(millilitres(brim * share));
        expect(v.volumeBelow(level)).toBeCloseTo(brim * share, 4);
        expect(v.levelOf(millilitres(brim * share * 0.9))).toBeLessThan(level);
        expect(level).toBeLessThanOrEqual(v.height + 1e-9);
      },
    ),
    { seed: 20260119 },
  ));
test('half the water is not half the height in a lidded cup', () => {
  const v = solveVessel('lidded', millilitres(150));
  expect(v.levelOf(millilitres(75)) / v.height).toBeGreaterThan(0.55);
});

const pot: VesselFacts = {
  kind: 'pot',
  brim: millilitres(620),
  mark: millilitres(500),
  infuser: 'deep',
  basket: millilitres(150),
  material: 'porcelain',
  wallGrams: null,
  lid: true,
};
describe('fill', () => {
  test('over the brim, and below what covers the leaf', () => {
    expect(fillFault(pot, millilitres(621), grams(6), 5)).toEqual({ kind: 'overBrim', brim: 620 });
    expect(fillFault(pot, millilitres(60), grams(6), 5)?.kind).toBe('belowBasket');
    expect(fillFault(pot, millilitres(500), grams(6), 5)).toBeNull();
  });
  test('a basket hung higher needs more water', () => {
    const of = (basket: number) =>
      coveringVolume('pot', millilitres(620), millilitres(basket), grams(6), 5);
    expect(of(80)).toBeGreaterThan(of(200));
    expect(coveringVolume('pot', millilitres(620), null, grams(6), 5)).toBe(30);
  });
  test('a basket never reaches the floor', () => {
    const v = solveVessel('mug', millilitres(380));
    expect(basketShape(v, millilitres(5000)).floor).toBeCloseTo(5, 6);
    expect(v.radiusAt(millimetres(0))).toBeGreaterThanOrEqual(0);
  });
  test('leaf keeps its share, at most all the water', () => {
    expect(liquorYield(millilitres(500), grams(6), 3)).toBe(482);
    expect(liquorYield(millilitres(10), grams(6), 3)).toBe(0);
  });
  test('opened leaf against the basket', () => {
    expect(basketCrowding(pot, grams(6), 5)).toBeCloseTo(0.2, 10);
    expect(basketCrowding({ ...pot, infuser: 'ball', basket: null }, grams(6), 5)).toBeCloseTo(
      1,
      10,
    );
    expect(basketCrowding({ ...pot, infuser: 'free', basket: null }, grams(6), 5)).toBeNull();
    expect(mostLeaf(pot, 5)).toBe(30);
  });
});
test('a vessel holds something', () =>
  expect(() => solveVessel('pot', millilitres(0))).toThrow(RangeError));
test('celsius is not part of a vessel', () => {
  // @ts-expect-error -- a brim is a volume
  expect(() => solveVessel('pot', celsius(90))).not.toThrow();
});

test('what covers the leaf: as measured where it was, else worked out from basket and leaf', () => {
  const pot: VesselFacts = {
    kind: 'pot',
    brim: millilitres(620),
    mark: millilitres(500),
    infuser: 'deep',
    basket: millilitres(230),
    material: 'porcelain',
    wallGrams: null,
    lid: true,
  };
  expect(leastToCover(pot, grams(6), 5)).toBe(
    coveringVolume('pot', millilitres(620), millilitres(230), grams(6), 5),
  );
  expect(leastToCover({ ...pot, covers: millilitres(180) }, grams(6), 5)).toBe(180);
  expect(fillFault({ ...pot, covers: millilitres(180) }, millilitres(170), grams(6), 5)).toEqual({
    kind: 'belowBasket',
    least: 180,
  });
});

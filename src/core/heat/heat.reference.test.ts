import { readFileSync } from 'node:fs';
import {
  boilingAt,
  boilingAtPressure,
  cooled,
  coolingRate,
  firstContact,
  type Material,
  mixWater,
  planWater,
  pressureAt,
  splitWater,
  waitUntil,
  waterDensity,
} from '#core/heat';
import { celsius, grams, kilopascals, metres, millilitres, seconds } from '#core/units';

/* eslint-disable @typescript-eslint/no-explicit-any -- reference cases are plain JSON */
const cases = JSON.parse(readFileSync('test/reference/water.json', 'utf8')) as Record<
  string,
  { in: any; out: any }[]
>;
const each = (name: string, min = 10) => {
  const list = cases[name] ?? [];
  if (list.length < min) throw new Error(`reference cases missing: ${name}`);
  return list.map((c, i) => [i, c.in, c.out] as const);
};
/** Agrees to 1e-4 relative, or both are absent. */
function agree(got: number | null | undefined, want: number | null | undefined) {
  if (want === null || want === undefined) return expect(got ?? null).toBeNull();
  expect(Math.abs((got as number) - want)).toBeLessThanOrEqual(
    1e-4 * Math.max(Math.abs(want), 1e-6),
  );
}

describe('reference cases', () => {
  test.each(each('boiling'))('boiling %i', (_i, i, o) => {
    agree(pressureAt(metres(i.altitudeM)), o.kPa);
    agree(boilingAt(metres(i.altitudeM)), o.boilingC);
  });
  test.each(each('mix'))('mix %i', (_i, i, o) => {
    const m = mixWater(
      i.parts.map((p: any) => ({
        volume: millilitres(p.ml),
        temperature: celsius(p.temperatureC),
      })),
    );
    agree(m.mass, o.grams);
    agree(m.temperature, o.temperatureC);
  });
  test.each(each('split'))('split %i', (_i, i, o) => {
    const s = splitWater(grams(i.grams), celsius(i.hotC), celsius(i.coldC), celsius(i.targetC));
    agree(s?.hot, o?.hotGrams);
    agree(s?.cold, o?.coldGrams);
  });
  test.each(each('contact'))('contact %i', (_i, i, o) => {
    const capacity = i.capacityMl === undefined ? undefined : millilitres(i.capacityMl);
    agree(
      firstContact({
        water: grams(i.waterGrams),
        waterAt: celsius(i.waterC),
        material: i.material as Material,
        capacity,
        wallAt: celsius(i.vesselC),
        leaf: grams(i.leafGrams),
        leafAt: celsius(i.leafC),
      }),
      o.slurryC,
    );
  });
  test.each(each('cooling'))('cooling %i', (_i, i, o) => {
    const rate = coolingRate({
      volume: millilitres(i.ml),
      material: i.material,
      lid: i.lid,
      cosy: i.cosy,
    });
    agree(cooled(celsius(i.startC), celsius(i.ambientC), rate, seconds(i.seconds)), o.temperatureC);
  });
  test.each(each('wait'))('wait %i', (_i, i, o) => {
    const rate = coolingRate({
      volume: millilitres(i.ml),
      material: i.material,
      lid: i.lid,
      cosy: i.cosy,
    });
    agree(waitUntil(celsius(i.startC), celsius(i.targetC), celsius(i.ambientC), rate), o.seconds);
  });
  test.each(each('plans'))('plan %i', (_i, i, o) => {
    const boiling = boilingAt(metres(i.altitudeM));
    const plan = planWater({
      water: grams(i.waterGrams),
      target: celsius(i.targetSlurryC),
      boiling,
      wallAt: celsius(i.vesselC),
      material: i.material,
      leaf: grams(i.leafGrams),
      cold: celsius(i.coldC),
      ambient: celsius(i.ambientC),
      pourLoss: i.pourLoss,
      kettle: { volume: millilitres(i.kettle.ml), material: i.kettle.material, lid: i.kettle.lid },
    });
    agree(boiling, o.boilingC);
    agree(plan.arrive, o.arriveC);
    expect(plan.kind === 'reachable').toBe(o.reachable);
    const reachable = plan.kind === 'reachable' ? plan : null;
    agree(reachable?.splash?.hot, o.splash?.hotGrams);
    agree(reachable?.splash?.cold, o.splash?.coldGrams);
    agree(reachable?.wait, o.waitSeconds);
  });
});

describe('outside values', () => {
  // IAPWS-IF97 at the pressures of the standard atmosphere.
  test.each([
    [0, 99.97],
    [500, 98.31],
    [1650, 94.48],
    [3000, 89.97],
  ])('water boils at %i m: %f C', (m, c) => expect(boilingAt(metres(m))).toBeCloseTo(c, 2));
  // IAPWS R7-97 table 36: saturation temperature at 0.1, 1 and 10 MPa.
  test.each([
    [100, 372.755919],
    [1000, 453.035632],
    [10000, 584.149488],
  ])('saturation at %i kPa: %f K', (p, k) =>
    expect(boilingAtPressure(kilopascals(p)) + 273.15).toBeCloseTo(k, 5),
  );
  // CRC Handbook, density of water at 1 atm, kg/m3.
  test.each([
    [4, 999.97],
    [20, 998.2],
    [25, 997.05],
    [50, 988.03],
    [80, 971.79],
    [100, 958.35],
  ])('density at %i C: %f', (t, kg) =>
    expect(Math.abs(waterDensity(celsius(t)) * 1000 - kg)).toBeLessThan(0.05),
  );
  test('pressure at sea level is one atmosphere, by definition of the standard', () =>
    expect(pressureAt(metres(0))).toBe(101.325));
  test('equal masses land half way', () =>
    expect(
      mixWater([
        { volume: millilitres(100 / waterDensity(celsius(90))), temperature: celsius(90) },
        { volume: millilitres(100 / waterDensity(celsius(10))), temperature: celsius(10) },
      ]).temperature,
    ).toBeCloseTo(50, 10));
});

describe('misuse throws', () => {
  test.each([
    ['boiling under the sea floor', () => boilingAt(metres(-900))],
    ['ice', () => waterDensity(celsius(-3))],
    [
      'no water in contact',
      () =>
        firstContact({
          water: grams(0),
          waterAt: celsius(90),
          material: 'glass',
          wallAt: celsius(20),
          leaf: grams(1),
          leafAt: celsius(20),
        }),
    ],
    ['nothing to mix', () => mixWater([])],
    [
      'nothing to cool',
      () => coolingRate({ volume: millilitres(0), material: 'glass', lid: true }),
    ],
  ])('%s', (_name, act) => expect(act).toThrow(RangeError));
});

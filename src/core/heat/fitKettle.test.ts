import fc from 'fast-check';
import {
  coolingRate,
  type CoolingReading,
  type CoolingVessel,
  fitCooling,
  fitPourLoss,
  simulatedKettle,
  waitUntil,
} from '#core/heat';
import { seeded } from '#core/numeric';
import { celsius, millilitres, seconds } from '#core/units';

const kettle: CoolingVessel = { volume: millilitres(1000), material: 'stainless', lid: false };
const readingsOf = (
  k: ReturnType<typeof simulatedKettle>,
  minutes: readonly number[],
  boil = 'one',
): CoolingReading[] =>
  minutes.map((m) => ({
    boil,
    at: seconds(m * 60),
    temperature: k.reading(seconds(m * 60)),
    ambient: k.ambient,
  }));
const MINUTES = [0, 1.5, 4, 7, 11, 15.5, 21, 26];

describe('a kettle fitted from its readings', () => {
  test('without scatter the kettle is found again, whatever its rate', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 2.5, noNaN: true }), (times) => {
        const k = simulatedKettle(seeded(1), kettle, { times, scatter: 0 });
        const exact = MINUTES.map((m) => ({
          boil: 'one',
          at: seconds(m * 60),
          temperature: k.reading(seconds(m * 60)),
          ambient: k.ambient,
        }));
        const fit = fitCooling(exact, kettle);
        if (fit.kind !== 'fitted') throw new Error(fit.words);
        // Readings are rounded to a tenth of a degree.
        expect(fit.times / times).toBeCloseTo(1, 2);
      }),
      { seed: 20260601, numRuns: 25 },
    ));
  test('with a thermometer of 0.3 C the error told is the error made, over 60 kettles', () => {
    const misses = Array.from({ length: 60 }, (_, i) => {
      const k = simulatedKettle(seeded(100 + i), kettle, { times: 1.18 });
      const fit = fitCooling(readingsOf(k, MINUTES), kettle);
      if (fit.kind !== 'fitted') throw new Error(fit.words);
      expect(fit.error).toBeLessThan(0.06);
      return (fit.times / 1.18 - 1) / fit.error;
    });
    const rms = Math.sqrt(misses.reduce((s, m) => s + m * m, 0) / misses.length);
    expect(rms).toBeGreaterThan(0.6);
    expect(rms).toBeLessThan(1.4);
  });
  test('two boils at different starts teach one rate', () => {
    const one = simulatedKettle(seeded(5), kettle, { times: 1.3 });
    const two = simulatedKettle(seeded(6), kettle, { times: 1.3, boiling: celsius(94) });
    const fit = fitCooling(
      [...readingsOf(one, [0, 8, 20]), ...readingsOf(two, [0, 8, 20], 'two')],
      kettle,
    );
    if (fit.kind !== 'fitted') throw new Error(fit.words);
    expect(Math.abs(fit.times / 1.3 - 1)).toBeLessThan(0.06);
    expect(Object.keys(fit.starts)).toEqual(['one', 'two']);
  });
  test('what is missing is said', () => {
    const k = simulatedKettle(seeded(2), kettle);
    expect(fitCooling([], kettle)).toMatchObject({ kind: 'tooFew', need: 'readings' });
    expect(fitCooling(readingsOf(k, [0]), kettle)).toMatchObject({
      kind: 'tooFew',
      need: 'readings',
    });
    expect(
      fitCooling([...readingsOf(k, [0]), ...readingsOf(k, [20], 'two')], kettle),
    ).toMatchObject({ kind: 'tooFew', need: 'readings' });
    expect(fitCooling(readingsOf(k, [0, 1]), kettle)).toMatchObject({
      kind: 'tooFew',
      need: 'drop',
    });
  });
  test('the wait table follows the fitted rate: a third faster, a quarter less waiting', () => {
    const base = coolingRate(kettle);
    const usual = waitUntil(celsius(100), celsius(85), celsius(20), base) ?? 0;
    const fast =
      waitUntil(celsius(100), celsius(85), celsius(20), {
        a: (base.a * 4) / 3,
        b: (base.b * 4) / 3,
      }) ?? 0;
    expect(fast / usual).toBeCloseTo(0.75, 6);
  });
});

describe('the pour', () => {
  test('one reading sets the loss, several its error', () => {
    expect(
      fitPourLoss([{ kettle: celsius(100), poured: celsius(94.4), ambient: celsius(20) }]),
    ).toMatchObject({ loss: expect.closeTo(0.07, 9) as number, readings: 1 });
    const k = simulatedKettle(seeded(9), kettle, { loss: 0.1 });
    const fit = fitPourLoss(
      Array.from({ length: 12 }, () => ({
        kettle: celsius(100),
        poured: k.poured(seconds(0)),
        ambient: celsius(20),
      })),
    );
    expect(Math.abs((fit?.loss ?? 0) - 0.1)).toBeLessThan(3 * (fit?.error ?? 0));
  });
  test('a reading that cannot be is left out', () =>
    expect(
      fitPourLoss([
        { kettle: celsius(90), poured: celsius(95), ambient: celsius(20) },
        { kettle: celsius(25), poured: celsius(24), ambient: celsius(20) },
      ]),
    ).toBeNull());
});

import { brewCup, type Brewing } from '#core/cup';
import { fitToHouse, type Tasted } from '#core/fitting';
import { normal, seeded } from '#core/numeric';
import { characterOf, type Multipliers } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';

const brew = (time: number, temperature = 94): Omit<Brewing, 'character'> => ({ leaf: grams(4.05), water: millilitres(300), temperature: celsius(temperature), time: seconds(time) });
const truth: Multipliers = { rate: 1.3, pool: 0.85, bite: 1.25, sensitivity: 1 };
const cupOf = (m: Multipliers, b: ReturnType<typeof brew>) => brewCup({ ...b, character: characterOf('black-whole', undefined, m) });
const SIX = [30, 60, 120, 180, 300, 480];

test('six clean cups give the tea back, and most of each is learnt', () => {
  const cups: Tasted[] = SIX.map((t) => {
    const c = cupOf(truth, brew(t));
    return { brew: brew(t), tds: c.tds, bitterness: c.taste.bitterness, strength: c.taste.strength };
  });
  const fit = fitToHouse('black-whole', cups);
  if (fit.kind !== 'fitted') throw new Error(fit.kind);
  expect(Math.abs(Math.log(fit.multipliers.rate / truth.rate))).toBeLessThan(0.1);
  expect(Math.abs(Math.log(fit.multipliers.pool / truth.pool))).toBeLessThan(0.1);
  expect(Math.abs(Math.log(fit.multipliers.bite / truth.bite))).toBeLessThan(0.1);
  expect(fit.learnt.rate).toBeGreaterThan(0.8);
  expect(fit.learnt.sensitivity).toBe(0);
  expect(fit.rmse).toBeLessThan(0.3);
});

// What designs teach, from simulations of the study the model was written with: root mean square error of the log
// multipliers, and share learnt. 30 simulated houses with a fixed seed stand in for its many.
test.each<[string, readonly (readonly [number, number])[], ('tds' | 'strength' | 'bitterness')[], number, [number, number], [number, number], [number, number]]>([
  ['4 cups, scores', [[45, 94], [120, 94], [180, 94], [300, 94]], ['strength', 'bitterness'], 30, [0.22, 0.48], [0.17, 0.49], [0.17, 0.67]],
  ['6 cups, solids and bitter', SIX.map((t) => [t, 94] as const), ['tds', 'bitterness'], 30, [0.13, 0.88], [0.13, 0.8], [0.17, 0.86]],
  ['4 at 94 and 2 at 75, solids and bitter', [[45, 94], [120, 94], [180, 94], [300, 94], [120, 75], [300, 75]], ['tds', 'bitterness'], 30, [0.2, 0.8], [0.12, 0.77], [0.12, 0.85]],
])('%s', (_name, design, measures, houses, rate, pool, bite) => {
  const random = seeded(20260402);
  const error = { rate: 0, pool: 0, bite: 0 };
  const learnt = { rate: 0, pool: 0, bite: 0 };
  const twoHeats = new Set(design.map(([, t]) => t)).size > 1;
  for (let h = 0; h < houses; h++) {
    const m: Multipliers = { rate: Math.exp(normal(random, 0, 0.4)), pool: Math.exp(normal(random, 0, 0.25)), bite: Math.exp(normal(random, 0, 0.35)), sensitivity: twoHeats ? Math.exp(normal(random, 0, 0.15)) : 1 };
    const cups = design.map(([time, t]): Tasted => {
      const b = brew(time, t);
      const c = cupOf(m, b);
      return {
        brew: b,
        ...(measures.includes('tds') && { tds: c.tds * Math.exp(normal(random, 0, 0.06)) }),
        ...(measures.includes('strength') && { strength: c.taste.strength + normal(random, 0, 0.6) }),
        ...(measures.includes('bitterness') && { bitterness: c.taste.bitterness + normal(random, 0, 0.7) }),
      };
    });
    const fit = fitToHouse('black-whole', cups);
    if (fit.kind !== 'fitted') throw new Error(fit.kind);
    for (const p of ['rate', 'pool', 'bite'] as const) {
      error[p] += Math.log(fit.multipliers[p] / m[p]) ** 2 / houses;
      learnt[p] += fit.learnt[p] / houses;
    }
  }
  for (const [p, [rmse, share]] of [['rate', rate], ['pool', pool], ['bite', bite]] as const) {
    expect(Math.sqrt(error[p])).toBeLessThan(rmse * 1.5 + 0.02);
    expect(Math.abs(learnt[p] - share)).toBeLessThan(0.15);
  }
});

test('one cup teaches nothing, and that is said', () => expect(fitToHouse('white', [{ brew: brew(120, 80), strength: 4 }])).toEqual({ kind: 'tooFewCups', got: 1, need: 2 }));
test('cups that say what the style says leave it where it was', () => {
  const cups = [60, 300].map((t): Tasted => ({ brew: brew(t), strength: cupOf({ ...truth, rate: 1, pool: 1, bite: 1 }, brew(t)).taste.strength }));
  const fit = fitToHouse('black-whole', cups);
  if (fit.kind !== 'fitted') throw new Error(fit.kind);
  for (const v of Object.values(fit.multipliers)) expect(v).toBeCloseTo(1, 2);
});

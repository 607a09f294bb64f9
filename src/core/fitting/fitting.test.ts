import { brewCup, type Brewing } from '#core/cup';
import {
  fitToHouse,
  learntWords,
  type Seen,
  type Tasted,
  tastedOf,
  teachMore,
} from '#core/fitting';
import { normal, seeded } from '#core/numeric';
import { characterOf, type Multipliers } from '#core/styles';
import { MARK } from '#core/taste';
import { celsius, grams, millilitres, seconds } from '#core/units';

const brew = (time: number, temperature = 94): Omit<Brewing, 'character'> => ({
  leaf: grams(4.05),
  water: millilitres(300),
  temperature: celsius(temperature),
  time: seconds(time),
});
const truth: Multipliers = { rate: 1.3, pool: 0.85, bite: 1.25, sensitivity: 1 };
const cupOf = (m: Multipliers, b: ReturnType<typeof brew>) =>
  brewCup({ ...b, character: characterOf('black-whole', undefined, m) });
const SIX = [30, 60, 120, 180, 300, 480];

test('six clean cups give the tea back, and most of each is learnt', () => {
  const cups: Tasted[] = SIX.map((t) => {
    const c = cupOf(truth, brew(t));
    return {
      brew: brew(t),
      tds: c.tds,
      bitterness: c.taste.bitterness,
      strength: c.taste.strength,
    };
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
test.each<
  [
    string,
    readonly (readonly [number, number])[],
    ('tds' | 'strength' | 'bitterness')[],
    number,
    [number, number],
    [number, number],
    [number, number],
  ]
>([
  [
    '4 cups, scores',
    [
      [45, 94],
      [120, 94],
      [180, 94],
      [300, 94],
    ],
    ['strength', 'bitterness'],
    30,
    [0.22, 0.48],
    [0.17, 0.49],
    [0.17, 0.67],
  ],
  [
    '6 cups, solids and bitter',
    SIX.map((t) => [t, 94] as const),
    ['tds', 'bitterness'],
    30,
    [0.13, 0.88],
    [0.13, 0.8],
    [0.17, 0.86],
  ],
  [
    '4 at 94 and 2 at 75, solids and bitter',
    [
      [45, 94],
      [120, 94],
      [180, 94],
      [300, 94],
      [120, 75],
      [300, 75],
    ],
    ['tds', 'bitterness'],
    30,
    [0.2, 0.8],
    [0.12, 0.77],
    [0.12, 0.85],
  ],
])('%s', (_name, design, measures, houses, rate, pool, bite) => {
  const random = seeded(20260402);
  const error = { rate: 0, pool: 0, bite: 0 };
  const learnt = { rate: 0, pool: 0, bite: 0 };
  const twoHeats = new Set(design.map(([, t]) => t)).size > 1;
  for (let h = 0; h < houses; h++) {
    const m: Multipliers = {
      rate: Math.exp(normal(random, 0, 0.4)),
      pool: Math.exp(normal(random, 0, 0.25)),
      bite: Math.exp(normal(random, 0, 0.35)),
      sensitivity: twoHeats ? Math.exp(normal(random, 0, 0.15)) : 1,
    };
    const cups = design.map(([time, t]): Tasted => {
      const b = brew(time, t);
      const c = cupOf(m, b);
      return {
        brew: b,
        ...(measures.includes('tds') && { tds: c.tds * Math.exp(normal(random, 0, 0.06)) }),
        ...(measures.includes('strength') && {
          strength: c.taste.strength + normal(random, 0, 0.6),
        }),
        ...(measures.includes('bitterness') && {
          bitterness: c.taste.bitterness + normal(random, 0, 0.7),
        }),
      };
    });
    const fit = fitToHouse('black-whole', cups);
    if (fit.kind !== 'fitted') throw new Error(fit.kind);
    for (const p of ['rate', 'pool', 'bite'] as const) {
      error[p] += Math.log(fit.multipliers[p] / m[p]) ** 2 / houses;
      learnt[p] += fit.learnt[p] / houses;
    }
  }
  for (const [p, [rmse, share]] of [
    ['rate', rate],
    ['pool', pool],
    ['bite', bite],
  ] as const) {
    expect(Math.sqrt(error[p])).toBeLessThan(rmse * 1.5 + 0.02);
    expect(Math.abs(learnt[p] - share)).toBeLessThan(0.15);
  }
});

test('one cup teaches nothing, and that is said', () =>
  expect(fitToHouse('white', [{ brew: brew(120, 80), strength: 4 }])).toEqual({
    kind: 'tooFewCups',
    got: 1,
    need: 2,
  }));
test('cups that say what the style says leave it where it was', () => {
  const cups = [60, 300].map((t): Tasted => ({
    brew: brew(t),
    strength: cupOf({ ...truth, rate: 1, pool: 1, bite: 1 }, brew(t)).taste.strength,
  }));
  const fit = fitToHouse('black-whole', cups);
  if (fit.kind !== 'fitted') throw new Error(fit.kind);
  for (const v of Object.values(fit.multipliers)) expect(v).toBeCloseTo(1, 2);
});

describe('cups of a house', () => {
  const house = brew(240);
  const right = (({ strength, bitterness, astringency }) => ({
    strength,
    bitterness,
    astringency,
  }))(cupOf({ ...truth, rate: 1, pool: 1, bite: 1 }, house).taste);
  const markOf = (score: number, of: number) => Math.max(-2, Math.min(2, (score - of) / MARK));
  const seen = (m: Multipliers, time: number, over: Partial<Seen> = {}): Seen => {
    const { taste } = cupOf(m, brew(time));
    return {
      brew: brew(time),
      marks: {
        strength: markOf(taste.strength, right.strength),
        bitterness: markOf(taste.bitterness, right.bitterness),
        astringency: markOf(taste.astringency, right.astringency),
      },
      ...over,
    };
  };
  const fitOf = (cups: readonly Seen[]) => {
    const fit = fitToHouse(
      'black-whole',
      cups.map((c) => tastedOf(c, right, house)),
    );
    if (fit.kind !== 'fitted') throw new Error(fit.kind);
    return fit;
  };

  test('a right cup is the house cup of its style; one mark is 0.8 points; a mark at the end is a bound', () => {
    expect(
      tastedOf(
        { brew: house, marks: { bitterness: 0, strength: 1, astringency: -2 } },
        right,
        house,
      ),
    ).toMatchObject({
      bitterness: right.bitterness,
      strength: right.strength + 0.8,
      astringency: right.astringency - 1.6,
      bounds: { astringency: 'atMost' },
    });
    expect(tastedOf({ brew: house, marks: { bitterness: 0 } }, right, house).bounds).toEqual({});
  });
  test('a tea that is its style stays there, though a ladder’s first cups are marked no further than "none of it"', () => {
    const fit = fitOf(
      [20, 45, 90, 240, 480].map((t) => seen({ rate: 1, pool: 1, bite: 1, sensitivity: 1 }, t)),
    );
    for (const v of Object.values(fit.multipliers)) expect(v).toBeCloseTo(1, 1);
    expect(fit.rmse).toBeLessThan(0.1);
  });
  test('marks alone find which way a tea differs', () => {
    const fit = fitOf(SIX.map((t) => seen({ rate: 1, pool: 1, bite: 1.5, sensitivity: 1 }, t)));
    expect(fit.multipliers.bite).toBeGreaterThan(1.15);
    expect(fit.learnt.bite).toBeGreaterThan(0.5);
    expect(fit.multipliers.rate).toBeGreaterThan(0.8);
    expect(fit.multipliers.rate).toBeLessThan(1.25);
  });
  test('a colour reading teaches how fast, not how much; a sure one more than an unsure one', () => {
    const read = (spread: number): Seen[] =>
      [60, 120, 240, 480].map((t) => ({
        brew: brew(t),
        marks: {},
        colour: { strength: t < 240 ? 0.9 : 1, low: 1 - spread, high: 1 + spread },
      }));
    const [sure, unsure] = [fitOf(read(0.05)), fitOf(read(0.4))];
    expect(sure.multipliers.rate).toBeGreaterThan(1.1);
    expect(sure.learnt.rate).toBeGreaterThan(unsure.learnt.rate);
    expect(sure.learnt.pool).toBeLessThan(0.2);
  });
  test('a refractometer teaches how much', () => {
    const fit = fitOf(
      SIX.map((t) => ({
        brew: brew(t),
        marks: {},
        solids: cupOf({ rate: 1, pool: 1.3, bite: 1, sensitivity: 1 }, brew(t)).tds,
      })),
    );
    expect(fit.multipliers.pool * fit.multipliers.bite ** 0.4).toBeGreaterThan(1.15);
    expect(fit.learnt.pool).toBeGreaterThan(0.5);
  });
  test('what is not learnt is called so, and what would teach it is named', () => {
    expect(learntWords(1, 0, 0.15)).toBe('as its style: nothing learnt yet');
    expect(learntWords(1.2, 0.4, 0.2)).toMatch(/^mostly the style default; 0.98 to 1.47 times/);
    expect(teachMore({ rate: 0.2, pool: 0.2, bite: 0.2, sensitivity: 0 })).toMatch(
      /ladder of time/,
    );
    expect(teachMore({ rate: 0.9, pool: 0.9, bite: 0.9, sensitivity: 0 })).toMatch(
      /ladder of temperature/,
    );
    expect(teachMore({ rate: 0.9, pool: 0.9, bite: 0.9, sensitivity: 0.7 })).toBeNull();
  });
});

import { determinant, inverse, Matrix } from 'ml-matrix';
import type { Brewing } from '#core/cup';
import { normal, pick, type Random, seeded } from '#core/numeric';
import { houseBrew, startingRecipe } from '#core/recipes';
import type { StyleId } from '#core/styles';
import { celsius, grams, seconds } from '#core/units';
import { JUDGED, type Marks } from '../search';
import {
  type Belief,
  beliefMoved,
  CupFigures,
  type Evidence,
  gathered,
  metCup,
  preparedCup,
  priorOf,
  USUAL_TASTER,
} from './belief';
import { sensed, slopesOf } from './sensed';
import { NO_UNITS, type Three, turnBy, unitsBetween } from './units';

const STYLES: readonly StyleId[] = ['black-whole', 'green-pan', 'oolong-dark', 'hibiscus'];
const brewOf = (style: StyleId): Brewing =>
  houseBrew({ style, fitted: null }, startingRecipe(style, 'pot'));
const RIGHT = Object.fromEntries(JUDGED.map((index) => [index, 0])) as Marks;
function cupOf(plan: Brewing, marks: Marks, over: Partial<Evidence> = {}): Evidence {
  return {
    ...{ id: 'cup', plan, done: plan, leafWeighed: false, heatRead: false, moved: NO_UNITS, marks },
    ...{ taster: USUAL_TASTER, ...over },
  };
}
const after = (cups: readonly Evidence[], prior = priorOf(1.5)): Belief =>
  gathered(
    prior,
    cups.map((cup) => preparedCup(cup)),
  ).belief;
const sdOf = ({ covariance }: Belief): Three => [
  Math.sqrt(covariance[0]),
  Math.sqrt(covariance[4]),
  Math.sqrt(covariance[8]),
];
const near = (a: Belief, b: Belief, digits = 8) => {
  a.mean.forEach((x, i) => expect(x).toBeCloseTo(b.mean[i] ?? NaN, digits));
  a.covariance.forEach((x, i) => expect(x).toBeCloseTo(b.covariance[i] ?? NaN, digits));
};
/** Marks that nobody has at the ends of the scale. */
const someMarks = (random: Random): Marks =>
  Object.fromEntries(JUDGED.map((index) => [index, pick(random, [-1, 0, 0, 1] as const)]));

/** The same filter written out on six indices by a general library: what the three-lever form is held to. */
function byLibrary(belief: Belief, cup: Evidence) {
  const J = new Matrix(
    JUDGED.map((_, row) => [0, 1, 2].map((lever) => slopesOf(cup.done)[6 * lever + row] ?? 0)),
  );
  const [plan, done] = [sensed(cup.plan), sensed(cup.done)];
  const P = Matrix.from1DArray(3, 3, [...belief.covariance]);
  const E = Matrix.diag([
    cup.leafWeighed ? 0 : (0.06 / Math.log(1.15)) ** 2,
    cup.heatRead ? 0 : (2.5 / 4) ** 2,
    0,
  ]);
  const stood = belief.mean.map((x, i) => x - (cup.moved[i] ?? 0));
  const expected = J.mmul(Matrix.columnVector(stood)).add(
    Matrix.columnVector([...done].map((x, i) => x - (plan[i] ?? 0))),
  );
  const e = Matrix.columnVector(JUDGED.map((index) => cup.marks[index] ?? 0)).sub(expected);
  const R = J.mmul(E)
    .mmul(J.transpose())
    .add(Matrix.eye(6, 6, cup.taster.sd ** 2 + 1 / 12));
  const S = J.mmul(P).mmul(J.transpose()).add(R);
  const distance = e.transpose().mmul(inverse(S)).mmul(e).get(0, 0);
  const robust = distance > 12 ? Matrix.add(S, Matrix.mul(R, distance / 12 - 1)) : S;
  const gain = P.mmul(J.transpose()).mmul(inverse(robust));
  const by = gain.mmul(e);
  return {
    mean: belief.mean.map((x, i) => x + by.get(i, 0)),
    covariance: Matrix.sub(P, gain.mmul(J).mmul(P)).to1DArray(),
    distance,
    logLikelihood: -0.5 * (distance + Math.log(determinant(S))),
  };
}

test.each(STYLES)('%s: three levers come to what six indices come to, slips too', (style) => {
  const random = seeded(21);
  const plan = brewOf(style);
  let belief = priorOf(1.5);
  let slips = 0;
  for (let i = 0; i < 30; i++) {
    const done = {
      ...plan,
      time: seconds(plan.time * Math.exp(normal(random, 0, 0.1))),
      leaf: grams(plan.leaf * Math.exp(normal(random, 0, 0.06))),
    };
    const isSlip = i % 10 === 9;
    const marks: Marks = isSlip
      ? { strength: 1, bitterness: -1, astringency: 1, sweetness: 1, aroma: -1, colour: -1 }
      : someMarks(random);
    const cup = cupOf(plan, marks, {
      ...{ done, leafWeighed: i % 3 === 0, heatRead: i % 4 === 0, taster: { sd: 0.3 } },
      moved: i < 10 ? [0.4, -0.2, 0.3] : NO_UNITS,
    });
    const meant = byLibrary(belief, cup);
    const { belief: next, met } = metCup(belief, preparedCup(cup));
    next.mean.forEach((x, k) => expect(x).toBeCloseTo(meant.mean[k] ?? NaN, 8));
    next.covariance.forEach((x, k) => expect(x).toBeCloseTo(meant.covariance[k] ?? NaN, 8));
    expect(met.distance).toBeCloseTo(meant.distance, 8);
    expect(met.logLikelihood).toBeCloseTo(meant.logLikelihood, 8);
    slips += met.isSlip ? 1 : 0;
    belief = next;
  }
  expect(slips).toBeGreaterThan(0);
});
test.each(STYLES)('%s: the order of cups does not matter', (style) => {
  const random = seeded(5);
  const plan = brewOf(style);
  // A steady taster’s slips would weigh differently by what was known before them.
  const cups = Array.from({ length: 12 }, () =>
    cupOf(plan, someMarks(random), { taster: { sd: 0.9 } }),
  );
  near(after(cups), after([...cups].reverse()));
});
test('cups that are all right only make it surer', () => {
  const cups = Array.from({ length: 8 }, () => cupOf(brewOf('black-whole'), RIGHT));
  let before = priorOf(1.5);
  for (const cup of cups) {
    const now = metCup(before, preparedCup(cup)).belief;
    sdOf(now).forEach((sd, i) => expect(sd).toBeLessThan(sdOf(before)[i] ?? 0));
    now.mean.forEach((x) => expect(Math.abs(x)).toBeLessThan(1e-12));
    before = now;
  }
  expect(before.cups).toBe(8);
});
test('leaf that was weighed explains a heavy cup; leaf that was not is taken for the recipe', () => {
  const plan = brewOf('black-whole');
  const done = { ...plan, leaf: grams(1.2 * plan.leaf) };
  const by = sensed(done).map((x, i) => x - (sensed(plan)[i] ?? 0));
  const heavy = Object.fromEntries(
    JUDGED.map((index, i) => [index, Math.max(-2, Math.min(2, Math.round(by[i] ?? 0)))]),
  ) as Marks;
  expect(heavy.strength).toBe(1);
  const weighed = Array.from({ length: 6 }, () => cupOf(plan, heavy, { done, leafWeighed: true }));
  const spooned = Array.from({ length: 6 }, () => cupOf(plan, heavy));
  const strengthOf = ({ mean }: Belief) =>
    mean.reduce((sum, x, lever) => sum + x * (slopesOf(plan)[6 * lever] ?? 0), 0);
  // What is left is the rounding of the marks.
  expect(Math.abs(strengthOf(after(weighed)))).toBeLessThan(0.3);
  expect(strengthOf(after(spooned))).toBeGreaterThan(0.6);
});
test('a version that was changed: the same belief, moved', () => {
  const old = brewOf('green-pan');
  const by: Three = [0.5, -1, 0.25];
  const now: Brewing = { ...old };
  turnBy(now, old, ...by);
  const dose = (b: Brewing) => ({
    ...{ gPer100ml: (100 * b.leaf) / b.water, temperatureC: b.temperature, seconds: b.time },
  });
  unitsBetween(dose(old), dose(now)).forEach((x, i) => expect(x).toBeCloseTo(by[i] ?? NaN, 9));
  const marks = { ...RIGHT, strength: 1, bitterness: 1 } as const;
  const ofOld = after([cupOf(old, marks), cupOf(old, marks)]);
  // Asked about the new version, the old cups count, moved by the difference. The first knowledge is of the new one here.
  const ofNew = after(
    [cupOf(old, marks, { moved: by }), cupOf(old, marks, { moved: by })],
    beliefMoved(priorOf(1.5), by),
  );
  near(ofNew, beliefMoved(ofOld, by));
});
test('a mark at the end of the scale is that much or more', () => {
  const plan = brewOf('black-whole');
  const strong: Belief = { ...priorOf(0.2), mean: [6, 0, 0] };
  const { met } = metCup(strong, preparedCup(cupOf(plan, { strength: 2 })));
  expect(met.expected[0]).toBeGreaterThan(2);
  expect(met.off[0]).toBe(0);
  // Also of a taster who is known to mark higher.
  const shy = cupOf(plan, { strength: 2 }, { taster: { sd: 0.5, bias: { strength: 0.6 } } });
  expect(metCup(strong, preparedCup(shy)).met.off[0]).toBe(0);
  const { met: below } = metCup(strong, preparedCup(cupOf(plan, { strength: 1 })));
  expect(below.off[0]).toBeLessThan(-1);
});
test('cups from elsewhere and the first of a new lot say less, or leave more open', () => {
  const cup = cupOf(brewOf('black-whole'), { ...RIGHT, strength: 1 });
  const [here, there] = [after([cup]), after([{ ...cup, elsewhere: true }])];
  sdOf(there).forEach((sd, i) => expect(sd).toBeGreaterThan(sdOf(here)[i] ?? 9));
  const many = Array.from({ length: 20 }, () => cup);
  const newLot = after([...many, { ...cup, newLot: true }]);
  sdOf(newLot).forEach((sd, i) => expect(sd).toBeGreaterThan(sdOf(after(many))[i] ?? 9));
});
test('what a taster adds to every mark is taken off', () => {
  const plan = brewOf('black-whole');
  const biased = cupOf(plan, { strength: 1 }, { taster: { sd: 0.5, bias: { strength: 1 } } });
  after([biased]).mean.forEach((x) => expect(Math.abs(x)).toBeLessThan(1e-12));
});
test('heat on the leaf that was read is no doubt of the recipe', () => {
  const plan = brewOf('green-pan');
  const done = { ...plan, temperature: celsius(plan.temperature + 6) };
  const bitter = { ...RIGHT, bitterness: 1, astringency: 1 } as const;
  const [read, unread] = [
    after([cupOf(plan, bitter, { done, heatRead: true })]),
    after([cupOf(plan, bitter)]),
  ];
  expect(Math.abs(read.mean[1])).toBeLessThan(Math.abs(unread.mean[1]));
});
test('a cup of which nothing was marked is no evidence', () =>
  expect(() => preparedCup(cupOf(brewOf('black-whole'), {}))).toThrow(RangeError));

test('five thousand cups: it settles at what the cups say, ever surer, and never breaks', () => {
  const random = seeded(5000);
  const plan = brewOf('black-whole');
  const figures = new CupFigures();
  // A recipe that is a step of leaf too strong, marked by unsteady tasters.
  const slopes = slopesOf(plan);
  const marks = (): Marks =>
    Object.fromEntries(
      JUDGED.map((index, row) => {
        const felt = Math.round((slopes[row] ?? 0) + normal(random, 0, 0.5));
        return [index, Math.max(-2, Math.min(2, felt))];
      }),
    ) as Marks;
  const cups = Array.from({ length: 5000 }, (_, i) => cupOf(plan, marks(), { id: `cup${i}` }));
  let belief = priorOf(1.5);
  let [widest] = sdOf(belief);
  cups.forEach((cup, i) => {
    belief = metCup(belief, preparedCup(cup, figures)).belief;
    if (i % 500 !== 499) return;
    const [leaf, heat, time] = sdOf(belief);
    for (const sd of [leaf, heat, time]) expect(sd).toBeGreaterThan(0);
    expect(leaf).toBeLessThanOrEqual(widest);
    widest = leaf;
  });
  // As it is sensed: what the believed recipe is off is the step of leaf that was put in.
  const off = JUDGED.map((_, row) =>
    belief.mean.reduce((sum, units, lever) => sum + units * (slopes[6 * lever + row] ?? 0), 0),
  );
  off.forEach((found, row) => expect(Math.abs(found - (slopes[row] ?? 0))).toBeLessThan(0.15));
});

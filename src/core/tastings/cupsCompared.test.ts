import fc from 'fast-check';
import { seeded } from '#core/numeric';
import {
  type CalibrationResult,
  calibrationWords,
  comparedWords,
  type CupsResult,
  cupsSeen,
  foldTasting,
  likeForLike,
  ownResult,
  resultOf,
  scheduleOf,
  setUp,
  type Sheet,
  standardPreparation,
  type TastingEvent,
} from '#core/tastings';
import { ALL, exerciseOf, held, house, lead, recipe, sheet, tasters } from '../testing/heldTable';

describe('a comparison', () => {
  const infusers = exerciseOf({
    kind: 'comparison',
    compares: 'infuser',
    cups: [
      { ...house, infuser: 'free' },
      { ...house, infuser: 'ball' },
    ],
  });
  const name = (c: number) => ['loose leaf', 'small ball'][c] ?? '';
  const found = (marks: (taster: number, cup: number) => Sheet['marks']) =>
    resultOf(
      infusers,
      held(infusers, (i, c) => sheet(marks(i, c))),
    ) as CupsResult;

  test('each cup beside the first: who marked it higher, by the exact sign test', () => {
    const r = found((i, cup) => ({
      ...ALL,
      strength: cup === 0 ? 0 : -1,
      bitterness: cup === 1 && i < 2 ? -1 : 0,
    }));
    // Four of four one way: two-sided 2 x (1/2)^4. Two of two: 2 x (1/2)^2.
    expect(r.beside.find((b) => b.attribute === 'strength')).toMatchObject({
      higher: 0,
      lower: 4,
      alike: 0,
      by: -1,
      chance: 0.125,
    });
    expect(r.beside.find((b) => b.attribute === 'bitterness')).toMatchObject({
      lower: 2,
      alike: 2,
      chance: 0.5,
    });
    expect(comparedWords(r, name)).toEqual({
      strong: 'Small ball: less strength than loose leaf',
      rest: ' for four of four: chance could do that.',
    });
  });
  test('all marks equal: nothing is claimed, and no agreement either', () => {
    const r = found(() => ALL);
    expect(comparedWords(r, name).strong).toBe('Nobody marked any of them differently');
    expect(Object.values(r.agreement)).toEqual([null, null, null, null, null]);
  });
  test('only the infuser may differ; the same infuser twice is nothing to compare', () => {
    expect(
      likeForLike(
        infusers.cups.map((c) => c.plan),
        'seconds',
        'infuser',
      ),
    ).toMatchObject({ alsoDiffers: [], same: false });
    expect(
      likeForLike(
        [
          { ...house, infuser: 'ball' },
          { ...house, infuser: 'ball', grams: 3 },
        ],
        'seconds',
        'infuser',
      ),
    ).toMatchObject({ alsoDiffers: ['grams'], same: true });
  });
  test('steeps of one leaf go in turn, each with its own time; later ones teach a fit nothing', () => {
    const cups = [house, { ...house, steep: 2, seconds: 300 }].map((c, i) => ({
      ...c,
      steep: i + 1,
    }));
    expect(scheduleOf(cups, 'inTurn').moments.map((m) => [m.cup, m.act, m.at])).toEqual([
      [0, 'pour', 0],
      [0, 'pull', house.seconds],
      [1, 'pour', house.seconds + 10],
      [1, 'pull', house.seconds + 310],
    ]);
    expect(likeForLike(cups, 'seconds', 'steep')).toMatchObject({ alsoDiffers: [], same: false });
    const e = exerciseOf({ kind: 'comparison', compares: 'steep', cups });
    const seen = cupsSeen(
      e,
      held(e, () => sheet(ALL)),
      {
        tea: { style: 'black-whole', fitted: null },
        recipe,
        vessel: { infuser: 'free', basket: null, material: 'porcelain', lid: true },
      },
    );
    expect(seen).toHaveLength(1);
  });
});

describe('a calibration', () => {
  const e = exerciseOf({ kind: 'calibration', cups: [house, { ...house, seconds: 360 }] });
  const found = (score: (taster: number, cup: number, bowl: number) => number) =>
    resultOf(
      e,
      held(e, (i, c, b) => sheet({}, { bitterness: score(i, c, b) })),
    ) as CalibrationResult;

  test('each cup stands in two bowls, each bowl met once by everybody', () => {
    expect(e.cups.every((c) => c.codes.length === 2)).toBe(true);
    for (const order of Object.values(e.servings))
      expect([...order].sort()).toEqual(e.cups.flatMap((c) => c.codes).sort());
  });
  test('one who scores a point above the others is 1.25 marks off; one who is 2 points apart on the same cup is told', () => {
    const r = found(
      (i, cup, bowl) => 3 + cup * 2 + (i === 0 ? 1 : 0) + (i === 3 && bowl === 1 ? 2 : 0),
    );
    const of = (n: number) => r.tasters[n]?.against.bitterness;
    // Against the three others, of whom one scored half of the bowls two points higher: 1 - 1/3 points.
    expect(of(0)?.bias).toBeCloseTo((1 - 1 / 3) / 0.8, 12);
    expect(of(0)?.flags).toContain('bias');
    expect(of(1)?.repeatability).toBe(0);
    // Two points apart twice: sd within pairs sqrt(2^2 / 2) points.
    expect(of(3)?.repeatability).toBeCloseTo(Math.SQRT2 / 0.8, 12);
    expect(of(3)?.flags).toContain('repeatability');
    expect(calibrationWords(r).strong).toMatch(/^Di scored bitter of one cup 1\.8 marks apart$/);
    expect(r.cups.map((c) => c.means.bitterness)).toEqual([3.5, 5.5]);
  });
  test('nobody off, one taster alone, and nothing scored are each said as what they are', () => {
    expect(calibrationWords(found((_, cup) => 3 + cup)).strong).toBe('Nobody is far off');
    const alone = setUp(
      {
        kind: 'calibration',
        way: 'seconds',
        asks: 'strength',
        cups: [house],
        tasters: tasters.slice(0, 1),
      },
      seeded(3),
    );
    const r = resultOf(
      alone,
      held(alone, (i) => (i === 0 ? sheet({}, { bitterness: 4 }) : null)),
    ) as CalibrationResult;
    expect(calibrationWords(r).strong).toBe('One taster has nobody to be compared with.');
    expect(
      (
        resultOf(
          e,
          held(e, () => null),
        ) as CalibrationResult
      ).tasters.every((t) => t.against.bitterness === null),
    ).toBe(true);
  });
  test('bias is against the others, so it sums to nothing over a table that scores all bowls', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 4, maxLength: 4 }), {
          minLength: 4,
          maxLength: 4,
        }),
        (rows) => {
          const r = found((i, cup, bowl) => (rows[i]?.[cup * 2 + bowl] ?? 0) / 2);
          const sum = r.tasters.reduce((s, t) => s + (t.against.bitterness?.bias ?? 0), 0);
          expect(Math.abs(sum)).toBeLessThan(1e-9);
        },
      ),
      { seed: 11, numRuns: 40 },
    );
  });
});

test('the standard preparation is 2 g to 100 ml for six minutes', () =>
  expect(standardPreparation(150, 96.4)).toEqual({
    grams: 3,
    water: 150,
    celsius: 96,
    seconds: 360,
  }));

describe('a taster’s own page', () => {
  const ladder = exerciseOf({
    kind: 'ladder',
    cups: [60, 150, 300].map((s) => ({ ...house, seconds: s })),
  });
  /** As `held`, with an order by cup for each taster. */
  function ordered(
    orders: readonly (readonly number[])[],
    mark: (taster: number, cup: number) => -2 | -1 | 0 | 1 | 2,
  ) {
    const code = (cup: number) => ladder.cups[cup]?.codes[0] ?? '';
    const at = 5_000_000;
    const events: TastingEvent[] = [
      { id: 's', at, by: lead, act: { kind: 'start' } },
      ...ladder.cups.map((c, cup) => ({
        id: `p${cup}`,
        at: at + c.plan.seconds * 1000,
        by: lead,
        act: { kind: 'pull' as const, cup },
      })),
    ];
    tasters.forEach((t, i) => {
      ladder.cups.forEach((_, cup) =>
        events.push({
          id: `k${i}${cup}`,
          at: at + 400_000,
          by: t,
          act: {
            kind: 'keep',
            taster: t.id,
            code: code(cup),
            sheet: {
              marks: { bitterness: mark(i, cup) },
              words: ['brisk'],
              leafWords: ['torn'],
              liking: 6,
            },
          },
        }),
      );
      events.push({
        id: `h${i}`,
        at: at + 500_000,
        by: t,
        act: {
          kind: 'handIn',
          taster: t.id,
          order: (orders[i] ?? [0, 1, 2]).map(code),
          choice: null,
        },
      });
    });
    return foldTasting(ladder, [
      ...events,
      { id: 'r', at: at + 600_000, by: lead, act: { kind: 'reveal' } },
    ]);
  }
  test('each cup beside the mean of the others, the order beside how they were made', () => {
    const own = ownResult(
      ladder,
      ordered([[0, 2, 1]], (i, cup) => {
        if (i === 0) return 1;
        if (cup === 2) return 1;
        return 0;
      }),
      'Ada',
    );
    expect(own?.ordering).toMatchObject({ inversions: 1 });
    expect(
      own?.cups.map((c) => [c.place, c.truePlace, c.mine.bitterness, c.others.bitterness]),
    ).toEqual([
      [1, 1, 1, 0],
      [3, 2, 1, 0],
      [2, 3, 1, 1],
    ]);
    expect(own?.against.bitterness).toMatchObject({ n: 3, bias: 2 / 3, flags: ['bias'] });
    expect(own?.cups[0]).toMatchObject({ words: ['brisk'], leafWords: ['torn'] });
    expect(own?.against.sweetness).toBeNull();
  });
  test('who handed nothing in has no page', () =>
    expect(
      ownResult(
        ladder,
        ordered([], () => 0),
        'Eve',
      ),
    ).toBeNull());
  test('what too much costs in liking is told from ten marks on', () => {
    const r = resultOf(
      ladder,
      ordered([], (_, cup) => (cup === 2 ? 1 : 0)),
    );
    if (r.kind !== 'ladder') throw new Error(r.kind);
    // Twelve marks, a third of them too much, and everybody likes all alike.
    expect(r.attributes.bitterness.penalty).toEqual({ little: null, much: 0, n: 12 });
    expect(r.attributes.sweetness.penalty).toEqual({ little: null, much: null, n: 0 });
  });
});

import fc from 'fast-check';
import { predict as taste, propose } from '#core/corrections';
import { seeded } from '#core/numeric';
import { brewingOf, startingRecipe } from '#core/recipes';
import {
  type CalibrationResult,
  calibrationWords,
  comparedWords,
  type CupsResult,
  cupsSeen,
  dialledIn,
  type Exercise,
  foldTasting,
  housePour,
  likeForLike,
  marksWords,
  offIn,
  ownResult,
  type PlannedCup,
  recipeAt,
  resultOf,
  type Round,
  roundOf,
  scheduleOf,
  setUp,
  type Sheet,
  standardPreparation,
  storyOf,
  type TastingAct,
  type TastingEvent,
  turnedCup,
  validateAct,
  verdictOf,
} from '#core/tastings';
import { celsius, grams, millilitres, seconds } from '#core/units';

const recipe = startingRecipe('black-whole');
const house = housePour(recipe, 150);
const tasters = ['Ada', 'Bo', 'Cy', 'Di'].map((name) => ({ id: name, name }));
const lead = { id: 'lead', name: 'Lead' };
const sheet = (marks: Sheet['marks'], scores?: Sheet['scores']): Sheet => ({
  marks,
  words: [],
  ...(scores && { scores }),
});
type Ask = Partial<Parameters<typeof setUp>[0]> & { cups: readonly PlannedCup[] };
const exerciseOf = (over: Ask): Exercise =>
  setUp({ kind: 'dialIn', way: 'seconds', asks: 'strength', tasters, ...over }, seeded(7));
/** A table that was brewed to plan, each taster's sheet by bowl as `sheetFor` says, revealed. */
function held(
  e: Exercise,
  sheetFor: (taster: number, cup: number, bowl: number) => Sheet | null,
  also: readonly TastingAct[] = [],
) {
  let at = 1_000_000;
  const events: TastingEvent[] = [];
  const does = (act: TastingAct, by = lead) =>
    events.push({ id: `e${events.length}`, at, by, act });
  does({ kind: 'start' });
  for (const [cup, c] of e.cups.entries()) {
    does({ kind: 'pour', cup });
    at += c.plan.seconds * 1000;
    does({ kind: 'pull', cup });
  }
  also.forEach((a) => does(a));
  for (const [i, t] of tasters.entries()) {
    for (const [cup, c] of e.cups.entries())
      for (const [bowl, code] of c.codes.entries()) {
        const s = sheetFor(i, cup, bowl);
        if (s) does({ kind: 'keep', taster: t.id, code, sheet: s }, t);
      }
    does({ kind: 'handIn', taster: t.id, order: null, choice: null }, t);
  }
  does({ kind: 'reveal' });
  return foldTasting(e, events);
}
const ALL = { strength: 0, bitterness: 0, astringency: 0, sweetness: 0, aroma: 0 } as const;

describe('a dial-in', () => {
  const one = exerciseOf({ cups: [house] });
  test('one cup, no order asked for: handed in without one', () => {
    expect(one.cups).toHaveLength(1);
    expect(
      validateAct(
        one,
        [{ id: 'a', at: 1, by: lead, act: { kind: 'start' } }],
        { kind: 'handIn', taster: 'Ada', order: null, choice: null },
        { id: 'Ada', runs: false },
      ),
    ).toBeNull();
  });
  test('right is every attribute marked and within half a mark; what is not marked is not right', () => {
    const right = roundOf(
      one,
      held(one, (i) => sheet({ ...ALL, bitterness: i < 2 ? 1 : 0 })),
    );
    expect(right.means.bitterness).toBe(0.5);
    expect(dialledIn(right)).toBe(true);
    expect(marksWords(right)).toBe('all right');
    expect(
      dialledIn(
        roundOf(
          one,
          held(one, () => sheet({ strength: 0, bitterness: 0 })),
        ),
      ),
    ).toBe(false);
    expect(
      dialledIn(
        roundOf(
          one,
          held(one, (i) => sheet({ ...ALL, bitterness: i < 3 ? 1 : 0 })),
        ),
      ),
    ).toBe(false);
  });
  test('its verdict: over half a mark is one at least, and what is right says nothing', () => {
    const r = roundOf(
      one,
      held(one, (i) =>
        sheet({ ...ALL, bitterness: i < 3 ? 1 : 0, astringency: 2, sweetness: i < 2 ? -1 : 0 }),
      ),
    );
    expect(verdictOf(r)).toMatchObject({
      bitterness: 1,
      astringency: 2,
      sweetness: 0,
      strength: 0,
      colour: 0,
    });
    expect(offIn(r)).toEqual(['astringency', 'bitterness']);
    expect(marksWords(r)).toBe('drying +2, bitter +0.8');
  });
  test('a lost cup is no verdict; of two cups the newest counts, as it was really made', () => {
    const two = exerciseOf({ cups: [house, { ...house, seconds: 180 }] });
    const t = held(two, (_, cup) => sheet({ ...ALL, bitterness: cup === 0 ? 2 : 0 }), [
      { kind: 'weigh', cup: 1, grams: 1.7, water: 150 },
    ]);
    expect(roundOf(two, t)).toMatchObject({
      cup: { grams: 1.7, seconds: 180 },
      lost: null,
      means: { bitterness: 0 },
    });
    const lost = roundOf(
      two,
      held(two, () => sheet(ALL), [{ kind: 'exclude', cup: 1, reason: 'spilled' }]),
    );
    expect(lost.lost).toBe('spilled');
    expect(dialledIn(lost)).toBe(false);
  });
  test('a bitter new lot is right in three rounds at most, turning leaf, heat and time alone', () => {
    // The lot bites more than the one before, and gives faster; tasters mark it against the house cup of the old.
    const vessel = { infuser: 'free', basket: null, material: 'porcelain', lid: true } as const;
    const brew = (
      c: PlannedCup,
      leaf: { rate: number; pool: number; bite: number; sensitivity: number } | null,
    ) =>
      brewingOf({
        tea: { style: 'black-whole', fitted: leaf },
        recipe,
        vessel,
        leaf: grams(c.grams),
        water: millilitres(c.water),
        onLeaf: celsius(c.celsius),
        time: seconds(c.seconds),
      });
    const lot = { rate: 1.3, pool: 1.05, bite: 1.25, sensitivity: 1 };
    let cup = house;
    let rounds = 1;
    for (; rounds <= 4; rounds++) {
      const e = exerciseOf({ cups: [cup] });
      const r = roundOf(
        e,
        held(e, () => sheet(marksOf(brew(cup, lot), brew(house, null)))),
      );
      if (dialledIn(r)) break;
      const p = propose({
        verdict: verdictOf(r),
        recipe: recipeAt(recipe, r.cup),
        style: 'black-whole',
        brew: brew(r.cup, null),
        warmed: true,
        crowding: null,
        dialIn: { leafGrams: house.grams, temperatureC: house.celsius, seconds: house.seconds },
      });
      expect(
        p.turns.every((t) =>
          ['leafMore', 'leafLess', 'cooler', 'hotter', 'shorter', 'longer'].includes(t.lever),
        ),
      ).toBe(true);
      const next = turnedCup(r.cup, p.turns);
      expect(next).not.toEqual(cup);
      cup = next;
    }
    expect(rounds).toBeGreaterThan(1);
    expect(rounds).toBeLessThanOrEqual(3);
  });
  test('a lot that only lacks aroma is not sent away to be checked: it is new', () => {
    const brewed = brewingOf({
      tea: { style: 'black-whole', fitted: null },
      recipe,
      vessel: { infuser: 'free', basket: null, material: 'porcelain', lid: true },
      leaf: grams(house.grams),
      water: millilitres(150),
      onLeaf: celsius(house.celsius),
      time: seconds(house.seconds),
    });
    const judged = {
      verdict: { ...ALL, colour: 0 as const, aroma: -1 as const },
      recipe,
      style: 'black-whole' as const,
      brew: brewed,
      warmed: true,
      crowding: null,
    };
    expect(propose(judged).lever).toBe('checkLot');
    expect(
      propose({
        ...judged,
        dialIn: { leafGrams: house.grams, temperatureC: house.celsius, seconds: house.seconds },
      }).lever,
    ).not.toBe('checkLot');
  });
  test('the recipe of a cup moves leaf, heat and window; the story fits in a reason however long it is', () => {
    const moved = recipeAt(recipe, { ...house, grams: 2.4, celsius: 86, seconds: 183 });
    expect(moved).toMatchObject({ dose: 1.6, temperature: 86, window: { best: 185 } });
    expect(moved.window.earliest).toBeLessThan(185);
    expect(moved.later).toEqual(recipe.later);
    // Nobody turned the leaf: it stays to the last figure.
    const fine = { ...recipe, dose: 1.2345 as typeof recipe.dose };
    expect(recipeAt(fine, { ...housePour(fine, 150), seconds: 200 })).toMatchObject({
      dose: 1.2345,
      window: { best: 200 },
    });
    const round: Round = {
      cup: house,
      lost: null,
      n: 4,
      means: { strength: 1, bitterness: 1.25, astringency: 0, sweetness: -0.75, aroma: 0 },
    };
    expect(storyOf('Lot 11', [round])).toMatch(
      /^Dial-in of Lot 11, 1 round, 4 tasting\. 1: .*: bitter \+1\.3, strength \+1, sweet −0\.8\.$/,
    );
    for (let n = 1; n <= 12; n++) {
      const story = storyOf(
        'A lot with quite a long name, second flush',
        Array.from({ length: n }, () => round),
      );
      expect(story.length).toBeLessThanOrEqual(300);
      expect(story).toContain(`${n} round`);
    }
  });
});
function marksOf(
  got: Parameters<typeof taste>[0],
  right: Parameters<typeof taste>[0],
): Sheet['marks'] {
  const [a, b] = [taste(got), taste(right)];
  return Object.fromEntries(
    (['strength', 'bitterness', 'astringency', 'sweetness', 'aroma'] as const).map((k) => [
      k,
      Math.max(-2, Math.min(2, Math.round((a[k] - b[k]) / 0.8))),
    ]),
  ) as Sheet['marks'];
}

test('an instrument’s reading of a cup goes into the fit once it is poured off, from whoever runs the tasting', () => {
  const e = exerciseOf({ cups: [house] });
  const tea = {
    tea: { style: 'black-whole' as const, fitted: null },
    recipe,
    vessel: { infuser: 'free' as const, basket: null, material: 'porcelain' as const, lid: true },
  };
  const measured = held(e, () => null, [
    { kind: 'measure', cup: 0, solids: 3.2 },
    { kind: 'measure', cup: 0, colour: { strength: 1.1, low: 1, high: 1.2 } },
  ]);
  expect(cupsSeen(e, measured, tea)).toMatchObject([
    { solids: 3.2, colour: { strength: 1.1 }, n: 0, marks: {} },
  ]);
  expect(
    cupsSeen(
      e,
      held(e, () => null),
      tea,
    ),
  ).toEqual([]);
  const started: TastingEvent[] = [
    { id: 'a', at: 1, by: lead, act: { kind: 'start' } },
    { id: 'b', at: 2, by: lead, act: { kind: 'pour', cup: 0 } },
  ];
  const runs = { id: 'lead', runs: true };
  expect(validateAct(e, started, { kind: 'measure', cup: 0, solids: 3 }, runs)).toBe('notPulled');
  expect(
    validateAct(
      e,
      [...started, { id: 'c', at: 3, by: lead, act: { kind: 'pull', cup: 0 } }],
      { kind: 'measure', cup: 0, solids: 3 },
      runs,
    ),
  ).toBeNull();
  expect(validateAct(e, started, { kind: 'measure', cup: 4, solids: 3 }, runs)).toBe('noSuchCup');
  expect(
    validateAct(e, started, { kind: 'measure', cup: 0, solids: 3 }, { id: 'Ada', runs: false }),
  ).toBe('notYours');
});

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

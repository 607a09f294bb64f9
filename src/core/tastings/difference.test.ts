import { seeded } from '#core/numeric';
import { startingRecipe } from '#core/recipes';
import {
  COMPARED,
  cupCounts,
  cupName,
  cupsFor,
  cupsSeen,
  type CupWish,
  foldTasting,
  housePour,
  likeForLike,
  marksOfCups,
  saysOfLeaf,
  scheduleFor,
  setUp,
  usualCupCount,
} from '#core/tastings';
import { celsius } from '#core/units';

const RECIPE = startingRecipe('black-whole');
const HOUSE = housePour(RECIPE, 500);
const OF = {
  tea: { style: 'black-whole' as const, fitted: null, swatches: null },
  recipe: RECIPE,
  vessel: {
    ...{ infuser: 'deep' as const, basket: null, material: 'porcelain' as const },
    ...{ lid: true, cosy: false },
  },
};
const AROUND = {
  lots: ['Lot 1', 'Lot 2', 'Lot 3'],
  teas: [{ name: 'Other leaf', cup: { ...HOUSE, grams: 4, celsius: 80, seconds: 120 } }],
  notWarmed: 78,
};
const PICKED = { of: 'tea', name: 'Picked leaf' } as const;
const wish = (compares: (typeof COMPARED)[number]): CupWish => ({
  ...{ kind: 'comparison', way: 'seconds', compares },
});
const cupsOf = (compares: (typeof COMPARED)[number]) =>
  cupsFor(HOUSE, RECIPE, wish(compares), usualCupCount(wish(compares)), AROUND);

describe('comparisons whose cups differ in what no figure says', () => {
  test.each([
    ['lid', ['lid on', 'lid off']],
    ['warming', ['vessel warmed', 'vessel not warmed']],
    ['milk', ['without milk', 'a splash of milk']],
    ['glass', ['hot water', 'water at room temperature', 'sparkling water', 'chilled water']],
    ['water', ['filtered', 'from the tap']],
    ['lot', ['Lot 1', 'Lot 2']],
    ['tea', ['', 'Other leaf']],
  ] as const)('%s: %j', (compares, names) => {
    const cups = cupsOf(compares);
    expect(cups.map(cupName)).toEqual(names);
    // The page names the tea that was picked.
    const named = cups.map((cup) => (cupName(cup) ? cup : { ...cup, made: PICKED }));
    // Like for like: what else differs follows from what is compared.
    expect(likeForLike(named, 'seconds', compares)).toMatchObject({ alsoDiffers: [], same: false });
    expect(cupCounts(wish(compares))).toContain(cups.length);
  });
  test('the vessel nobody warmed has cooler water; another tea has its own recipe', () => {
    expect(cupsOf('warming').map((cup) => cup.celsius)).toEqual([HOUSE.celsius, 78]);
    expect(cupsOf('tea')[1]).toMatchObject({ grams: 4, celsius: 80, seconds: 120 });
  });
  test('a cup whose lot is still to be chosen, and two of one lot, are no comparison', () => {
    const same = (lots: readonly string[]) =>
      likeForLike(cupsFor(HOUSE, RECIPE, wish('lot'), 2, { lots }), 'seconds', 'lot').same;
    expect([same(['Lot 1']), same(['Lot 1', 'Lot 1']), same(['Lot 1', 'Lot 2'])]).toEqual([
      ...[true, true, false],
    ]);
  });
  test('an extract was brewed before: a table of four glasses begins, and nothing has to be lifted', () => {
    const plans = cupsOf('glass');
    const ask = { ...wish('glass'), asks: 'strength' as const, cups: plans };
    const exercise = setUp({ ...ask, tasters: [{ id: 'a', name: 'A' }] }, seeded(7));
    expect(scheduleFor(exercise).moments).toEqual([]);
    const now = foldTasting(exercise, [
      { id: '1', at: 0, by: 'a', act: { kind: 'start' } },
    ] as never);
    expect(now.stage).toBe('tasting');
  });
});

test('a fit hears of lid and warming, not of another tea, lot, water, of milk or an extract', () => {
  const heard = (['lid', 'warming', 'milk', 'glass', 'water', 'lot', 'tea'] as const).filter(
    (compares) => cupsOf(compares).every(({ made }) => saysOfLeaf(made)),
  );
  expect(heard).toEqual(['lid', 'warming']);
  expect(saysOfLeaf(undefined)).toBe(true);
});
test.each([
  ['lid', 2],
  ['tea', 0],
  ['milk', 0],
] as const)('cups of a %s comparison that reach a fit: %d', (compares, reach) => {
  const ask = { ...wish(compares), asks: 'strength' as const, cups: cupsOf(compares) };
  const exercise = setUp({ ...ask, tasters: [{ id: 'a', name: 'A' }] }, seeded(11));
  const codes = exercise.cups.flatMap((cup) => cup.codes);
  const acts = [
    { kind: 'start' },
    ...[0, 1].flatMap((cup) => [
      { kind: 'pour', cup },
      { kind: 'pull', cup },
    ]),
    ...codes.map((code) => ({
      ...{ kind: 'keep', taster: 'a', code },
      sheet: { marks: { strength: 0 }, words: [] },
    })),
    { kind: 'handIn', taster: 'a', order: null, choice: null },
    { kind: 'reveal' },
  ];
  const events = acts.map((act, i) => ({ id: String(i), at: i * 1000, by: 'a', act }));
  const seen = cupsSeen(exercise, foldTasting(exercise, events as never), OF);
  expect(seen).toHaveLength(reach);
});

describe('what marks the model expects of each cup', () => {
  const expected = (compares: (typeof COMPARED)[number]) =>
    marksOfCups(OF, cupsOf(compares), HOUSE);
  test('the house cup itself is right in everything; names the model does not know change nothing', () => {
    for (const marks of [...expected('lot'), ...expected('water')])
      for (const mark of Object.values(marks ?? { none: 1 })) expect(mark).toBeCloseTo(0, 9);
  });
  test('milk takes bitterness and dryness down, a cold vessel strength, an open lid aroma', () => {
    expect(expected('milk')[1]?.bitterness).toBeLessThan(0);
    expect(expected('milk')[1]?.astringency).toBeLessThan(0);
    expect(expected('warming')[1]?.strength).toBeLessThan(0);
    expect(expected('lid')[1]?.aroma).toBeLessThan(0);
  });
  test('of another tea nothing is expected, and no mark lies off the scale', () => {
    expect(expected('tea')[1]).toBeNull();
    const far = marksOfCups(OF, [{ ...HOUSE, grams: 60, seconds: 3000 }], HOUSE)[0];
    for (const mark of Object.values(far ?? {})) expect(Math.abs(mark)).toBeLessThanOrEqual(2);
    expect(celsius(AROUND.notWarmed)).toBe(78);
  });
});

import fc from 'fast-check';
import {
  type CardInput,
  computeCard,
  densityOf,
  doubtDose,
  doubtWeighing,
  gramsPerSpoon,
  lineDiffers,
  methodFor,
  quartersText,
  recipeLines,
  roundingWords,
  spoonsFor,
  spoonsText,
  startingRecipe,
  windowFault,
  workingOf,
} from '#core/recipes';
import { leafFor, taperExponent } from '#core/scaling';
import { STYLE_IDS, styleOf } from '#core/styles';
import {
  celsius,
  grams,
  gramsPer100Ml,
  type GramsPerMl,
  millilitres,
  ML_PER,
  seconds,
  SPOONS,
} from '#core/units';
import type { VesselFacts } from '#core/vessels';

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
const sea = {
  altitudeM: 0,
  measuredBoiling: null,
  coldWater: celsius(12),
  ambient: celsius(20),
  pourLoss: null,
  kettle: { volume: millilitres(1700), material: 'stainless' as const, lid: true },
};
const ask = (over: Partial<CardInput> = {}): CardInput => ({
  tea: {
    style: 'black-whole',
    fitted: null,
    weighing: { spoon: SPOONS.dessertSpoon, spoons: 5, weighed: grams(12.5), singles: [] },
    spoon: SPOONS.dessertSpoon,
  },
  recipe: startingRecipe('black-whole'),
  method: 'pot',
  vessel: pot,
  site: sea,
  water: millilitres(500),
  warmed: true,
  ...over,
});

describe('leaf', () => {
  test('in step with the water', () =>
    expect(leafFor(millilitres(500), gramsPer100Ml(1.2), { school: 'linear' })).toBeCloseTo(6, 12));
  // 6 g in 500 ml tapered by 0.65: 8.79 g in 900 and 11.44 g in 1350 ml (worked by hand).
  test.each([
    [900, 8.79],
    [1350, 11.44],
    [240, 3.72],
    [150, 2.74],
  ])('tapered through two known-good pots: %i ml take %f g', (ml, g) => {
    const small = { water: millilitres(500), leaf: grams(6) };
    const large = { water: millilitres(1000), leaf: grams(6 * 2 ** 0.65) };
    expect(taperExponent(small, large)).toBeCloseTo(0.65, 10);
    expect(
      leafFor(millilitres(ml), gramsPer100Ml(1.2), { school: 'tapered', small, large }),
    ).toBeCloseTo(g, 2);
  });
  test('both known-good pots get back their own leaf', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 600, noNaN: true }),
        fc.double({ min: 700, max: 2000, noNaN: true }),
        fc.double({ min: 1, max: 9, noNaN: true }),
        fc.double({ min: 9, max: 30, noNaN: true }),
        (v1, v2, m1, m2) => {
          const scaling = {
            school: 'tapered' as const,
            small: { water: millilitres(v1), leaf: grams(m1) },
            large: { water: millilitres(v2), leaf: grams(m2) },
          };
          expect(leafFor(millilitres(v1), gramsPer100Ml(1), scaling)).toBeCloseTo(m1, 8);
          expect(leafFor(millilitres(v2), gramsPer100Ml(1), scaling)).toBeCloseTo(m2, 8);
        },
      ),
      { seed: 20260113 },
    ));
  test('misuse throws', () => {
    expect(() => leafFor(millilitres(0), gramsPer100Ml(1), { school: 'linear' })).toThrow(
      RangeError,
    );
    expect(() =>
      taperExponent(
        { water: millilitres(500), leaf: grams(6) },
        { water: millilitres(500), leaf: grams(7) },
      ),
    ).toThrow(RangeError);
  });
});

describe('spoons, through this tea’s own weighing', () => {
  // Common practice: the same spoon holds from 1.3 to 5.4 g per 10 ml.
  test.each([
    ['broken black', SPOONS.metricTeaspoon, 1, 2.75, SPOONS.metricTeaspoon, 2.75],
    ['whole-leaf green', SPOONS.dessertSpoon, 1, 2, SPOONS.dessertSpoon, 2],
    ['dense pearls', SPOONS.usTablespoon, 0.5, 4, SPOONS.usTablespoon, 8],
    ['compact dark tea', SPOONS.metricTablespoon, 1, 6, SPOONS.dessertSpoon, 4],
  ] as const)('%s', (_name, spoon, spoons, weighed, other, each) =>
    expect(
      gramsPerSpoon(densityOf({ spoon, spoons, weighed: grams(weighed), singles: [] }), other),
    ).toBeCloseTo(each, 6),
  );
  test('two tablespoons of big twisted black are 4 g', () =>
    expect(
      spoonsFor(
        grams(4),
        densityOf({ spoon: SPOONS.metricTablespoon, spoons: 2, weighed: grams(4), singles: [] }),
        SPOONS.metricTablespoon,
      ).quarters,
    ).toBe(8));
  test('a scoop per 8 fl oz: a 16 fl oz jug takes two', () =>
    expect((16 * ML_PER.usFlOz) / (8 * ML_PER.usFlOz)).toBe(2));
  test('quarters, with their error', () => {
    const s = spoonsFor(grams(6.5), 0.21 as GramsPerMl, SPOONS.dessertSpoon);
    expect([s.quarters, spoonsText(s), roundingWords(s.error)]).toEqual([
      12,
      '3 level dessert spoons',
      'a touch lighter',
    ]);
    expect(s.total).toBeCloseTo(6.3, 10);
  });
  test('never further off than half a quarter spoon, never none', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 60, noNaN: true }),
        fc.double({ min: 0.1, max: 0.6, noNaN: true }),
        (g, d) => {
          const s = spoonsFor(grams(g), d as GramsPerMl, SPOONS.metricTeaspoon);
          expect(s.quarters).toBeGreaterThanOrEqual(1);
          if (s.quarters > 1)
            expect(Math.abs(s.total - g)).toBeLessThanOrEqual(s.perSpoon / 8 + 1e-9);
        },
      ),
      { seed: 20260114 },
    ));
  test.each([
    [1, '¼'],
    [3, '¾'],
    [4, '1'],
    [14, '3½'],
  ])('%i quarters read %s', (q, t) => expect(quartersText(q)).toBe(t));
  test('a factor of three raises a question', () => {
    expect(
      doubtWeighing({ spoon: SPOONS.metricTeaspoon, spoons: 1, weighed: grams(6), singles: [] })
        ?.words,
    ).toMatch(/tablespoon/);
    expect(
      doubtWeighing({ spoon: SPOONS.metricTablespoon, spoons: 1, weighed: grams(1), singles: [] })
        ?.words,
    ).toMatch(/teaspoon/);
    expect(
      doubtWeighing({ spoon: SPOONS.metricTeaspoon, spoons: 1, weighed: grams(2.7), singles: [] }),
    ).toBeNull();
    expect(doubtDose(3.6, 1.2)?.factor).toBeCloseTo(3, 10);
    expect(doubtDose(0.4, 1.2)?.words).toMatch(/third/);
    expect(doubtDose(1.5, 1.2)).toBeNull();
  });
});

describe('the card', () => {
  test('whole black in a warmed pot', () => {
    const c = computeCard(ask());
    if (c.kind !== 'card') throw new Error(c.kind);
    expect(c.leaf).toBe(6);
    expect(c.spoons && spoonsText(c.spoons)).toBe('2½ level dessert spoons');
    expect(c.liquor).toBe(482);
    expect(c.heat.kind).toBe('reachable');
    expect(c.heat.kettleSetting).toBeGreaterThan(90);
    expect(workingOf(ask(), c).map((l) => l.of)).toEqual([
      'Leaf',
      'Spoons',
      'Heat',
      'Boiling',
      'Yield',
      'Basket',
    ]);
  });
  test('what cannot be poured is a fault, not a clamp', () => {
    expect(computeCard(ask({ water: millilitres(0) }))).toEqual({ kind: 'noWater' });
    expect(computeCard(ask({ water: millilitres(700) }))).toEqual({ kind: 'overBrim', brim: 620 });
    expect(
      computeCard(
        ask({ water: millilitres(60), vessel: { ...pot, kind: 'mug', basket: millilitres(100) } }),
      ).kind,
    ).toBe('belowBasket');
    expect(
      computeCard(ask({ vessel: { ...pot, infuser: 'ball', basket: millilitres(10) } })).kind,
    ).toBe('basketTooSmall');
  });
  test('a cold pot that cannot reach the heat says: warm it', () => {
    const recipe = { ...startingRecipe('black-whole'), temperature: celsius(90) };
    const cold = computeCard(
      ask({
        recipe,
        warmed: false,
        vessel: { ...pot, brim: millilitres(300), mark: millilitres(240) },
        water: millilitres(240),
      }),
    );
    expect(cold.kind === 'card' && [cold.heat.kind, cold.prewarmNeeded]).toEqual([
      'outOfReach',
      true,
    ]);
  });
  test('at 3000 m black tea at 95 C is out of reach even warmed', () => {
    const c = computeCard(
      ask({ site: { ...sea, altitudeM: 3000 }, recipe: { ...startingRecipe('black-broken') } }),
    );
    expect(c.kind === 'card' && [c.heat.kind, c.prewarmNeeded]).toEqual(['outOfReach', false]);
  });
  test('every style’s starting recipe can be brewed in a warmed pot at sea level, but for those near boiling', () => {
    for (const style of STYLE_IDS) {
      const c = computeCard(
        ask({
          tea: { style, fitted: null, weighing: null, spoon: SPOONS.dessertSpoon },
          recipe: startingRecipe(style),
        }),
      );
      expect(c.kind).toBe('card');
      expect(windowFault(startingRecipe(style).window)).toBeNull();
      const { start, range } = styleOf(style);
      expect(start.temperature).toBeGreaterThanOrEqual(range.temperature[0]);
      expect(start.temperature).toBeLessThanOrEqual(range.temperature[1]);
    }
  });
  test('windows out of order are said', () => {
    const w = (e: number, b: number, l: number) =>
      windowFault({ earliest: seconds(e), best: seconds(b), latest: seconds(l) });
    expect(
      [w(90, 120, 150), w(0, 1, 2), w(90, 60, 150), w(60, 90, 80), w(60, 90, 4000)].map(
        (x) => x === null,
      ),
    ).toEqual([true, false, false, false, false]);
  });
  test('what is done at the pull follows from the vessel', () =>
    expect(
      (['pot', 'release', 'lidded'] as const)
        .map((kind) => methodFor({ kind, infuser: 'deep' }))
        .concat(methodFor({ kind: 'mug', infuser: 'tetra' })),
    ).toEqual(['pot', 'release', 'liddedCup', 'bag']));
});

describe('two versions side by side', () => {
  const a = startingRecipe('green-pan');
  const line = (b: Partial<typeof a>, scale: 'C' | 'F' = 'C') =>
    recipeLines(a, { ...a, ...b }, { temperature: scale, volume: 'ml' }).filter(lineDiffers);
  test('nothing differs from itself', () => expect(line({})).toEqual([]));
  test.each([
    [
      { temperature: celsius(75) },
      'C',
      {
        name: 'Water on the leaf',
        left: expect.stringMatching(/^80.°C$/),
        right: expect.stringMatching(/^75.°C$/),
        change: '5 cooler',
      },
    ],
    [
      { temperature: celsius(85) },
      'F',
      {
        name: 'Water on the leaf',
        left: expect.stringMatching(/^176.°F$/),
        right: expect.stringMatching(/^185.°F$/),
        change: '9 hotter',
      },
    ],
    [{ dose: gramsPer100Ml(1.466) }, 'C', { name: 'Leaf', change: '10 % more' }],
    [
      { window: { earliest: seconds(90), best: seconds(115), latest: seconds(150) } },
      'C',
      { name: 'First steep', right: '1:55, from 1:30 to 2:30', change: '0:10 longer' },
    ],
    [
      {
        scaling: {
          school: 'tapered',
          small: { water: millilitres(500), leaf: grams(6) },
          large: { water: millilitres(1000), leaf: grams(9) },
        },
      },
      'C',
      { name: 'School', right: 'tapered, 6 g in 500 ml to 9 g in 1000 ml', change: '' },
    ],
    [
      { later: [{ earliest: seconds(150), best: seconds(180), latest: seconds(210) }] },
      'C',
      { name: 'Later steeps', left: 'none', right: '3:00, from 2:30 to 3:30' },
    ],
    [{ lid: true }, 'C', { name: 'Lid', left: 'off', right: 'on' }],
  ] as [Partial<typeof a>, 'C' | 'F', object][])('%j is one line in words', (change, scale, want) =>
    expect(line(change, scale)).toEqual([expect.objectContaining(want)]),
  );
});

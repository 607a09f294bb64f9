import { type Method, METHOD_NAMES, spoonedDensity, startingRecipe } from '#core/recipes';
import { grams, millilitres, parseDuration, SPOONS } from '#core/units';
import { spoonValue } from './amountForm';
import { type RecipeForm } from './recipeFields';
import { holdText, recipeFormOf, recipeOf } from './recipeForm';

const recipe = startingRecipe('green-pan');
const density = spoonedDensity(null, 'whole');
const read = (
  over: Partial<RecipeForm>,
  scale: 'C' | 'F' = 'C',
  method: Method = 'pot',
  from = recipe,
) => {
  const units = { temperature: scale, volume: 'ml' } as const;
  const faults: Record<string, string> = {};
  const made = recipeOf(
    { ...recipeFormOf(from, units), ...over },
    { method, units, density },
    (name, why) => {
      faults[name] ??= why;
    },
  );
  return { made, faults };
};

test.each(['C', 'F'] as const)(
  'what a form shows of a recipe reads back as that recipe, in %s',
  (scale) => {
    const { made, faults } = read({}, scale);
    expect(faults).toEqual({});
    expect(made).toMatchObject({
      dose: recipe.dose,
      window: recipe.window,
      warm: recipe.warm,
      lid: recipe.lid,
      scaling: recipe.scaling,
    });
    expect(made?.temperature).toBeCloseTo(recipe.temperature, 1);
  },
);
test.each([
  ['2:30', 150],
  ['150', 150],
  ['150 s', 150],
  ['0:45', 45],
  ['90 sec', 90],
])('"%s" is %i s', (text, s) => expect(parseDuration(text)).toEqual({ kind: 'ok', value: s }));
test.each([
  ['12 h', 43_200],
  ['3:30 h', 12_600],
  ['10:00 h', 36_000],
  ['8 hours', 28_800],
])('"%s" is %i s', (text, s) => expect(parseDuration(text)).toEqual({ kind: 'ok', value: s }));
test.each(['2:75', 'soon', '', '3:80 h'])('"%s" is no time', (text) =>
  expect(parseDuration(text).kind).toBe('bad'),
);
test.each<[string, Partial<RecipeForm>, string, RegExp]>([
  ['a dose of nothing', { dose: '0' }, 'dose', /more than/],
  ['a dose in words', { dose: 'some' }, 'dose', /not a number/],
  ['Fahrenheit without its F', { temperature: '176' }, 'temperature', /Was it Fahrenheit/],
  ['ice', { temperature: '0' }, 'temperature', /ice/],
  ['best before earliest', { best: '1:00' }, 'best', /before earliest/],
  ['latest before best', { latest: '1:40' }, 'latest', /before best/],
  ['an hour and more', { latest: '61:00' }, 'latest', /hour/],
  [
    'a later steep in words',
    { later: [{ earliest: '2:30', best: 'soon', latest: '3:30' }] },
    'later.0.best',
    /not a time/,
  ],
  [
    'a later steep out of order',
    { later: [{ earliest: '2:30', best: '2:00', latest: '3:30' }] },
    'later.0.best',
    /before earliest/,
  ],
  ['a root of everything', { root: '80' }, 'root', /at most 50 %/],
  ['a stir after the lift', { stir: '1:00, 9:00' }, 'stir', /lifted before that stir/],
  ['leeway in words', { leewayTime: 'a bit' }, 'leewayTime', /not a number/],
  [
    'a larger vessel that is smaller',
    { school: 'tapered', smallWater: '800', smallLeaf: '9', largeWater: '500', largeLeaf: '7' },
    'largeWater',
    /more water/,
  ],
  [
    'a match with no vessel',
    { school: 'match', knownWater: '500', knownLeaf: '6' },
    'knownHold',
    /which vessel/,
  ],
])('%s is said at its field, and nothing is made', (_name, over, field, words) => {
  const { made, faults } = read(over);
  expect(made).toBeNull();
  expect(faults[field]).toMatch(words);
});
test('a decimal comma, an F after the heat, and later steeps are understood', () => {
  const { made } = read({
    dose: '1,45',
    temperature: '176 F',
    later: [
      { earliest: '2:30', best: '3:00', latest: '210' },
      { earliest: '4:30', best: '300', latest: '6:00' },
    ],
  });
  expect(made).toMatchObject({
    dose: 1.45,
    later: [
      { earliest: 150, best: 180, latest: 210 },
      { earliest: 270, best: 300, latest: 360 },
    ],
  });
  expect(made?.temperature).toBeCloseTo(80, 9);
});
test('a known cup keeps what holds it, and reads back', () => {
  const hold = {
    infuser: 'deep' as const,
    basket: millilitres(230),
    material: 'glass' as const,
    lid: false,
  };
  const { made } = read({
    school: 'match',
    knownWater: '500',
    knownLeaf: '6,5',
    knownHold: holdText(hold),
  });
  expect(made?.scaling).toEqual({ school: 'match', known: { ...hold, water: 500, leaf: 6.5 } });
  const again = made && recipeFormOf(made, { temperature: 'C', volume: 'ml' });
  expect(again).toMatchObject({
    school: 'match',
    knownWater: '500',
    knownLeaf: '6.5',
    knownHold: holdText(hold),
  });
  expect(grams(Number(again?.knownLeaf))).toBe(6.5);
});

test.each(METHOD_NAMES)(
  'the starting recipe of %s goes through its form and comes back the same',
  (method) => {
    const from = startingRecipe('black-broken', method);
    const { made, faults } = read({}, 'C', method, from);
    expect(faults).toEqual({});
    expect(made).toEqual({
      ...from,
      warmStart: from.warmStart && {
        ...from.warmStart,
        share: expect.closeTo(from.warmStart.share, 3) as number,
      },
    });
  },
);
test('hands, leeway, bags and glasses read back', () => {
  const { made } = read({
    rinse: '5',
    stir: '1:00, 90',
    circles: true,
    root: '20',
    milk: true,
    order: 'turns',
    leewayTime: '15',
    leewayLeaf: '0,3',
  });
  expect(made).toMatchObject({
    handling: {
      rinse: 5,
      stir: [60, 90],
      circles: true,
      root: 0.2,
      milk: true,
      order: 'turns',
      squeeze: false,
    },
    leeway: { time: 15, leaf: 0.3 },
    bag: null,
  });
  expect(read({ bag: '2,2' }, 'C', 'bag').made?.bag).toBe(2.2);
  expect(
    read(
      { glasses: [{ style: 'hot', extract: '40', water: '160' }] },
      'C',
      'extract',
      startingRecipe('black-broken', 'extract'),
    ).made?.glasses,
  ).toEqual([{ style: 'hot', extract: 40, water: 160 }]);
});
test.each<[string, Partial<RecipeForm>, Method, string, RegExp]>([
  [
    'hot water on a fridge brew',
    { temperature: '80' },
    'fridge',
    'temperature',
    /Cold water goes on/,
  ],
  ['hours in a pot', { latest: '2 h' }, 'pot', 'latest', /within the hour/],
  ['four days in the fridge', { latest: '90 h' }, 'fridge', 'latest', /three days/],
  ['no hot part', { hotShare: '' }, 'warmThenCold', 'hotShare', /number/],
])('%s is said at its field', (_name, over, method, field, words) => {
  const { made, faults } = read(over, 'C', method, startingRecipe('black-broken', method));
  expect(made).toBeNull();
  expect(faults[field]).toMatch(words);
});

describe('leaf in spoons', () => {
  const scoop = { ...SPOONS.usTablespoon, id: 'scoop', name: 'scoop', plural: 'scoops' };
  const inSpoons: Partial<RecipeForm> = {
    ...{ measuredIn: 'spoons', spoonCount: '1', spoonWater: '8 fl oz' },
    countedSpoon: spoonValue(scoop),
  };

  test('"1 scoop per 8 fl oz" is kept as that count, with the grams it holds', () => {
    const { made, faults } = read(inSpoons);
    expect(faults).toEqual({});
    expect(made?.spoons).toMatchObject({ quarters: 4, spoon: { name: 'scoop' } });
    expect(made?.spoons?.water).toBeCloseTo(236.588, 2);
    // 14.787 ml of whole leaf at 0.2 g a ml.
    expect(made?.dose).toBeCloseTo((100 * 14.787 * 0.2) / 236.588, 3);
  });
  test('what is shown reads back as the same count', () => {
    const { made } = read(inSpoons);
    const again = read({}, 'C', 'pot', made ?? recipe).made;
    expect(again?.spoons?.quarters).toBe(4);
    expect(again?.spoons?.water).toBeCloseTo(236.59, 2);
    expect(read({ measuredIn: 'grams' }, 'C', 'pot', made ?? recipe).made?.spoons).toBeUndefined();
  });
  test('a bag is never counted in spoons, whatever was chosen before', () => {
    const { made, faults } = read({ ...inSpoons, dose: '1.3' }, 'C', 'bag');
    expect(faults).toEqual({});
    expect([made?.dose, made?.spoons]).toEqual([1.3, undefined]);
  });
  test.each([
    [{ spoonCount: '0' }, 'spoonCount', /A count/],
    [{ spoonCount: '1.3' }, 'spoonCount', /quarters/],
    [{ spoonCount: '60' }, 'spoonCount', /no recipe/],
    [{ spoonWater: '5' }, 'spoonWater', /20 ml/],
    [{ spoonWater: 'a cupful' }, 'spoonWater', /not a/],
    [
      { school: 'tapered', smallWater: '300', smallLeaf: '4', largeWater: '600', largeLeaf: '7' },
      'measuredIn',
      /in step/,
    ],
  ] satisfies [Partial<RecipeForm>, string, RegExp][])(
    '%j is refused beside its field',
    (over, field, why) => {
      const { made, faults } = read({ ...inSpoons, ...over });
      expect(made).toBeNull();
      expect(faults[field]).toMatch(why);
    },
  );
});

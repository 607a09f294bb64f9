import { brewCup } from '#core/cup';
import {
  brewingOf,
  type Card,
  cardForCups,
  type CardInput,
  computeCard,
  MILK_AMOUNTS,
  MILK_SHARES,
  milkFor,
  NO_WISH,
  startingRecipe,
  type Wish,
  wishWords,
} from '#core/recipes';
import { STYLE_IDS, styleOf } from '#core/styles';
import { celsius, grams, millilitres, seconds, SPOONS } from '#core/units';
import type { VesselFacts } from '#core/vessels';

const POT: VesselFacts = {
  ...({ kind: 'pot', infuser: 'free', material: 'porcelain' } as const),
  ...{ brim: millilitres(1200), mark: millilitres(1000), basket: null },
  ...{ wallGrams: null, lid: true, dead: millilitres(12) },
};
const SITE = {
  ...{ altitudeM: 0, measuredBoiling: null, coldWater: celsius(12), ambient: celsius(20) },
  pourLoss: null,
  kettle: { volume: millilitres(1700), material: 'stainless' as const, lid: true },
};
const ask = (over: Partial<CardInput> = {}): CardInput => ({
  tea: { style: 'black-whole', fitted: null, weighing: null, spoon: SPOONS.dessertSpoon },
  recipe: startingRecipe('black-whole'),
  ...{ method: 'pot', vessel: POT, site: SITE, water: millilitres(500), warmed: true },
  ...over,
});
const forStyle = (style: (typeof STYLE_IDS)[number], over: Partial<CardInput> = {}): CardInput =>
  ask({ tea: { ...ask().tea, style }, recipe: startingRecipe(style), ...over });
const cardOf = (input: CardInput): Card => {
  const card = computeCard(input);
  if (card.kind !== 'card') throw new Error(card.kind);
  return card;
};
/** The whole model's cup of a card, with so much milk: not the quick one that a wish is worked out with. */
const tasteOf = (input: CardInput, card: Card, milk = 0) =>
  brewCup({
    ...brewingOf({
      ...{ tea: input.tea, recipe: input.recipe, vessel: input.vessel, water: card.water },
      ...{ leaf: card.leaf, onLeaf: card.onLeaf, time: card.window.best },
    }),
    milk,
  }).taste;
const wish = (over: Partial<Wish>): Wish => ({ ...NO_WISH, ...over });

describe.each(STYLE_IDS)('a guest’s wish with %s', (style) => {
  const house = cardOf(forStyle(style));
  const { range } = styleOf(style);
  test.each([1, -1] as const)('one step %i moves the strength by 0.8, leaf first', (strength) => {
    const input = forStyle(style, { wish: wish({ strength }) });
    const card = cardOf(input);
    const moved = tasteOf(input, card).strength - tasteOf(input, house).strength;
    expect(Math.sign(moved)).toBe(strength);
    expect(card.temperature).toBe(house.temperature);
    expect(card.window.best).toBeGreaterThanOrEqual(house.window.earliest);
    expect(card.window.best).toBeLessThanOrEqual(house.window.latest);
    const ends = [...range.dose.map((dose) => 5 * dose), 1.6 * house.leaf, house.leaf / 1.6];
    const isAtEnd = ends.some((end) => Math.abs(card.leaf - end) < 0.11);
    // Time moves only once the leaf is at the end of its range.
    if (!isAtEnd) expect(card.window.best).toBe(house.window.best);
    if (card.wished?.met) expect(Math.abs(moved * strength - 0.8)).toBeLessThan(0.105);
    else expect(isAtEnd).toBe(true);
    expect(card.wished?.steps).toBeCloseTo(moved / 0.8, 1);
  });
  test.each(MILK_AMOUNTS.filter((m) => m !== 'none'))('%s: hotter, as full as without', (milk) => {
    const input = forStyle(style, { wish: wish({ milk }) });
    const card = cardOf(input);
    expect(card.temperature).toBeGreaterThanOrEqual(house.temperature);
    expect(card.temperature).toBeLessThanOrEqual(Math.max(range.temperature[1], house.temperature));
    expect(card.leaf).toBeGreaterThanOrEqual(house.leaf);
    const full = tasteOf(input, card, MILK_SHARES[milk]).strength;
    if (card.wished?.met) expect(full).toBeGreaterThan(tasteOf(input, house).strength - 0.105);
    expect(card.milk).toBe(Math.round(MILK_SHARES[milk] * card.liquor));
  });
});

test('how many styles of seventeen the step is reached in, 500 ml in a pot', () => {
  const reached = (over: Partial<Wish>) =>
    STYLE_IDS.filter((s) => cardOf(forStyle(s, { wish: wish(over) })).wished?.met).length;
  expect({
    stronger: reached({ strength: 1 }),
    lighter: reached({ strength: -1 }),
    milk: reached({ milk: 'fifth' }),
  }).toEqual({ stronger: 17, lighter: 17, milk: 17 });
});
test('as the house has it is the card of the house, to the figure', () => {
  expect(cardOf(ask({ wish: NO_WISH }))).toEqual(cardOf(ask()));
  expect(cardOf(ask()).wished).toBeNull();
});
test('milk binds astringency: a fifth of milk in the same strength bites less', () => {
  const input = forStyle('black-large', { wish: wish({ milk: 'fifth' }) });
  const [card, house] = [cardOf(input), cardOf(forStyle('black-large'))];
  expect(tasteOf(input, card, 0.2).astringency).toBeLessThan(
    tasteOf(input, house).astringency - 0.5,
  );
});
test('a crammed basket takes no more leaf: the time moves, and the card says how much is reached', () => {
  const vessel = { ...POT, infuser: 'ball', basket: millilitres(31) } as const;
  const input = forStyle('black-whole', { vessel, wish: wish({ strength: 1 }) });
  const card = cardOf(input);
  const house = cardOf({ ...input, wish: NO_WISH });
  expect(card.leaf).toBeLessThanOrEqual(Math.max(house.leaf, 31 / 5));
  expect(card.window.best).toBeGreaterThan(house.window.best);
  expect(card.wished?.met).toBe(false);
  expect(card.wished?.steps).toBeGreaterThan(0.3);
});
test('bags stay whole: one bag steeps longer, four take a fifth', () => {
  const recipe = { ...startingRecipe('black-whole', 'bag'), bag: grams(2.5) };
  const of = (water: number) => {
    const input = ask({ recipe, method: 'bag', water: millilitres(water) });
    return { house: cardOf(input), card: cardOf({ ...input, wish: wish({ strength: 1 }) }) };
  };
  const small = of(200);
  expect([small.house.bags, small.card.bags]).toEqual([1, 1]);
  expect(small.card.window.best).toBeGreaterThan(small.house.window.best);
  const large = of(830);
  expect([large.house.bags, large.card.bags]).toEqual([4, 5]);
});
test('a wish in words', () => {
  expect(wishWords(wish({ strength: -1 }))).toBe('lighter');
  expect(wishWords(wish({ strength: 1, milk: 'fifth' }))).toBe('stronger, a fifth of milk');
  expect(wishWords(NO_WISH)).toBe('');
  expect(milkFor('splash', millilitres(200))).toBe(10);
});

describe('cups of a size', () => {
  test('four of 240 ml pour 960 after leaf and what stays in the pot: by hand', () => {
    const { water, card } = cardForCups(ask({ water: millilitres(1) }), {
      ...{ count: 4, each: millilitres(240) },
    });
    if (card.kind !== 'card') throw new Error(card.kind);
    // 1.2 g per 100 ml keeps 3 ml a gram, 12 ml stay in the pot: (960 + 12) / (1 - 0.036) = 1008.3
    expect(water).toBeCloseTo(1008.3, 0);
    expect(card.leaf).toBeCloseTo(12.1, 6);
    expect(card.liquor).toBeCloseTo(960, 0);
  });
  test.each(STYLE_IDS)('%s: within 1 ml, with and without a wish', (style) => {
    for (const strength of [-1, 0, 1] as const)
      for (const count of [1, 2, 3, 5]) {
        const input = forStyle(style, { wish: wish({ strength }) });
        const { card } = cardForCups(input, { count, each: millilitres(177) });
        if (card.kind !== 'card') throw new Error(card.kind);
        expect(Math.abs(card.liquor - 177 * count)).toBeLessThan(1);
      }
  });
  test('a pot too small says so', () => {
    const { card } = cardForCups(ask(), { count: 6, each: millilitres(240) });
    expect(card).toMatchObject({ kind: 'overBrim', brim: 1200 });
  });
});
test('a recipe so moved keeps its window', () => {
  const card = cardOf(ask({ wish: wish({ strength: 1 }) }));
  expect(card.window.earliest).toBe(seconds(180));
  expect(card.window.latest).toBe(seconds(300));
});

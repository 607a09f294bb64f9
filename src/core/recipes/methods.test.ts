import { boilingAt, cooled, coolingRate } from '#core/heat';
import { packetMeanings, readPacket } from '#core/packets';
import {
  computeCard,
  glassWords,
  handlingWords,
  type KettleFacts,
  knownGoodStart,
  leewayWords,
  METHOD_NAMES,
  packetKettle,
  packetStart,
  PLAIN_HANDLING,
  type Recipe,
  recipeFault,
  spoonSpread,
  startingRecipe,
  styleStarts,
  warmStartWords,
  weighingOf,
  workOutCold,
} from '#core/recipes';
import { STYLE_IDS } from '#core/styles';
import { celsius, grams, gramsPer100Ml, metres, millilitres, seconds, SPOONS } from '#core/units';
import type { VesselFacts } from '#core/vessels';

const pitcher: VesselFacts = {
  kind: 'pitcher',
  brim: millilitres(1150),
  mark: millilitres(1000),
  infuser: 'deep',
  basket: millilitres(300),
  material: 'glass',
  wallGrams: null,
  lid: true,
};
const tea = {
  style: 'green-pan' as const,
  fitted: null,
  weighing: null,
  spoon: SPOONS.dessertSpoon,
};

test('every style has a sound starting recipe for every method', () => {
  for (const style of STYLE_IDS)
    for (const method of METHOD_NAMES)
      expect([style, method, recipeFault(startingRecipe(style, method), method)]).toEqual([
        style,
        method,
        null,
      ]);
});
describe('cold', () => {
  // Common practice: plain fine green, 5 g in up to 500 ml, best at 3 to 5 h.
  test('fine green in the fridge', () => {
    const r = startingRecipe('green-pan', 'fridge');
    expect([r.dose, r.window.earliest / 3600, r.window.latest / 3600]).toEqual([1, 3, 5]);
    expect(workOutCold(tea, r, pitcher, millilitres(500))).toMatchObject({
      kind: 'coldCard',
      leaf: 5,
      hotFirst: null,
    });
  });
  // Common practice: black overnight in the fridge.
  test('black overnight', () =>
    expect(startingRecipe('black-whole', 'fridge').window.best / 3600).toBe(10));
  // Common practice: 2 g per 100 ml, a third of the water at 80 C on the leaf, lid off, 1 min.
  test('warm, then cold: a third of the water goes on hot', () => {
    const r = startingRecipe('green-pan', 'warmThenCold');
    expect(workOutCold(tea, r, pitcher, millilitres(900))).toMatchObject({
      leaf: 18,
      hotFirst: { water: 300, temperature: 80 },
    });
    expect(warmStartWords(r, 'C')).toBe(
      '33 % of the water on hot, 80 °C, lid off, 1:00; then the rest cold.',
    );
  });
  test('over the brim, nothing, and too little to cover the leaf are said', () => {
    const r = startingRecipe('green-pan', 'fridge');
    expect(
      [1200, 0, 100].map(
        (ml) => workOutCold(tea, r, { ...pitcher, covers: millilitres(120) }, millilitres(ml)).kind,
      ),
    ).toEqual(['overBrim', 'noWater', 'belowBasket']);
  });
  test('what stays in the vessel does not pour', () => {
    const r = startingRecipe('green-pan', 'fridge');
    const [all, some] = [pitcher, { ...pitcher, dead: millilitres(40) }].map((v) =>
      workOutCold(tea, r, v, millilitres(1000)),
    );
    expect(all?.kind === 'coldCard' && some?.kind === 'coldCard' && all.liquor - some.liquor).toBe(
      40,
    );
  });
  test('extract in the glass: extract first, hot water poured straight into the extract', () => {
    expect(
      glassWords({ style: 'hot', extract: millilitres(40), water: millilitres(160) }, 'ml'),
    ).toBe('hot: 40 ml in the glass first, then 160 ml hot water poured straight into the extract');
  });
});

describe('bags are counted', () => {
  const cup: VesselFacts = {
    kind: 'mug',
    brim: millilitres(380),
    mark: millilitres(320),
    infuser: 'tetra',
    basket: millilitres(28),
    material: 'porcelain',
    wallGrams: null,
    lid: false,
  };
  const site = {
    altitudeM: 0,
    measuredBoiling: null,
    coldWater: celsius(12),
    ambient: celsius(20),
    pourLoss: null,
    kettle: { volume: millilitres(1700), material: 'stainless' as const, lid: true },
  };
  test.each([
    [150, 1],
    [320, 2],
  ])('%i ml take %i bags of 2.2 g', (ml, bags) => {
    const card = computeCard({
      tea: { ...tea, style: 'black-broken' },
      recipe: { ...startingRecipe('black-broken', 'bag'), bag: grams(2.2) },
      method: 'bag',
      vessel: cup,
      site,
      water: millilitres(ml),
      warmed: true,
    });
    expect(card).toMatchObject({
      kind: 'card',
      bags,
      leaf: expect.closeTo(bags * 2.2, 6) as number,
      spoons: null,
      pull: { act: 'Take the bag out' },
    });
  });
});

const SITE: KettleFacts = {
  altitudeM: 0,
  measuredBoiling: null,
  ambient: celsius(20),
  kettle: { volume: millilitres(1000), material: 'stainless', lid: false },
};
describe('where a recipe begins', () => {
  test('both schools where practitioners disagree, each named', () => {
    const starts = styleStarts('green-pan');
    expect(
      starts.map((s) => [s.recipe.dose, s.recipe.origin.includes('school')]).slice(0, 2),
    ).toEqual([
      [1.333, true],
      [0.667, true],
    ]);
    // A steamed green: 30 s at 4 g per 400 ml, 80 C.
    expect(styleStarts('green-steamed').at(-1)?.recipe).toMatchObject({
      dose: 1,
      temperature: 80,
      window: { best: 30 },
    });
    expect(styleStarts('white')).toHaveLength(1);
  });
  test('the packet: its dose, heat and time; the rest is the style’s', () => {
    const text = '1 tbsp per 8 fl oz, 185 F, 2-3 minutes';
    const [m] = packetMeanings(readPacket(text), {
      density: (2.1 / 10) as never,
      usual: gramsPer100Ml(1.333),
    });
    const start = packetStart('green-pan', readPacket(text), m ?? null, SITE);
    expect(start?.recipe).toMatchObject({
      dose: 1.33,
      temperature: 80,
      window: { earliest: 120, best: 150, latest: 180 },
      origin: 'the packet',
      lid: false,
    });
    expect(packetStart('green-pan', readPacket('A fine tea'), null, SITE)).toBeNull();
  });
  // Common practice: boiling water into a warmed pot stays above 90.
  test('boiling on the packet is about 94 on the leaf', () =>
    expect(
      packetStart('black-whole', readPacket('Boiling water, 4 minutes'), null, SITE)?.recipe
        .temperature,
    ).toBe(94));
  test('one time on the packet becomes a window about it', () =>
    expect(packetStart('black-whole', readPacket('4 minutes'), null, SITE)?.recipe.window).toEqual({
      earliest: 205,
      best: 240,
      latest: 290,
    }));
  test('a wait off the boil is worked out by the kettle: its own cooling, and what boils at the site', () => {
    const waited = readPacket('Boil, let it stand for 5 minutes, then steep 3 minutes');
    const expected = cooled(
      boilingAt(metres(0)),
      celsius(20),
      coolingRate(SITE.kettle),
      seconds(300),
    );
    expect(packetKettle(waited, SITE)).toBeCloseTo(expected, 9);
    expect(expected).toBeLessThan(93);
    // A kettle fitted to fall by a tenth of its heat over the room in five minutes.
    const fitted: KettleFacts = {
      ...SITE,
      kettle: { ...SITE.kettle, rate: { a: -Math.log(0.9) / 300, b: 0 } },
    };
    expect(packetKettle(waited, fitted)).toBeCloseTo(20 + 80 * 0.9, 1);
    expect(packetStart('green-pan', waited, null, fitted)?.recipe.temperature).toBeLessThan(90);
    const hut: KettleFacts = { ...SITE, altitudeM: 1650 };
    expect(packetKettle(readPacket('boiling water'), hut)).toBeCloseTo(94.5, 0);
  });
  test('a cold method takes the packet’s hours, a hot one its minutes', () => {
    const cold = readPacket('10 g per litre, 6-8 hours in the fridge');
    const [m] = packetMeanings(cold, { density: null, usual: gramsPer100Ml(1) });
    expect(packetStart('green-pan', cold, m ?? null, SITE, 'fridge')?.recipe).toMatchObject({
      dose: 1,
      window: { earliest: 21600, latest: 28800 },
      warm: false,
    });
    expect(packetStart('green-pan', readPacket('2 minutes'), null, SITE, 'fridge')).toBeNull();
    expect(packetStart('green-pan', cold, null, SITE)).toBeNull();
  });
  test('a vessel that is known good gives its dose', () => {
    expect(knownGoodStart(startingRecipe('oolong-light'), 6, 450, 'Grey pot').recipe).toMatchObject(
      { dose: 1.33, origin: '6 g in 450 ml, the Grey pot', scaling: { school: 'linear' } },
    );
    expect(() => knownGoodStart(startingRecipe('oolong-light'), 0, 450, '')).toThrow(RangeError);
  });
});

test('what hands do, in the order they do it', () => {
  const r: Recipe = {
    ...startingRecipe('oolong-light'),
    later: [startingRecipe('oolong-light').window],
    leeway: { time: seconds(15), leaf: grams(0.3) },
    handling: {
      rinse: seconds(5),
      stir: [seconds(60)],
      circles: true,
      root: 0.2,
      squeeze: false,
      milk: false,
      order: 'turns',
    },
  };
  expect(handlingWords(r)).toEqual([
    'Rinse 5 s and pour it away.',
    'Pour slowly, in circles.',
    'Stir at 1:00.',
    'Keep a root: about 20 % stays under the leaf.',
    'Serve in turns, 1-2-3 and back 3-2-1.',
  ]);
  expect(handlingWords({ ...r, handling: PLAIN_HANDLING })).toEqual(['Drain to the last drop.']);
  expect(leewayWords(r)).toBe('Staff may go ±15 s, ±0.3 g.');
});

test('five spoons weighed one by one tell how even they are', () => {
  const w = weighingOf(SPOONS.dessertSpoon, [2.4, 2.6, 2.5, 2.9, 2.6].map(grams));
  expect([w.spoons, w.weighed]).toEqual([5, expect.closeTo(13, 9)]);
  // Mean 2.6 and sample standard deviation 0.1871, by hand.
  expect(spoonSpread(w)).toEqual({
    mean: expect.closeTo(2.6, 9) as number,
    sd: expect.closeTo(0.18708, 4) as number,
  });
  expect(spoonSpread({ ...w, singles: w.singles.slice(0, 2) })).toBeNull();
  expect(() => weighingOf(SPOONS.dessertSpoon, [])).toThrow(RangeError);
});

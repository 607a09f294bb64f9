import fc from 'fast-check';
import { planOf } from '#core/brews';
import {
  arrivalFor,
  beforePour,
  boilingAt,
  type HouseKettle,
  nearestSetting,
  settingsOf,
  WARMED_WALL,
} from '#core/heat';
import { STYLE_IDS, type StyleId, styleOf } from '#core/styles';
import { celsius, grams, metres, millilitres } from '#core/units';
import { cardOfPour, potPour, TEST_POT, TEST_SITE } from '../testing/potPour';
import { type Card, kettleSigns, signsOf, suitsBest } from '.';

const POINTS = { from: celsius(60), to: celsius(100), step: 5 };
const TALL: HouseKettle = {
  ...({ name: 'Tall kettle', kind: 'kettle', material: 'stainless', lid: false } as const),
  ...{ volume: millilitres(1200), setPoints: POINTS, rate: null, pourLoss: 0.08 },
};
const OPEN: HouseKettle = { ...TALL, name: 'Stove kettle', setPoints: null, pourLoss: null };
const URN: HouseKettle = {
  ...({ ...OPEN, name: 'Counter urn', kind: 'urn', lid: true } as const),
  volume: millilitres(8000),
};

type Asked = { style?: StyleId; altitudeM?: number; water?: number };
const pour = (
  kettle: HouseKettle | null,
  { style = 'green-pan', altitudeM = 0, water = 500 }: Asked = {},
) =>
  potPour(style, {
    vessel: { ...TEST_POT, infuser: 'free', basket: null, brim: millilitres(2000) },
    site: { ...TEST_SITE, altitudeM },
    ...{ water: millilitres(water), kettle },
  });
const cardFor = (...of: Parameters<typeof pour>): Card => cardOfPour(pour(...of));

describe('a setting', () => {
  test('is the nearest that the kettle has; of two as near the cooler', () => {
    expect(settingsOf(POINTS)).toEqual([60, 65, 70, 75, 80, 85, 90, 95, 100]);
    expect([84, 87.4, 87.5, 87.6, 20, 120].map((t) => nearestSetting(POINTS, celsius(t)))).toEqual([
      85, 85, 85, 90, 60, 100,
    ]);
    expect(settingsOf({ from: celsius(80), to: celsius(99), step: 0.5 })).toHaveLength(39);
  });
  test('no card of any style ever asks for another', () => {
    for (const style of STYLE_IDS)
      for (const altitudeM of [0, 1500]) {
        const { kettle } = cardFor(TALL, { style, altitudeM });
        expect(settingsOf(POINTS)).toContain(kettle?.set);
      }
  });
  test('what it gives on the leaf goes back to it, to half a degree (both ways, by the models of pour and wall)', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...STYLE_IDS),
        fc.integer({ min: 200, max: 1500 }),
        (style, water) => {
          const card = cardFor(TALL, { style, water });
          const arrive = arrivalFor(card.onLeaf, {
            ...{ water: grams(water), material: 'porcelain', capacity: millilitres(2000) },
            ...{ wallAt: WARMED_WALL, leaf: card.leaf, leafAt: celsius(20) },
          });
          const boils = boilingAt(metres(0));
          const back = beforePour(arrive, celsius(20), 0.08);
          expect(Math.abs(back - Math.min(card.kettle?.set ?? 0, boils))).toBeLessThan(0.5);
        },
      ),
      { numRuns: 200, seed: 20261130 },
    ));
  test('is what the forecast and the plan reckon with, not the recipe’s own heat', () => {
    const card = cardFor(TALL);
    expect(card.onLeaf).not.toBe(card.temperature);
    expect(card.onLeaf - card.temperature).toBeCloseTo(card.kettle?.off ?? NaN, 9);
    expect(Math.abs(card.kettle?.off ?? NaN)).toBeLessThan(2.6);
    const plan = planOf(card, pour(TALL));
    expect(plan).toMatchObject({ kettle: card.kettle?.set, onLeaf: card.onLeaf, splash: null });
    expect(plan.kettleUsed).toEqual({ name: 'Tall kettle', set: card.kettle?.set, wait: null });
  });
  test('above what water boils at here gives what boiling gives', () => {
    const high = cardFor(TALL, { style: 'oolong-dark', altitudeM: 2500 });
    expect(high.heat.kind).toBe('outOfReach');
    expect(high.onLeaf).toBeLessThan(boilingAt(metres(2500)));
    expect(high.kettle?.off).toBeLessThan(0);
  });
});

describe('a kettle that only boils', () => {
  test('has no setting: cold water first, or a wait by its own cooling', () => {
    const open = cardFor(OPEN);
    expect(open.kettle?.set).toBeNull();
    expect(open.kettle?.wait).toBeGreaterThan(60);
    expect(open.onLeaf).toBe(open.temperature);
    // A large urn with its lid on keeps its heat for longer than anybody waits.
    expect(cardFor(URN).kettle?.wait).toBeNull();
  });
  test('says how its water sounds and steams, an urn does not', () => {
    const wanted = cardFor(OPEN).kettle?.wanted ?? celsius(0);
    expect(signsOf(OPEN, wanted)).toBe('a loud rumble, steady steam');
    expect([signsOf(URN, wanted), signsOf(TALL, wanted)]).toEqual([null, null]);
    const heard = [60, 72, 80, 88, 96].map((t) => kettleSigns(celsius(t)));
    expect(new Set(heard).size).toBe(5);
  });
  test('no kettle chosen is the card of before', () => {
    const card = cardFor(null);
    expect(card.kettle).toBeNull();
    expect(card.onLeaf).toBe(styleOf('green-pan').start.temperature);
    expect(planOf(card, pour(null))).not.toHaveProperty('kettleUsed');
  });
});

test('it holds within 5 °C for as long as it takes to fall so far', () => {
  const [open, urn] = [cardFor(OPEN).kettle?.holds ?? 0, cardFor(URN).kettle?.holds ?? 0];
  expect(open).toBeGreaterThan(100);
  expect(urn).toBeGreaterThan(3 * open);
});
test('more water than it holds is filled again', () =>
  expect([500, 1080, 1500].map((water) => cardFor(TALL, { water }).kettle?.fillings)).toEqual([
    1, 1, 2,
  ]));
test('of several the nearest on the leaf suits, then the one filled once, then the one that holds', () => {
  const served = (water: number) =>
    [TALL, OPEN, URN].flatMap((kettle) => {
      const used = cardFor(kettle, { water }).kettle;
      return used ? [{ used }] : [];
    });
  // At 80 °C on the leaf a setting misses by more than a degree; what boils is as exact as its splash.
  expect(suitsBest(served(500))?.used.name).toBe('Counter urn');
  expect(suitsBest([])).toBeNull();
  expect(suitsBest(served(500).slice(0, 1))?.used.name).toBe('Tall kettle');
});

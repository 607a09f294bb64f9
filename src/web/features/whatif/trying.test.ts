import { cardOf } from '#core/brews';
import { startingRecipe } from '#core/recipes';
import { celsius, grams, millilitres, SPOONS } from '#core/units';
import type { Site } from '#contracts/sites';
import { sampleSite, sampleVessel } from '../../testing/samples';
import { brewTried, differs, hottestOnLeaf, houseIn, rangesOf, recipeTried } from './trying';

const site = sampleSite;
const vessel = sampleVessel;
const recipe = startingRecipe('black-whole');
const tea = {
  style: 'black-whole' as const,
  fitted: null,
  swatches: null,
  measure: { weighing: null, spoon: SPOONS.dessertSpoon },
  lots: [],
};
const home = houseIn(tea, recipe, vessel(), site);

test('trying starts at the house recipe in the vessel', () =>
  expect(home).toMatchObject({
    leaf: 6,
    temperature: 90,
    time: 240,
    water: 500,
    infuser: 'deep',
    agitation: 'still',
    altitudeM: 4,
  }));
test('what differs is named; more leaf in more water is no other leaf', () => {
  expect(differs(home, home)).toEqual([]);
  expect(differs({ ...home, water: 250, leaf: 3 }, home)).toEqual([]);
  expect(differs({ ...home, leaf: 7, time: 200, agitation: 'stirred' }, home)).toEqual([
    'leaf',
    'time',
    'stirring',
  ]);
  expect(differs({ ...home, vessel: vessel({ id: 'w' }), infuser: 'ball' }, home)).toEqual([
    'vessel',
  ]);
});
test('heat that cannot be reached is what can', () => {
  const high = { ...home, altitudeM: 3000, temperature: 98 };
  const most = hottestOnLeaf(high, site);
  expect(most).toBeLessThan(88);
  expect(brewTried(tea, recipe, high, site).temperature).toBe(most);
  expect(brewTried(tea, recipe, { ...home, temperature: 80 }, site).temperature).toBe(80);
});
test('a measured boiling point is used at home, not where one pretends to be', () => {
  const measured = { ...site, measuredBoiling: celsius(95) } as Site;
  expect(hottestOnLeaf(home, measured)).toBeLessThan(hottestOnLeaf(home, site));
  expect(hottestOnLeaf({ ...home, altitudeM: 100 }, measured)).toBeGreaterThan(
    hottestOnLeaf(home, measured),
  );
});
test('another infuser takes its own usual room, the vessel’s own stays with its own', () => {
  expect(
    brewTried({ ...tea, style: 'white' }, recipe, { ...home, infuser: 'ball' }, site).basket,
  ).toBeNull();
  expect(brewTried({ ...tea, style: 'white' }, recipe, home, site).basket).toBe(230);
});
test('as a recipe: dose by the water, the window moved with its best, in order', () => {
  const made = recipeTried(recipe, { ...home, leaf: 7.5, temperature: 86, time: 200 }, home);
  expect(made).toMatchObject({
    dose: 1.5,
    temperature: 86,
    scaling: { school: 'linear' },
    window: { earliest: 150, best: 200, latest: 250 },
    warm: recipe.warm,
  });
  expect(made.window.earliest).toBeLessThanOrEqual(made.window.best);
  expect(recipeTried(recipe, { ...home, time: 5 }, home).window.earliest).toBeGreaterThan(0);
});
test('the rules hold the style’s working range with room around it', () => {
  const r = rangesOf('black-whole', 500);
  expect(r.leaf[0]).toBeLessThan(4);
  expect(r.leaf[1]).toBeGreaterThan(9);
  expect(r.temperature).toEqual([70, 100]);
  expect(r.time[1]).toBeGreaterThanOrEqual(360);
  expect(grams(r.leaf[0])).toBeGreaterThan(0);
});

describe('a recipe of another school', () => {
  const known = {
    water: millilitres(300),
    leaf: grams(4),
    infuser: 'deep',
    basket: millilitres(120),
    material: 'porcelain',
    lid: true,
  } as const;
  const tapered = {
    ...recipe,
    scaling: {
      school: 'tapered',
      small: { water: millilitres(300), leaf: grams(4) },
      large: { water: millilitres(1000), leaf: grams(10) },
    },
  } as const;
  const matched = { ...recipe, scaling: { school: 'match', known } } as const;
  test('starts with the leaf that school gives in the vessel, as the card does', () => {
    for (const r of [tapered, matched]) {
      const v = vessel({ mark: millilitres(600), brim: millilitres(720) });
      const card = cardOf({
        tea,
        version: { recipe: r },
        vessel: v,
        site,
        water: v.mark,
        warmed: true,
      });
      expect(card.kind === 'card' && card.leaf).toBe(houseIn(tea, r, v, site).leaf);
    }
    expect(houseIn(tea, tapered, vessel({ mark: millilitres(300) }), site).leaf).toBe(4);
  });
  test('a trial of it stays of that school, with the leaf in its known vessels moved alike', () => {
    const at = houseIn(tea, tapered, vessel(), site);
    expect(recipeTried(tapered, { ...at, leaf: at.leaf * 1.25 }, at).scaling).toEqual({
      school: 'tapered',
      small: { water: 300, leaf: 5 },
      large: { water: 1000, leaf: 12.5 },
    });
    expect(recipeTried(tapered, { ...at, time: 200 }, at)).toMatchObject({
      dose: recipe.dose,
      scaling: tapered.scaling,
    });
    const m = houseIn(tea, matched, vessel(), site);
    expect(recipeTried(matched, { ...m, leaf: m.leaf / 2 }, m).scaling).toEqual({
      school: 'match',
      known: { ...known, leaf: 2 },
    });
  });
  test('the trial brews what was tried, in the vessel it was tried in', () => {
    for (const r of [recipe, tapered, matched]) {
      const at = houseIn(tea, r, vessel(), site);
      const made = recipeTried(r, { ...at, leaf: at.leaf * 1.2 }, at);
      expect(Math.abs(houseIn(tea, made, vessel(), site).leaf - at.leaf * 1.2)).toBeLessThan(0.2);
    }
  });
});

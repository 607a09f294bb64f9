import { grams, gramsPer100Ml, gramsPerMl } from '#core/units';
import { dayFault, leafAdvice, leafWords, lotNow, missedAllergens, packetMeanings, readPacket } from '#core/teas';

describe('a packet’s words', () => {
  test.each<[string, number, number, string, number | 'cup', number | null, [number, number] | null]>([
    ['1 tsp per cup, 80°C, 2-3 minutes', 1, 1, 'teaspoon', 'cup', 80, [120, 180]],
    ['Use 1 tablespoon per 8 fl oz. 212 F. Steep 3 to 5 min', 1, 1, 'tablespoon', 236.588, 100, [180, 300]],
    ['6 g per 500 ml at 90-95 °C for 4 minutes', 6, 6, 'gram', 500, 92.5, [240, 240]],
    ['1½ level teaspoons to 250ml, boiling water, 2:30', 1.5, 1.5, 'teaspoon', 250, 100, [150, 150]],
    ['One heaped teaspoon in a mug of boiling water, 5 mins', 1, 1, 'teaspoon', 'cup', 100, [300, 300]],
    ['2-3 g/150ml, 175°F, 90 sec', 2, 3, 'gram', 150, 79.44, [90, 90]],
    ['4 level tsp per litre, 85 C, 3 min', 4, 4, 'teaspoon', 1000, 85, [180, 180]],
    ['1 1/2 tbsp per 12 oz, 185F, 1-2 minutes', 1.5, 1.5, 'tablespoon', 354.88, 85, [60, 120]],
    ['1 bag per 200 ml, 100°, 3 minutes', 1, 1, 'bag', 200, 100, [180, 180]],
    ['2,5 g per 2 dl or 200 ml; 70 C; 60 s', 2.5, 2.5, 'gram', 200, 70, [60, 60]],
    ['1 tbsp per 8 fl oz, cold water, fridge 10-12 hours', 1, 1, 'tablespoon', 236.588, null, [36_000, 43_200]],
  ])('%s', (text, low, high, unit, water, heat, time) => {
    const p = readPacket(text);
    expect([p.leaf?.low, p.leaf?.high, p.leaf && (p.leaf.unit === 'spoon' ? p.leaf.spoon : p.leaf.unit)]).toEqual([low, high, unit]);
    if (water === 'cup') expect(p.water).toEqual({ kind: 'cups', cups: 1 });
    else expect(p.water?.kind === 'ml' ? p.water.ml : NaN).toBeCloseTo(water, 1);
    if (heat === null) expect(p.heat).toBeNull();
    else expect(p.heat).toBeCloseTo(heat, 1);
    expect(p.time && [p.time.from, p.time.to]).toEqual(time);
  });
  test.each(['', 'Brew to taste.', 'Just off the boil', 'A fine tea from the north slope, picked in May'])('"%s" gives no figures', (text) => {
    const p = readPacket(text);
    expect([p.water, p.heat, p.time]).toEqual([null, null, null]);
  });
});

describe('what a packet means for one tea', () => {
  // P01: a level teaspoon of broken black is about 2.5 to 3 g; P05 and P02: densities from 0.13 to 0.54 g/ml.
  const broken = gramsPerMl(2.75 / 5);
  const usual = gramsPer100Ml(1.2);
  test('"1 tsp per cup" of a broken black: three cups, and the teacup is not the likeliest at 1.8 g per 100 ml', () => {
    const all = packetMeanings(readPacket('1 tsp per cup'), { density: broken, usual });
    expect(all.map((m) => [m.water.toFixed(0), m.leaf.toFixed(2), m.dose.toFixed(2), m.likeliest])).toEqual([['150', '2.75', '1.83', false], ['237', '2.75', '1.16', true], ['250', '2.75', '1.10', false]]);
    expect(all.every((m) => m.slip === null)).toBe(true);
  });
  test('a tablespoon of it where a teaspoon was meant is three times the leaf, and is asked about', () => {
    const [m] = packetMeanings(readPacket('1 tbsp per 8 fl oz'), { density: broken, usual });
    expect(m?.dose).toBeCloseTo(3.487, 2);
    expect(m?.slip).toEqual({ spoon: 'teaspoon', dose: expect.closeTo(1.162, 2) as number });
  });
  test('a teaspoon of fluffy leaf is a third of what is wanted, and is asked about', () => {
    const [m] = packetMeanings(readPacket('1 tsp per 8 fl oz'), { density: gramsPerMl(0.13), usual: gramsPer100Ml(1) });
    expect(m?.slip?.spoon).toBe('tablespoon');
  });
  test('grams need no weighing, spoons and bags do, and words with no leaf or water mean nothing', () => {
    expect(packetMeanings(readPacket('6 g per 500 ml'), { density: null, usual })[0]?.dose).toBeCloseTo(1.2, 9);
    expect(packetMeanings(readPacket('1 tsp per cup'), { density: null, usual })).toEqual([]);
    expect(packetMeanings(readPacket('1 bag per 200 ml'), { density: broken, usual })).toEqual([]);
    expect(packetMeanings(readPacket('1 bag per 200 ml'), { density: null, bag: grams(2.2), usual })[0]?.leaf).toBe(2.2);
    expect(packetMeanings(readPacket('80 C, 2 min'), { density: broken, usual })).toEqual([]);
  });
  test('a heaped spoon holds half as much again', () => {
    const [level] = packetMeanings(readPacket('1 tsp per 200 ml'), { density: broken, usual });
    const [heaped] = packetMeanings(readPacket('1 heaped tsp per 200 ml'), { density: broken, usual });
    expect((heaped?.leaf ?? 0) / (level?.leaf ?? 1)).toBeCloseTo(1.5, 9);
  });
});

test.each<[string, string, string[]]>([
  ['black tea, almond pieces', '', ['nuts']], ['black tea, almond pieces', 'almond', []], ['rooibos, caramel, malt', 'milk', ['gluten']], ['green tea, jasmine flowers', '', []], ['Buttermere leaf', '', []],
])('blend "%s" with allergens "%s" misses %j', (blend, allergens, missed) => expect(missedAllergens(blend, allergens)).toEqual(missed));

test('a lot and its best-before day', () => {
  expect(lotNow(null, '2026-11-25')).toEqual({ kind: 'fine' });
  expect(lotNow('2027-06-01', '2026-11-25')).toEqual({ kind: 'fine' });
  expect(lotNow('2026-12-05', '2026-11-25')).toEqual({ kind: 'soon', days: 10 });
  expect(lotNow('2026-11-20', '2026-11-25')).toEqual({ kind: 'past', days: 5 });
});
test.each([['2026-03-14', null], ['2026-02-30', 'There is no such day.'], ['14.3.2026', 'Write the day as 2026-03-14.'], ['2028-02-29', null]])('day %s: %s', (text, fault) => expect(dayFault(text)).toBe(fault));
test('leaf in words, and what it asks of the brewer', () => {
  expect(leafWords({ form: 'pearl', season: 'spring', traits: ['scented'] })).toBe('pearls, spring, scented');
  expect(leafAdvice({ form: null, season: 'summer', traits: ['dusted'] })).toHaveLength(2);
  expect(leafAdvice({ form: null, season: null, traits: [] })).toEqual([]);
});

import { type Packet, packetMeanings, readPacket } from '#core/packets';
import { grams, gramsPer100Ml, gramsPerMl, millilitres } from '#core/units';
import { corpusRows } from './corpus';

const range = (r: { from: number; to: number } | null) => r && [r.from, r.to];
function waterOf({ water }: Packet) {
  if (!water) return null;
  if (water.kind === 'ml') return { ml: water.ml };
  return water.kind === 'cups' ? { cups: water.cups } : { vessels: water.vessels };
}
/** Alike to a hundredth of what was printed: ounces and Fahrenheit are written rounded in the corpus. */
function expectAlike(got: unknown, wanted: unknown) {
  const near = (value: unknown): unknown => {
    if (typeof value === 'number') return expect.closeTo(value, 1.5) as number;
    if (Array.isArray(value)) return value.map(near);
    if (typeof value === 'object' && value !== null) {
      return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, near(v)]));
    }
    return value;
  };
  expect(got).toEqual(near(wanted));
}

describe('the corpus of advice lines', () => {
  const rows = corpusRows();
  test('is large, and holds lines with nothing to read', () => {
    expect(rows.length).toBeGreaterThanOrEqual(80);
    const empty = rows.filter((r) => !r.leaf && !r.water && !r.heatC && !r.steepSeconds);
    expect(empty.length).toBeGreaterThanOrEqual(4);
  });
  test.each(rows.map((r) => [r.text, r] as const))('%s', (text, row) => {
    const p = readPacket(text);
    const leaf = p.leaf && {
      low: p.leaf.low,
      high: p.leaf.high,
      unit: p.leaf.unit,
      heaped: p.leaf.heaped,
    };
    expectAlike(leaf, row.leaf);
    expectAlike(waterOf(p), row.water);
    expectAlike(p.heat && [p.heat.low, p.heat.high], row.heatC);
    expect(range(p.wait)).toEqual(row.waitSeconds);
    expect(range(p.time)).toEqual(row.steepSeconds);
  });
});

describe('figures that are not the recipe’s', () => {
  test.each<[string, keyof Packet]>([
    ['Harvested at 1,200 m.', 'time'],
    ['Lot 12. 50 g.', 'leaf'],
    ['Organic tea 100 g. Brew 3-5 min.', 'leaf'],
    ['Do not exceed 3 cups a day', 'water'],
    ['Let the tea cool for 5 minutes before drinking.', 'wait'],
    ['2/3 min', 'time'],
    ['Serve at 60 °C.', 'heat'],
    ['Add 200 ml milk', 'water'],
    ['One teaspoon of honey', 'leaf'],
    ['First pour 50 ml cool water, then 100 ml boiling water', 'water'],
    ['Steep 3', 'time'],
  ])('%s says nothing of %s', (text, field) => expect(readPacket(text)[field]).toBeNull());
});

test('what was not understood is named, clause by clause', () => {
  const parts = readPacket('3 g per 200 ml. Whisper to the leaf, 2 min.').parts;
  expect(parts.filter((p) => !p.read).map((p) => p.text)).toEqual(['Whisper to the leaf,']);
  expect(parts.map((p) => p.text).join(' ')).toBe('3 g per 200 ml. Whisper to the leaf, 2 min.');
});
test('spoons that are also weighed keep both', () => {
  expect(readPacket('1 bag (1.8 g) per 250 ml').leaf).toMatchObject({ unit: 'bag', weighs: 1.8 });
  expect(readPacket('1 tsp tea = 2.5 g').leaf).toMatchObject({ unit: 'teaspoon', weighs: 2.5 });
});
test('a long and senseless text is read in no time: nothing in it makes the reader go back', () => {
  const texts = [
    '1 '.repeat(5000),
    '1/2-'.repeat(4000),
    'cuillere a '.repeat(3000),
    '('.repeat(9000),
  ];
  const began = process.hrtime.bigint();
  for (const text of texts) readPacket(text);
  // Takes about 0.2 s; one that goes back over its text takes minutes.
  expect(Number(process.hrtime.bigint() - began) / 1e9).toBeLessThan(10);
});

describe('what a packet means for one tea', () => {
  // Common practice: a level teaspoon of broken black is 2.5 to 3 g; spoons of leaf weigh from 0.13 to 0.54 g per ml.
  const broken = gramsPerMl(2.75 / 5);
  const usual = gramsPer100Ml(1.2);
  const meant = (text: string, facts: Partial<Parameters<typeof packetMeanings>[1]> = {}) =>
    packetMeanings(readPacket(text), { density: broken, usual, ...facts });

  test('"1 tsp per cup" of a broken black: three cups, the US packet’s the likeliest', () => {
    const all = meant('1 tsp per cup');
    expect(
      all.map((m) => [m.water.toFixed(0), m.leaf.toFixed(2), m.dose.toFixed(2), m.likeliest]),
    ).toEqual([
      ['150', '2.75', '1.83', false],
      ['237', '2.75', '1.16', true],
      ['250', '2.75', '1.10', false],
    ]);
    expect(all.every((m) => m.slip === null)).toBe(true);
  });
  test('a tablespoon of it where a teaspoon was meant is three times the leaf, and is asked about', () => {
    const [m] = meant('1 tbsp per 8 fl oz');
    expect(m?.dose).toBeCloseTo(3.487, 2);
    expect(m?.slip).toEqual({ spoon: 'teaspoon', dose: expect.closeTo(1.162, 2) as number });
  });
  test('a teaspoon of fluffy leaf is a third of what is wanted, and is asked about', () => {
    const [m] = meant('1 tsp per 8 fl oz', { density: gramsPerMl(0.13), usual: gramsPer100Ml(1) });
    expect(m?.slip?.spoon).toBe('tablespoon');
  });
  test('grams need no weighing, spoons and bags do; no leaf or no water means nothing', () => {
    expect(meant('6 g per 500 ml', { density: null })[0]?.dose).toBeCloseTo(1.2, 9);
    expect(meant('1 tsp per cup', { density: null })).toEqual([]);
    expect(meant('1 bag per 200 ml')).toEqual([]);
    expect(meant('1 bag per 200 ml', { bag: grams(2.2) })[0]?.leaf).toBe(2.2);
    expect(meant('1 bag (2 g) per 200 ml')[0]?.leaf).toBeCloseTo(2, 9);
    expect(meant('80 C, 2 min')).toEqual([]);
  });
  test('a scoop is one of the house’s scoops, a pinch about a gram, a pot the vessel chosen', () => {
    const scoops = [
      { name: 'Blue scoop', ml: millilitres(6) },
      { name: 'Large scoop', ml: millilitres(12) },
    ];
    const two = meant('1 scoop per 250 ml', { scoops });
    expect(two.map((m) => [m.scoop, m.leaf.toFixed(2), m.likeliest])).toEqual([
      ['Blue scoop', '3.30', true],
      ['Large scoop', '6.60', false],
    ]);
    expect(meant('1 scoop per 250 ml')).toEqual([]);
    expect(meant('2 pinches per 200 ml')[0]?.dose).toBeCloseTo(1, 9);
    expect(meant('2 tsp per pot')).toEqual([]);
    const vessel = { name: 'Grey pot', water: millilitres(550) };
    expect(meant('2 tsp per pot', { vessel })[0]).toMatchObject({ cup: 'Grey pot', dose: 1 });
  });
  test('a heaped spoon holds half as much again', () => {
    const [level] = meant('1 tsp per 200 ml');
    const [heaped] = meant('1 heaped tsp per 200 ml');
    expect((heaped?.leaf ?? 0) / (level?.leaf ?? 1)).toBeCloseTo(1.5, 9);
  });
});

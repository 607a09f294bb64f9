import fc from 'fast-check';
import {
  brewCup,
  type Brewing,
  cupByCup,
  emptiedPot,
  leftIn,
  potAt,
  type PotPour,
  strengthsOfCups,
  taperedLeaf,
} from '#core/cup';
import { dryLeaf, sumOf } from '#core/extraction';
import { characterOf, STYLE_IDS } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';

// A pot whose leaf stays in, emptied cup by cup and filled up again.

const pot = (over: Partial<Brewing> = {}): Brewing => ({
  character: characterOf('black-whole'),
  ...{ leaf: grams(6), water: millilitres(500), temperature: celsius(90), time: seconds(240) },
  ...over,
});
const cup = (after: number, ml: number): PotPour => ({
  ...{ after: seconds(after), what: 'cup', ml: millilitres(ml) },
});
const refill = (after: number, ml: number): PotPour => ({ ...cup(after, ml), what: 'refill' });

test('poured off at once it is the cup of a plain steep', () => {
  const b = pot();
  const { cups } = emptiedPot(b, [cup(240, 1000)], celsius(90));
  const plain = brewCup(b);
  expect(cups).toHaveLength(1);
  expect(cups[0]?.ml).toBeCloseTo(plain.liquor, 9);
  expect(cups[0]?.cup.gramsPerLitre).toEqual(
    plain.gramsPerLitre.map((g) => expect.closeTo(g, 9)) as never,
  );
});
test('each later cup of a pot is stronger and more bitter: the leaf draws on, in less water', () => {
  for (const style of ['black-whole', 'black-broken', 'green-pan', 'oolong-dark'] as const) {
    const b = pot({ character: characterOf(style) });
    const { cups } = emptiedPot(b, cupByCup(b, 3), b.temperature);
    const [first, second, third] = cups.map((c) => c.cup.taste);
    expect(second?.strength).toBeGreaterThan(first?.strength ?? 99);
    expect(third?.strength).toBeGreaterThan(second?.strength ?? 99);
    expect(third?.bitterness).toBeGreaterThan(first?.bitterness ?? 99);
  }
});
test('by hand: a cup takes its share of what is dissolved, water again dilutes what is left', () => {
  const b = pot();
  const { pot: left } = emptiedPot(b, [cup(240, 150)], celsius(90));
  expect(left.water).toBe(350);
  const before = potAt(
    b,
    {
      ...left,
      water: b.water,
      after: seconds(0),
      leaf: dryLeaf(b.character, b.leaf),
      temperature: b.temperature,
    },
    seconds(240),
  );
  for (let i = 0; i < 7; i++)
    expect(left.leaf.inLiquor[i]).toBeCloseTo((before.leaf.inLiquor[i] as number) * (350 / 500), 9);
  const { pot: full } = emptiedPot(b, [cup(240, 150), refill(240, 150)], celsius(95));
  expect([full.water, full.leaf.inLiquor]).toEqual([500, left.leaf.inLiquor]);
  // 350 ml as warm as they were and 150 ml at 95 °C.
  expect(full.temperature).toBeCloseTo((350 * left.temperature + 150 * 95) / 500, 9);
});
test('more than is left gives what is left; the last drops are no cup', () => {
  const b = pot();
  const { cups, pot: dry } = emptiedPot(
    b,
    [cup(240, 400), cup(300, 400), cup(360, 400)],
    celsius(90),
  );
  expect(cups.map((c) => Math.round(c.ml))).toEqual([400, 82]);
  expect(leftIn(b, dry)).toBe(0);
});
test('nothing is made or lost through any pours: leaf, pot, cups and air have what the leaf had', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...STYLE_IDS),
      fc.array(
        fc.tuple(
          fc.integer({ min: 0, max: 400 }),
          fc.constantFrom('cup' as const, 'refill' as const),
          fc.integer({ min: 1, max: 300 }),
        ),
        { minLength: 1, maxLength: 8 },
      ),
      (style, acts) => {
        const b = pot({ character: characterOf(style) });
        let after = 0;
        const pours = acts.map(([wait, what, ml]): PotPour => {
          after += wait;
          return { after: seconds(after), what, ml: millilitres(ml) };
        });
        const { cups, pot: left } = emptiedPot(b, pours, celsius(90));
        const poured = cups.reduce((sum, c) => sum + sumOf(c.cup.gramsPerLitre) * c.ml, 0);
        const { inLeaf, inLiquor, lost } = left.leaf;
        const all = sumOf(dryLeaf(b.character, b.leaf).inLeaf);
        const found = sumOf(inLeaf) + sumOf(inLiquor) + lost + poured;
        // Cups of less than 5 ml are not counted as cups.
        expect(found / all).toBeLessThan(1 + 1e-9);
        expect(found / all).toBeGreaterThan(1 - 0.01);
      },
    ),
    { numRuns: 300, seed: 20261130 },
  ));
test('tapered, the cups are on average as strong as the recipe’s one cup; never with more leaf', () => {
  for (const style of STYLE_IDS) {
    const b = pot({ character: characterOf(style) });
    for (const cups of [2, 3, 5]) {
      const leaf = taperedLeaf(b, cups);
      expect(leaf).toBeLessThanOrEqual(b.leaf);
      const all = strengthsOfCups({ ...b, leaf }, cups);
      const mean = all.reduce((a, s) => a + s, 0) / all.length;
      if (leaf < b.leaf) expect(mean).toBeCloseTo(brewCup(b).taste.strength, 3);
      else expect(mean).toBeLessThanOrEqual(brewCup(b).taste.strength);
    }
  }
});

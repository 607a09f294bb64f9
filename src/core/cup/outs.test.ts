import fc from 'fast-check';
import { brewCup, type Brewing, heatOf, settingOf } from '#core/cup';
import { dryLeaf, heatAfter, type LeafOut, steep, sumOf } from '#core/extraction';
import { characterOf, STYLE_IDS } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';

// The leaf out of its water in the middle of a steep: only seconds in the water count, and the liquor cools meanwhile.

const brew = (over: Partial<Brewing> = {}): Brewing => ({
  character: characterOf('black-whole'),
  ...{ leaf: grams(6), water: millilitres(500), temperature: celsius(90), time: seconds(75) },
  ...over,
});
const out = (after: number, lasted: number): LeafOut => ({
  ...{ after: seconds(after), lasted: seconds(lasted) },
});
const steeped = (b: Brewing) =>
  steep(dryLeaf(b.character, b.leaf), settingOf(b), heatOf(b), b.time, b.outs);

test('45 s in, 40 s out, 30 s in is a steep of 75 s, a little cooler than one without a break', () => {
  const whole = brewCup(brew()).taste.strength;
  const short = brewCup(brew({ time: seconds(45) })).taste.strength;
  const broken = brewCup(brew({ outs: [out(45, 40)] })).taste.strength;
  expect(broken).toBeGreaterThan(short + 0.3);
  expect(broken).toBeLessThan(whole);
  expect(whole - broken).toBeLessThan(0.1);
});
test('by hand: the second stretch begins as warm as the water is after both', () => {
  const b = brew();
  const heat = heatOf(b);
  const first = steep(dryLeaf(b.character, b.leaf), settingOf(b), heat, seconds(45));
  const warm = heatAfter(heat, b.water, seconds(45 + 300));
  const second = steep(first, settingOf(b), heatOf({ ...b, temperature: warm }), seconds(30));
  const together = steeped({ ...b, outs: [out(45, 300)] });
  // Aroma goes to the air while the leaf is out; all else is the two steeps one after the other.
  expect(together.inLiquor.slice(1)).toEqual(second.inLiquor.slice(1));
  expect(together.inLiquor[0]).toBeLessThan(second.inLiquor[0]);
});
test('a leaf that comes out when the steep is over changes nothing', () => {
  expect(brewCup(brew({ outs: [out(75, 60), out(90, 60)] }))).toEqual(brewCup(brew()));
  expect(brewCup(brew({ outs: [] }))).toEqual(brewCup(brew()));
});
test('at one heat, taken out or not, the same leaves the leaf; aroma goes to the air', () => {
  const held = brew({ constant: true, temperature: celsius(60) });
  const [whole, broken] = [steeped(held), steeped({ ...held, outs: [out(30, 600)] })];
  for (let i = 1; i < 7; i++)
    expect(broken.inLiquor[i]).toBeCloseTo(whole.inLiquor[i] as number, 6);
  expect(broken.lost).toBeGreaterThan(whole.lost);
});
test('nothing is made or lost: leaf, liquor and air have what the leaf had', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...STYLE_IDS),
      fc.integer({ min: 10, max: 600 }),
      fc.array(fc.tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 0, max: 600 })), {
        maxLength: 4,
      }),
      (style, time, times) => {
        const outs = times.sort(([a], [b]) => a - b).map(([after, lasted]) => out(after, lasted));
        const b = brew({ character: characterOf(style), time: seconds(time), outs });
        const { inLeaf, inLiquor, lost } = steeped(b);
        const all = sumOf(dryLeaf(b.character, b.leaf).inLeaf);
        expect((sumOf(inLeaf) + sumOf(inLiquor) + lost) / all).toBeCloseTo(1, 9);
        expect(brewCup(b).taste.strength).toBeLessThanOrEqual(
          brewCup({ ...b, outs: [] }).taste.strength + 1e-3,
        );
      },
    ),
    { numRuns: 300, seed: 20261130 },
  ));

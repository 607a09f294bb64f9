import fc from 'fast-check';
import { celsius, gramsPer100Ml, millilitres, seconds } from '#core/units';
import { startingRecipe, type Recipe } from '#core/recipes';
import { STYLE_IDS, styleOf, type StyleId } from '#core/styles';
import { ALL_RIGHT, ATTRIBUTE_NAMES, COLOUR_STEPS, CORRECTION_TABLE, isRight, propose, verdictWords, type Judged, type Mark, type Verdict } from '#core/correction';

const judged = (marks: Partial<Verdict>, over: Partial<Judged> & { style?: StyleId; change?: Partial<Recipe> } = {}): Judged => {
  const { style = 'black-whole', change, ...rest } = over;
  const recipe = { ...startingRecipe(style), ...change };
  return { verdict: { ...ALL_RIGHT, ...marks }, recipe, style, steeped: recipe.window.best, warmed: true, crowding: null, liquor: millilitres(480), ...rest };
};

// The trade's table, row by row (common practice).
describe('the trade’s first corrections', () => {
  test.each<[string, Partial<Verdict>, Parameters<typeof judged>[1], string, string]>([
    ['pale, watery, no bite: more leaf', { strength: -1, colour: -1 }, {}, 'leafMore', 'returnLeaf'],
    ['the same under the window: 30 s', { strength: -1 }, { change: { window: { earliest: seconds(60), best: seconds(90), latest: seconds(120) } } }, 'longer', 'returnLeaf'],
    ['the same in a small ball: a roomier infuser', { strength: -1 }, { crowding: 1.4 }, 'roomier', 'returnLeaf'],
    ['weak from a cold pot: warm it', { strength: -1 }, { warmed: false }, 'warmVessel', 'returnLeaf'],
    ['right colour, bitter or dry: cooler', { bitterness: 1, astringency: 1 }, {}, 'cooler', 'hotWater'],
    ['dark, bitter, past the usual window: shorten', { colour: 1, bitterness: 2, astringency: 2, strength: 1 }, { change: { window: { earliest: seconds(300), best: seconds(420), latest: seconds(480) } } }, 'shorter', 'split'],
    ['darker and bitter, in its window: cooler', { colour: 1, bitterness: 1 }, { style: 'green-pan' }, 'cooler', 'split'],
    ['dark, heavy, not bitter: less leaf', { colour: 1, strength: 1 }, {}, 'leafLess', 'hotWater'],
    ['flat, too hot for the style: cooler', { aroma: -1 }, { style: 'green-shaded', change: { temperature: celsius(75) } }, 'cooler', 'none'],
    ['flat at the usual heat: look at lot and water', { aroma: -1 }, {}, 'checkLot', 'none'],
    ['only paler: judge again in daylight', { colour: -1 }, {}, 'checkLot', 'none'],
  ])('%s', (_name, marks, over, lever, cup) => {
    const p = propose(judged(marks, over));
    expect([p.lever, p.cup.kind]).toEqual([lever, cup]);
  });
  test('a late pull is brewed to the recipe first, an early one too', () => {
    expect(propose(judged({ bitterness: 1, colour: 1 }, { steeped: seconds(340) }))).toMatchObject({ lever: 'followRecipe', rowId: 'late', cup: { kind: 'split' } });
    expect(propose(judged({ strength: -1 }, { steeped: seconds(100) }))).toMatchObject({ lever: 'followRecipe', rowId: 'early', cup: { kind: 'returnLeaf' } });
    expect(propose(judged({ bitterness: 1 }, { steeped: seconds(100) })).lever).not.toBe('followRecipe');
  });
  test('all right: keep it', () => expect(propose(judged({}))).toMatchObject({ lever: 'keep', headline: 'Keep it so' }));
  test('5 C cooler is said with both values', () => expect(propose(judged({ bitterness: 1 }, { style: 'green-pan' }))).toMatchObject({ from: 80, to: 75, headline: '5 °C cooler' }));
});

const mark = fc.constantFrom<Mark>(-2, -1, 0, 1, 2);
const verdict: fc.Arbitrary<Verdict> = fc.record({ colour: mark, strength: mark, bitterness: mark, astringency: mark, sweetness: mark, aroma: mark });
test('every verdict on every style gets one answer with its reason, inside the working range or moving inwards', () => fc.assert(fc.property(verdict, fc.constantFrom(...STYLE_IDS), fc.double({ min: 0.6, max: 1.6, noNaN: true }), fc.double({ min: 0.5, max: 2, noNaN: true }), (v, style, dose, time) => {
  const s = styleOf(style);
  const r = startingRecipe(style);
  const j = judged(v, { style, change: { dose: gramsPer100Ml(r.dose * dose) }, steeped: seconds(r.window.best * time) });
  const p = propose(j);
  if (isRight(v)) return expect(p.lever).toBe('keep');
  expect(p.reason.length).toBeGreaterThan(10);
  expect(p.cup.water).toBeGreaterThanOrEqual(0);
  expect(p.cup.water).toBeLessThan(j.liquor);
  if (p.from === undefined || p.to === undefined) return;
  const [lo, hi] = p.lever.startsWith('leaf') ? s.range.dose : p.lever === 'cooler' || p.lever === 'hotter' ? s.range.temperature : s.range.seconds;
  expect(p.to).toBeGreaterThanOrEqual(Math.min(lo, p.from) - 0.005);
  expect(p.to).toBeLessThanOrEqual(Math.max(hi, p.from) + 0.005);
  expect(Math.sign(p.to - p.from)).toBe(['leafMore', 'hotter', 'longer'].includes(p.lever) ? 1 : -1);
}), { seed: 20260121, numRuns: 1500 }));
test('a cup only too weak is never answered by less, one only too bitter never by more', () => {
  for (const style of STYLE_IDS) {
    for (const m of [1, 2] as const) {
      expect(['leafMore', 'longer', 'hotter', 'checkLot']).toContain(propose(judged({ strength: -m as Mark }, { style })).lever);
      expect(['cooler', 'shorter', 'leafLess', 'checkLot']).toContain(propose(judged({ bitterness: m }, { style })).lever);
    }
  }
});
test('every row of the table can be reached by its own finding, and names a lever', () => {
  expect(new Set(CORRECTION_TABLE.map((r) => r.id)).size).toBe(CORRECTION_TABLE.length);
  expect(CORRECTION_TABLE.every((r) => r.levers.length > 0 && r.reason.length > 10)).toBe(true);
});
test('verdicts in words', () => {
  expect(verdictWords(ALL_RIGHT)).toBe('right');
  expect(verdictWords({ ...ALL_RIGHT, colour: 1, bitterness: 2 })).toBe('harsh, darker');
  expect([COLOUR_STEPS.length, ATTRIBUTE_NAMES.length]).toEqual([5, 5]);
});

import fc from 'fast-check';
import type { KettleWait } from '#core/brews';
import {
  ALL_RIGHT,
  ATTRIBUTE_NAMES,
  blendShare,
  COLOUR_STEPS,
  CORRECTION_TABLE,
  isRight,
  type Judged,
  type Mark,
  propose,
  returnLeaf,
  searchCorrection,
  type Verdict,
  verdictWords,
  waterPerExtract,
  waterToAdd,
} from '#core/corrections';
import { brewCup, type Brewing, dilute } from '#core/cup';
import { type Recipe, startingRecipe } from '#core/recipes';
import { characterOf, STYLE_IDS, type StyleId, styleOf } from '#core/styles';
import { bitterDoseOf, bodyOf, sweetDoseOf } from '#core/taste';
import { type Celsius, celsius, grams, gramsPer100Ml, millilitres, seconds } from '#core/units';
import type { Turn } from './words';

type Over = {
  style?: StyleId;
  change?: Partial<Recipe>;
  brew?: Partial<Brewing>;
  warmed?: boolean;
  crowding?: number | null;
  leafShare?: number | null;
  stirsLeftOut?: number;
  heatOff?: Celsius | null;
  kettleWait?: KettleWait;
};
const WATER = millilitres(300);
/** A brew of the style's own starting recipe, pulled at its best, found as marked. */
const judged = (
  marks: Partial<Verdict>,
  { style = 'black-whole', change, brew, ...rest }: Over = {},
): Judged => {
  const recipe = { ...startingRecipe(style), ...change };
  return {
    verdict: { ...ALL_RIGHT, ...marks },
    recipe,
    style,
    warmed: true,
    crowding: null,
    ...rest,
    brew: {
      character: characterOf(style),
      leaf: grams((recipe.dose * WATER) / 100),
      water: WATER,
      temperature: recipe.temperature,
      time: recipe.window.best,
      ...brew,
    },
  };
};

describe('before the model is asked', () => {
  test('a late pull is brewed to the recipe first, an early one too', () => {
    expect(
      propose(judged({ bitterness: 1, colour: 1 }, { brew: { time: seconds(340) } })),
    ).toMatchObject({ lever: 'followRecipe', rowId: 'late', cup: { kind: 'split' } });
    expect(propose(judged({ strength: -1 }, { brew: { time: seconds(100) } }))).toMatchObject({
      lever: 'followRecipe',
      rowId: 'early',
      cup: { kind: 'returnLeaf' },
    });
    expect(propose(judged({ bitterness: 1 }, { brew: { time: seconds(100) } })).lever).not.toBe(
      'followRecipe',
    );
  });
  test('leaf that was weighed off the card: the scale is the answer, never less leaf in the recipe', () => {
    const heavy = { strength: 1, bitterness: 1 } as const;
    expect(propose(judged(heavy, { leafShare: 1.2 }))).toMatchObject({
      ...{ lever: 'followRecipe', headline: 'Weigh the leaf', cup: { kind: 'split' } },
      change: '20 % over the card. The recipe stays.',
    });
    expect(propose(judged({ strength: -1 }, { leafShare: 0.85 }))).toMatchObject({
      ...{ headline: 'Weigh the leaf', change: '15 % under the card. The recipe stays.' },
    });
    // Near the card, or off in the other way: something else made the cup so.
    for (const leafShare of [1.03, 0.8, null])
      expect(propose(judged(heavy, { leafShare })).headline).not.toBe('Weigh the leaf');
  });
  test('heat that was read off the card: the thermometer is the answer, never a turn of the recipe', () => {
    const heavy = { strength: 1, bitterness: 1 } as const;
    expect(propose(judged(heavy, { heatOff: celsius(5.2) }))).toMatchObject({
      ...{ lever: 'followRecipe', headline: 'Read the water', rowId: 'heatOver', turns: [] },
      change: '5 °C over the card. The recipe stays.',
    });
    expect(propose(judged({ strength: -1 }, { heatOff: celsius(-6) }))).toMatchObject({
      ...{ headline: 'Read the water', change: '6 °C under the card. The recipe stays.' },
      cup: { kind: 'returnLeaf' },
    });
    // Near the card, or off in the other way: something else made the cup so.
    for (const off of [2, -7])
      expect(propose(judged(heavy, { heatOff: celsius(off) })).headline).not.toBe('Read the water');
  });
  test('water that waited too short or too long off the boil: the wait is the answer, a reading before it', () => {
    const heavy = { strength: 1, bitterness: 1 } as const;
    const wait = (off: number, waited: number) => ({
      ...{ planned: seconds(150), waited: seconds(waited), off: celsius(off) },
    });
    expect(propose(judged(heavy, { kettleWait: wait(6.2, 20) }))).toMatchObject({
      ...{ lever: 'followRecipe', rowId: 'waitShort', turns: [], cup: { kind: 'split' } },
      headline: 'Wait 2:30 off the boil',
      change: 'The water waited 0:20: about 6 °C hotter. The recipe stays.',
    });
    expect(propose(judged({ strength: -1 }, { kettleWait: wait(-5, 400) }))).toMatchObject({
      ...{ rowId: 'waitLong', cup: { kind: 'returnLeaf' } },
    });
    // Near the card, off in the other way, or read by a thermometer.
    for (const off of [2, -7])
      expect(propose(judged(heavy, { kettleWait: wait(off, 100) })).rowId).not.toMatch(/^wait/);
    const read = propose(judged(heavy, { kettleWait: wait(6, 20), heatOff: celsius(0.5) }));
    expect(read.rowId).not.toMatch(/^wait/);
  });
  test('weak from a cold pot that should have been warm: warm it', () =>
    expect(propose(judged({ strength: -1 }, { warmed: false }))).toMatchObject({
      lever: 'warmVessel',
      cup: { kind: 'returnLeaf' },
    }));
  test('stirs that were left out explain a thin cup, not a bitter one, and not before the scale does', () => {
    const thin = propose(judged({ strength: -1 }, { stirsLeftOut: 1 }));
    expect([thin.lever, thin.rowId]).toEqual(['followRecipe', 'notStirred']);
    expect(thin.reason).toMatch(/stirs of the recipe were left out/);
    expect(propose(judged({ bitterness: 1 }, { stirsLeftOut: 1 })).rowId).not.toBe('notStirred');
    expect(propose(judged({ strength: -1 }, { stirsLeftOut: 0 })).rowId).not.toBe('notStirred');
    const light = propose(judged({ strength: -1 }, { stirsLeftOut: 1, leafShare: 0.8 }));
    expect(light.rowId).toBe('leafUnder');
  });
  test('only faint, or only paler: look at lot, water and lamp', () => {
    expect(propose(judged({ aroma: -1 })).lever).toBe('checkLot');
    expect(propose(judged({ colour: -1 })).lever).toBe('checkLot');
  });
  test('all right: keep it', () =>
    expect(propose(judged({}))).toMatchObject({ lever: 'keep', headline: 'Keep it so' }));
  test('outside the model it says so and advises nothing', () => {
    const p = propose(judged({ bitterness: 1 }, { brew: { leaf: grams(0.5) } }));
    expect(p).toMatchObject({ lever: 'none', headline: 'No advice here', expected: null });
    expect(p.reason).toMatch(/0\.3 to 6 g per 100 ml/);
  });
});

// Worked cases: direction and lever of the first choice, or of its near-tied second (300 ml, lidded porcelain).
describe('worked corrections', () => {
  const at = (style: StyleId, leaf: number, temperature: number, time: number): Over => ({
    style,
    change: {
      window: { earliest: seconds(5), best: seconds(time), latest: seconds(3600) },
      temperature: celsius(temperature),
      dose: gramsPer100Ml(leaf / 3),
    },
    brew: { leaf: grams(leaf), temperature: celsius(temperature), time: seconds(time) },
  });
  test.each<[string, Partial<Verdict>, Over, readonly string[], [number, number]]>([
    [
      'whole black, a bit weak',
      { strength: -1 },
      at('black-whole', 3.6, 90, 240),
      ['leafMore'],
      [1.3, 1.4],
    ],
    [
      'whole black, bitter and dry',
      { bitterness: 1, astringency: 1 },
      at('black-whole', 3.6, 90, 240),
      ['cooler', 'shorter'],
      [85, 87],
    ],
    [
      'steamed green at 90, harsh',
      { bitterness: 2, astringency: 1, sweetness: -1 },
      at('green-steamed', 4, 90, 105),
      ['cooler', 'shorter'],
      [81, 85],
    ],
    [
      'whole black, a bit strong',
      { strength: 1 },
      at('black-whole', 3.6, 90, 240),
      ['leafLess', 'waterAfter'],
      [0.95, 1.1],
    ],
    [
      'steamed green at 75, thin',
      { strength: -1, sweetness: -1 },
      at('green-steamed', 4, 75, 105),
      ['leafMore'],
      [1.55, 1.85],
    ],
    [
      'light oolong at 85, thin and faint',
      { strength: -1, aroma: -1 },
      at('oolong-light', 5, 85, 150),
      ['leafMore', 'longer', 'hotter'],
      [2, 2.4],
    ],
    [
      'broken black at 6 min, everything over',
      { strength: 2, bitterness: 2, astringency: 2, colour: 1 },
      at('black-broken', 3.6, 94, 360),
      ['leafLess', 'shorter'],
      [0.8, 0.9],
    ],
    ['chamomile, bitter', { bitterness: 1 }, at('chamomile', 3, 95, 300), ['cooler'], [83, 87]],
  ])('%s', (_name, marks, over, levers, [least, most]) => {
    const p = propose(judged(marks, over));
    expect(levers).toContain(p.lever);
    if (p.lever === levers[0]) {
      expect(p.turns[0]?.to).toBeGreaterThanOrEqual(least);
      expect(p.turns[0]?.to).toBeLessThanOrEqual(most);
    }
  });
  test('thin and bitter at once takes two levers, and says when that is not enough', () => {
    const s = searchCorrection({
      style: 'black-whole',
      recipe: { leafGrams: 3.6, temperatureC: 90, seconds: 240 },
      marks: { strength: -1, bitterness: 1, astringency: 1 },
      brew: {
        character: characterOf('black-whole'),
        leaf: grams(2.4),
        water: WATER,
        temperature: celsius(90),
        time: seconds(480),
      },
    });
    expect(s.best.levers.map((l) => l.lever)).toEqual(['leafGrams', 'seconds']);
    expect(Math.abs((s.best.levers[0]?.value ?? 0) - 3.3)).toBeLessThan(0.25);
    expect(Math.abs((s.best.levers[1]?.value ?? 0) - 230)).toBeLessThan(25);
    expect(s.partlyMet).toBe(true);
  });
});

const mark = fc.constantFrom<Mark>(-2, -1, 0, 1, 2);
const verdict: fc.Arbitrary<Verdict> = fc.record({
  colour: mark,
  strength: mark,
  bitterness: mark,
  astringency: mark,
  sweetness: mark,
  aroma: mark,
});
test('every verdict on every style gets one answer with its reason, inside the working range or moving inwards', () =>
  fc.assert(
    fc.property(
      verdict,
      fc.constantFrom(...STYLE_IDS),
      fc.double({ min: 0.6, max: 1.6, noNaN: true }),
      fc.double({ min: 0.6, max: 1.8, noNaN: true }),
      (v, style, dose, time) => {
        const { range } = styleOf(style);
        const r = startingRecipe(style);
        const j = judged(v, {
          style,
          change: { dose: gramsPer100Ml(r.dose * dose) },
          brew: { leaf: grams(r.dose * dose * 3), time: seconds(r.window.best * time) },
        });
        const p = propose(j);
        if (isRight(v)) return expect(p.lever).toBe('keep');
        expect(p.reason.length).toBeGreaterThan(10);
        expect(p.cup.water).toBeGreaterThanOrEqual(0);
        expect(p.cup.water).toBeLessThanOrEqual(300);
        for (const t of p.turns) {
          const within = allowed(t, range);
          const [lo, hi, step] = within as [number, number, number];
          expect(t.to).toBeGreaterThanOrEqual(Math.min(lo, t.from) - step);
          expect(t.to).toBeLessThanOrEqual(Math.max(hi, t.from) + step);
        }
      },
    ),
    { seed: 20260121, numRuns: 120 },
  ));

/** From where to where a turn may go, and how near to it. */
function allowed(
  t: Turn,
  range: {
    readonly dose: readonly [number, number];
    readonly temperature: readonly [number, number];
    readonly seconds: readonly [number, number];
  },
): readonly number[] {
  if (t.lever.startsWith('leaf')) return [...range.dose, 0.03];
  if (t.lever === 'cooler' || t.lever === 'hotter') return [...range.temperature, 0.5];
  if (t.lever === 'longer' || t.lever === 'shorter') return [...range.seconds, 2.5];
  return [-Infinity, Infinity, 0];
}
test('a pull a few seconds off best is not answered by best again when that hardly helps', () => {
  const p = propose(
    judged(
      { colour: 1, bitterness: 1, astringency: 1, sweetness: -1 },
      {
        style: 'green-steamed',
        change: { dose: gramsPer100Ml(1.3) },
        brew: { leaf: grams(3.9), time: seconds(97) },
      },
    ),
  );
  expect(p.turns.filter((t) => Math.abs(t.to - 90) <= 5)).toEqual([]);
  expect(p.lever).toBe('cooler');
});
test('a single mark is never moved the wrong way, at any style', () => {
  const sign = { strength: 1, bitterness: 1, astringency: 1, sweetness: 1 } as const;
  for (const style of STYLE_IDS) {
    for (const what of Object.keys(sign) as (keyof typeof sign)[]) {
      for (const m of [-2, -1, 1, 2] as const) {
        const p = propose(judged({ [what]: m }, { style }));
        if (p.expected)
          expect((p.expected.then[what] - p.expected.now[what]) * m).toBeLessThanOrEqual(0.05);
      }
    }
  }
});
test('over all styles, a bit weak is mostly answered by leaf, bitter and drying mostly by heat or time', () => {
  const of = (marks: Partial<Verdict>) =>
    STYLE_IDS.map((style) => propose(judged(marks, { style })).lever);
  expect(of({ strength: -1 }).filter((l) => l === 'leafMore').length).toBeGreaterThan(
    STYLE_IDS.length / 2,
  );
  expect(
    of({ bitterness: 1, astringency: 1 }).filter((l) => l === 'cooler' || l === 'shorter').length,
  ).toBeGreaterThan(STYLE_IDS.length / 2);
});
describe('the cup in hand', () => {
  const strong = judged({ strength: 1 });
  const cup = brewCup(strong.brew);
  test('water brings it to the strength it should have, and keeps the balance', () => {
    const water = waterToAdd(strong.brew, cup, 'strength', 1);
    const then = dilute(
      strong.brew.character,
      { volume: cup.liquor, gramsPerLitre: cup.gramsPerLitre },
      water,
    );
    expect(then.taste.strength).toBeCloseTo(cup.taste.strength - 0.8, 6);
    const balance = (c: typeof cup) =>
      bitterDoseOf(c.gramsPerLitre, strong.brew.character) / sweetDoseOf(c.gramsPerLitre);
    expect(balance(then)).toBeCloseTo(balance(cup), 10);
    expect(waterToAdd(strong.brew, cup, 'strength', 0)).toBe(0);
  });
  test('the leaf put back makes it stronger, longer more so', () => {
    const [a, b] = [
      returnLeaf(strong.brew, 30).taste.strength,
      returnLeaf(strong.brew, 60).taste.strength,
    ];
    expect(a).toBeGreaterThan(cup.taste.strength);
    expect(b).toBeGreaterThan(a);
  });
  test('over and under blend to what lies between them; an extract is let down to it', () => {
    const weak = brewCup({ ...strong.brew, time: seconds(45) });
    const body = (bodyOf(cup.gramsPerLitre) + bodyOf(weak.gramsPerLitre)) / 2;
    expect(blendShare(cup, weak, body)).toBeCloseTo(0.5, 8);
    expect(blendShare(cup, weak, 99)).toBeNull();
    expect(waterPerExtract(cup, bodyOf(cup.gramsPerLitre) / 3)).toBeCloseTo(2, 8);
  });
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

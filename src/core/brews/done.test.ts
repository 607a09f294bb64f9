import { brewCup } from '#core/cup';
import { celsius, epochMs, grams, seconds } from '#core/units';
import { cardOfPour, planOfPour, potPour } from '../testing/potPour';
import { asDone, plannedHeatAt, planOf, toModelInput } from '.';

const STYLE = 'black-whole';
const POUR = potPour(STYLE);
const PLAN = planOfPour(POUR);
const ON = epochMs(Date.UTC(2026, 2, 11, 10));
const recorded = (over: object = {}) => ({
  ...{ steeped: seconds(200), waterOn: ON, marks: [], readings: [] },
  ...over,
});

test('with nothing recorded it is the card for its time', () => {
  const { brew, leafShare, heatOff } = asDone(PLAN, STYLE, recorded());
  expect(brew).toEqual(toModelInput(PLAN, STYLE, seconds(200)));
  expect([leafShare, heatOff]).toEqual([null, null]);
});
test('leaf on the scale takes the place of the card’s, the last weighing counts', () => {
  const marks = [6.3, 7.2].map((g) => ({
    ...{ key: 'weigh', at: ON, outcome: 'done' as const, grams: grams(g) },
  }));
  const { brew, leafShare } = asDone(PLAN, STYLE, recorded({ marks }));
  expect(brew.leaf).toBeCloseTo(7.2, 9);
  expect(leafShare).toBeCloseTo(7.2 / PLAN.leaf, 9);
});
test('a thermometer tells how hot the water was when it went on', () => {
  const hotter = { ...PLAN, onLeaf: celsius(PLAN.onLeaf - 6) };
  const after = 90;
  const shown = plannedHeatAt(hotter, STYLE, seconds(after));
  const readings = [{ at: epochMs(ON + 1000 * after), celsius: shown }];
  const { brew, heatOff } = asDone(PLAN, STYLE, recorded({ readings }));
  expect(heatOff).toBeCloseTo(-6, 1);
  expect(brew.temperature).toBeCloseTo(hotter.onLeaf, 1);
});
test('a reading before the water or after the leaf was out says nothing', () => {
  const readings = [-5, 300].map((s) => ({
    ...{ at: epochMs(ON + 1000 * s), celsius: celsius(40) },
  }));
  expect(asDone(PLAN, STYLE, recorded({ readings })).heatOff).toBeNull();
});
describe('a vessel that was to be warmed', () => {
  const warm = (outcome: 'done' | 'skipped') => ({ key: 'warm', at: ON, outcome });
  test('left out, the water is cooler on the leaf: as much as a card of the cold vessel says', () => {
    const { brew, notWarmed } = asDone(PLAN, STYLE, recorded({ marks: [warm('skipped')] }));
    expect(notWarmed).toBe(true);
    // The same kettle, poured into the cold pot: boiling water in both, so that nothing is set lower.
    const boiling = {
      ...POUR,
      version: { recipe: { ...POUR.version.recipe, temperature: celsius(100) } },
    };
    const [hot, cold] = [true, false].map((warmed) => {
      const found = cardOfPour({ ...boiling, warmed });
      return found;
    });
    if (!hot || !cold) throw new Error('no card');
    const plan = planOf(hot, boiling);
    const left = asDone(plan, STYLE, recorded({ marks: [warm('skipped')] }));
    expect(left.brew.temperature).toBeCloseTo(cold.onLeaf, 1);
    expect(brew.temperature).toBeLessThan(PLAN.onLeaf - 1);
  });
  test('warmed after all, or never to be warmed, it is the card; a thermometer goes before it', () => {
    const after = asDone(PLAN, STYLE, recorded({ marks: [warm('skipped'), warm('done')] }));
    expect([after.notWarmed, after.brew.temperature]).toEqual([false, PLAN.onLeaf]);
    const cold = { ...PLAN, warmed: false };
    expect(asDone(cold, STYLE, recorded({ marks: [warm('skipped')] })).notWarmed).toBe(false);
    const at = seconds(60);
    const readings = [{ at: epochMs(ON + 1000 * at), celsius: plannedHeatAt(PLAN, STYLE, at) }];
    const read = asDone(PLAN, STYLE, recorded({ marks: [warm('skipped')], readings }));
    expect(read.brew.temperature).toBeCloseTo(PLAN.onLeaf, 6);
  });
});

describe('stirs of the recipe', () => {
  const stirred = {
    ...PLAN,
    recipe: {
      ...PLAN.recipe,
      handling: { ...PLAN.recipe.handling, stir: [seconds(30), seconds(60)] },
    },
  };
  const mark = (key: string, outcome: 'done' | 'skipped') => ({ key, at: ON, outcome });
  const made = (...marks: readonly ReturnType<typeof mark>[]) =>
    asDone(stirred, STYLE, recorded({ marks }));
  test('done, or never spoken of, they change nothing', () => {
    expect(made().brew).toEqual(toModelInput(stirred, STYLE, seconds(200)));
    expect(made(mark('stir1', 'done'), mark('stir2', 'done')).stirsLeftOut).toBe(0);
    expect(asDone(PLAN, STYLE, recorded({ marks: [mark('stir1', 'skipped')] })).stirsLeftOut).toBe(
      0,
    );
  });
  test('left out, the leaf has less contact: by 1.45 for all of them, by its root for half', () => {
    const [half, all] = [
      made(mark('stir1', 'skipped')),
      made(mark('stir1', 'skipped'), mark('stir2', 'skipped')),
    ];
    expect(all.brew.contact).toBeCloseTo(1 / 1.45, 12);
    expect(half.brew.contact).toBeCloseTo(1 / Math.sqrt(1.45), 12);
    const strength = ({ brew }: typeof all) => brewCup(brew).taste.strength;
    expect(strength(all)).toBeLessThan(strength(half));
    expect(strength(half)).toBeLessThan(strength(made()));
  });
  test('the last word on a stir counts', () =>
    expect(made(mark('stir1', 'skipped'), mark('stir1', 'done')).stirsLeftOut).toBe(0));
});

import { ALL_RIGHT, type Verdict } from '#core/corrections';
import { samplePlan } from '#core/testing';
import { millilitres, seconds } from '#core/units';
import { type JudgedBatch, proposeForBatch, tasteOfBatch, waterToWeaken } from './index';

const PLAN = samplePlan('fridge');
const judged = (found: Partial<Verdict>, over: Partial<JudgedBatch> = {}): JudgedBatch => ({
  verdict: { ...ALL_RIGHT, ...found },
  style: 'green-pan',
  plan: PLAN,
  steeped: PLAN.window.best,
  left: millilitres(900),
  waterAfter: 0,
  ...over,
});

test('right is kept; nothing is proposed and nothing is added', () => {
  expect(proposeForBatch(judged({}))).toMatchObject({
    lever: 'keep',
    change: 'As it should be. The recipe stays.',
    turns: [],
    cup: { kind: 'none', water: 0 },
  });
});
test('a weak batch lifted at its best gets more leaf or more hours, and is predicted stronger', () => {
  const p = proposeForBatch(judged({ strength: -1 }));
  expect(['leafMore', 'longer']).toContain(p.lever);
  const { now, then } = p.expected ?? { now: null, then: null };
  // One mark is 0.8 of strength; the search may leave a part of it.
  expect((then?.strength ?? 0) - (now?.strength ?? 0)).toBeGreaterThan(0.4);
  expect(p.cup).toMatchObject({ kind: 'none', water: 0 });
  expect(p.cup.text).toMatch(/^A weak cold brew cannot be mended/);
});
test('a strong batch gets less of one thing, and cold water for what is left', () => {
  const j = judged({ strength: 1 });
  const p = proposeForBatch(j);
  expect(['leafLess', 'shorter']).toContain(p.lever);
  expect(p.cup.kind).toBe('coldWater');
  const before = tasteOfBatch(j).strength;
  const exact = waterToWeaken(j.left, before, before - 0.8) ?? 0;
  expect(Math.abs(p.cup.water - Math.min(exact, 450))).toBeLessThanOrEqual(5);
  const after = tasteOfBatch({ ...j, waterAfter: p.cup.water / j.left }).strength;
  expect(before - after).toBeGreaterThan(0.5);
  expect(before - after).toBeLessThan(0.9);
});
test('two marks turn further than one, the same way', () => {
  const one = proposeForBatch(judged({ strength: -1 })).turns[0];
  const two = proposeForBatch(judged({ strength: -2 })).turns[0];
  const share = (t: typeof one) => (t ? t.to / t.from : 1);
  expect(share(two)).toBeGreaterThan(share(one));
});
test('leaf that came out late and made a strong batch: the window first, never the recipe', () => {
  const late = judged({ bitterness: 1 }, { steeped: seconds(PLAN.window.latest + 3 * 3600) });
  expect(proposeForBatch(late)).toMatchObject({
    lever: 'followRecipe',
    headline: 'Lift the leaf in its window',
    expected: null,
  });
  const early = judged({ strength: -1 }, { steeped: seconds(PLAN.window.earliest - 3600) });
  expect(proposeForBatch(early)).toMatchObject({
    lever: 'followRecipe',
    headline: 'Give the batch its hours',
  });
  // Strong although early: the recipe has too much leaf, or too much time.
  expect(
    proposeForBatch(judged({ strength: 1 }, { steeped: seconds(PLAN.window.earliest - 60) })).lever,
  ).not.toBe('followRecipe');
});
test('a faint aroma alone is looked into before anything is turned', () => {
  expect(proposeForBatch(judged({ aroma: -1 })).lever).toBe('checkLot');
});
test('an extract is judged in its glass; a strong one takes less of it, not water in the jar', () => {
  const plan = samplePlan('extract');
  const j = judged({ strength: 1 }, { style: 'black-broken', plan, steeped: plan.window.best });
  const inGlass = { ...j, waterAfter: 140 / 60 };
  expect(tasteOfBatch(inGlass).strength).toBeLessThan(tasteOfBatch(j).strength);
  expect(proposeForBatch(inGlass).cup).toMatchObject({ kind: 'none', water: 0 });
});
test('warm, then cold: the hot minute is in the forecast', () => {
  const plan = samplePlan('warmThenCold');
  const j = judged({}, { plan, steeped: plan.window.best });
  const without = tasteOfBatch({ ...j, plan: { ...plan, hotFirst: null } });
  expect(tasteOfBatch(j).strength).toBeGreaterThan(without.strength + 0.3);
});
test('no proposal leaves what is done: leaf 0.5 to 3 g per 100 ml, a day at most, to a quarter of an hour', () => {
  for (const strength of [-2, -1, 1, 2] as const)
    for (const bitterness of [-1, 0, 1] as const)
      for (const aroma of [-1, 0, 1] as const) {
        const p = proposeForBatch(judged({ strength, bitterness, aroma }));
        for (const t of p.turns) {
          if (t.lever === 'longer' || t.lever === 'shorter') {
            expect(t.to % 900).toBe(0);
            expect(t.to).toBeLessThanOrEqual(24 * 3600);
          } else {
            expect(t.to).toBeGreaterThanOrEqual(0.5);
            expect(t.to).toBeLessThanOrEqual(3);
          }
        }
      }
});
test('the same verdict, the same words', () => {
  expect(proposeForBatch(judged({ strength: -1, sweetness: -1 }))).toEqual(
    proposeForBatch(judged({ strength: -1, sweetness: -1 })),
  );
});

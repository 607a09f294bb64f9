import { houseBrew, startingRecipe } from '#core/recipes';
import { grams, seconds } from '#core/units';
import { ALL_RIGHT, type Verdict } from '../marks';
import { type Proposal } from '../proposal';
import { propose } from '../propose';
import { recipeAdvice } from './advice';
import { type Belief, priorOf } from './belief';
import { doseOfRecipe } from './cup';
import { agreesWithAll, ALL_CUPS, leversOf, proposalOfAll } from './proposal';
import type { Three } from './units';

const STYLE = 'black-whole';
const RECIPE = startingRecipe(STYLE, 'pot');
const BREW = houseBrew({ style: STYLE, fitted: null }, RECIPE);
const BITTER: Verdict = { ...ALL_RIGHT, bitterness: 1, astringency: 1 };

const alone = (verdict: Verdict, over: Partial<Parameters<typeof propose>[0]> = {}): Proposal =>
  propose({
    ...{ verdict, recipe: RECIPE, style: STYLE, brew: BREW, warmed: true, crowding: 0.1 },
    ...over,
  });
const believed = (mean: Three, cups: number, sd: number): Belief => ({
  ...{ ...priorOf(sd), mean, cups },
});
const said = (proposal: Proposal, mean: Three, { cups = 9, sd = 0.2 } = {}): Proposal =>
  proposalOfAll(proposal, {
    ...{ cups, recipe: doseOfRecipe(RECIPE), brew: BREW },
    advice: recipeAdvice(believed(mean, cups, sd), { brew: BREW, style: STYLE, seed: 3 }),
  });

test('one bitter cup of a recipe that many cups call right: brew to the recipe again; what is done with this cup stays', () => {
  const one = alone(BITTER);
  expect(one.turns.length).toBeGreaterThan(0);
  const all = said(one, [0, 0, 0]);
  expect(all).toMatchObject({
    ...{ rowId: ALL_CUPS, lever: 'keep', headline: 'Keep the recipe', turns: [], expected: null },
    ...{ change: 'This cup strayed: brew to the recipe again.', cup: one.cup },
  });
  expect(all.reason).toContain('9 judged cups');
  expect(all.reason).toContain('bitter 0 ±');
});
test('a recipe that many cups call heavy is changed, by what the bar can do, and what it gives is predicted', () => {
  const all = said(alone(BITTER), [1, 0, 0]);
  expect(all.lever).toBe('leafLess');
  expect(all.turns).toHaveLength(1);
  expect(all.turns[0]?.from).toBe(RECIPE.dose);
  expect(all.turns[0]?.to).toBeLessThan(RECIPE.dose);
  expect(all.change).toContain('Heat and time stay.');
  expect(all.reason).toMatch(/^The recipe is off\. 9 judged cups\. The chance/);
  const { now, then } = all.expected ?? {};
  expect(then?.strength).toBeLessThan(now?.strength ?? 0);
});
test('what is not clear yet changes nothing, and says how many more cups are needed', () => {
  const all = said(alone(BITTER), [0.75, 0, 0], { cups: 2, sd: 1.5 });
  expect(all).toMatchObject({ lever: 'keep', headline: 'Keep the recipe for now' });
  expect(all.reason).toMatch(/would make it clear/);
});
test('what explains a cup by itself stays: right, late, leaf that was weighed', () => {
  const right = alone(ALL_RIGHT);
  const late = alone(BITTER, { brew: { ...BREW, time: seconds(2 * RECIPE.window.latest) } });
  const heavy = alone(BITTER, {
    leafShare: 1.2,
    brew: { ...BREW, leaf: grams(1.2 * BREW.leaf) },
  });
  for (const one of [right, late, heavy]) expect(said(one, [1, 0, 0])).toBe(one);
  expect([late.rowId, heavy.rowId]).toEqual(['late', 'leafOver']);
});
test('three levers at once are a proposal that can be kept', () => {
  const all = said(alone(BITTER), [1.5, -1.5, 0]);
  expect(all.turns.length).toBeGreaterThan(1);
  expect(all.lever).toBe('two');
  expect(all.reason.length).toBeLessThanOrEqual(500);
  expect(all.headline.length).toBeLessThanOrEqual(120);
});
test('what brewers noted agrees with all cups, or not, or is nothing that a recipe says', () => {
  const from = doseOfRecipe(RECIPE);
  const heavy = recipeAdvice(believed([1, 0, 0], 9, 0.2), { brew: BREW, style: STYLE, seed: 3 });
  const right = recipeAdvice(believed([0, 0, 0], 9, 0.2), { brew: BREW, style: STYLE, seed: 3 });
  expect(agreesWithAll(['leafLess'], from, heavy)).toBe(true);
  expect(agreesWithAll(['leafMore'], from, heavy)).toBe(false);
  expect(agreesWithAll(['leafLess', 'shorter'], from, heavy)).toBe(false);
  expect(agreesWithAll(['leafLess'], from, right)).toBe(false);
  for (const levers of [['warmVessel'], ['followRecipe'], ['keep'], []] as const)
    expect(agreesWithAll(levers, from, heavy)).toBeNull();
  // Of several at once each counts.
  const several = said(alone(BITTER), [1.5, -1.5, 0]);
  expect(several.lever).toBe('two');
  expect(leversOf(several)).toEqual(several.turns.map((turn) => turn.lever));
  expect(leversOf(alone(ALL_RIGHT))).toEqual(['keep']);
});

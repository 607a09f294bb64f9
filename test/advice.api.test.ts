import { ALL_RIGHT, type Verdict } from '#core/corrections';
import { movedRecipe, type Recipe } from '#core/recipes';
import { celsius, grams, gramsPer100Ml, seconds } from '#core/units';
import type { TeaAdvice } from '#contracts/advice';
import type { Brew } from '#contracts/brews';
import type { Version } from '#contracts/recipes';
import type { TeaPage } from '#contracts/teas';
import { type Begun, begunHouse, BITTER_PROPOSAL, brewBody, newId } from './house';

// Judged cups of a real database, pooled: what they say of the recipe, and what does not count.

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

let ago = 0;
/** A cup of the brewer, pulled at its best and judged; perhaps its leaf was weighed, as a share of the card's. */
async function cup(
  marks: Partial<Verdict>,
  { weighed, versionId }: { weighed?: number; versionId?: string } = {},
) {
  ago += 20;
  const begun = h.now() - 60_000 * (600 - ago);
  const { body } = await h.callers.brewer
    .post('/api/brews', brewBody(h, { at: begun, ...(versionId && { versionId }) }))
    .expect(200);
  const { id, plan } = body as Brew;
  const event = (what: object) =>
    h.callers.brewer.post(`/api/brews/${id}/events`, { id: newId(), ...what }).expect(200);
  if (weighed !== undefined) {
    const onScale = grams(Math.round(100 * weighed * plan.leaf) / 100);
    await event({ kind: 'step', at: begun, key: 'weigh', outcome: 'done', grams: onScale });
  }
  await event({ kind: 'pull', at: begun + 1000 * plan.recipe.window.best });
  const at = begun + 1000 * (plan.recipe.window.best + 90);
  const verdict = { ...ALL_RIGHT, ...marks };
  await event({
    kind: 'judge',
    at,
    verdict,
    proposal: BITTER_PROPOSAL,
    accepted: false,
    remark: '',
  });
  return id;
}
const advice = async () => {
  const answer = await h.callers.trainee.get(`/api/teas/${h.ids.tea}/advice`).expect(200);
  return (answer.body as { advice: TeaAdvice }).advice;
};
const leaveOut = (id: string, why: string | null, who: keyof Begun['callers'] = 'lead') =>
  h.callers[who].patch(`/api/brews/${id}/advice`, { why });
const HEAVY = { strength: 1, bitterness: 1, astringency: 1, aroma: 1 } as const;

test('no cup: nothing to change; right cups: keep the recipe; heavy cups: less of it, surer with each', async () => {
  const none = await advice();
  expect([none.counted, none.advice.change, none.cups]).toEqual([0, null, []]);
  await cup({});
  await cup({});
  const right = await advice();
  expect([right.counted, right.advice.change]).toEqual([2, null]);
  expect(right.belief.covariance[0]).toBeLessThan(none.belief.covariance[0]);
  for (let i = 0; i < 5; i++) await cup(HEAVY);
  const heavy = await advice();
  expect(heavy.counted).toBe(7);
  expect(heavy.advice.pooled.strength.mean).toBeGreaterThan(0.3);
  expect(heavy.advice.change).not.toBeNull();
  expect(heavy.advice.chance).toBeGreaterThan(0.7);
  expect(heavy.cups.map((c) => c.verdict)[0]).toMatch(/full/i);
  // The records always give the same.
  expect(await advice()).toEqual(heavy);
});
test('leaf that was weighed 20 % over explains heavy cups: the recipe is not blamed', async () => {
  for (let i = 0; i < 5; i++) await cup(HEAVY, { weighed: 1.25 });
  const found = await advice();
  expect(found.cups[0]?.recorded).toMatch(/^Leaf weighed, \+2\d %/);
  expect(found.advice.pooled.strength.mean).toBeLessThan(0.3);
  expect(found.advice.change).toBeNull();
});
test('a scale that was read before the cup was judged counts, however late its tablet sends it', async () => {
  const id = await cup(HEAVY);
  const { body } = await h.callers.brewer.get(`/api/brews/${id}`).expect(200);
  const { brew } = body as { brew: Brew };
  const weighed = (at: number) => ({
    ...{ id: newId(), kind: 'step', key: 'weigh', outcome: 'done', at },
    grams: grams(1.2 * brew.plan.leaf),
  });
  const send = (what: object) => h.callers.brewer.post(`/api/brews/${id}/events`, what);
  // What is said to have been done after the verdict is another cup's.
  const after = await send(weighed(h.now() + 1000));
  expect([after.status, after.body.details.why]).toEqual([409, 'alreadyJudged']);
  const late = weighed(brew.startedAt);
  for (let i = 0; i < 2; i += 1) await send(late).expect(200);
  const [listed] = (await advice()).cups;
  expect(listed?.recorded).toBe('Leaf weighed, +20 %');
  expect((await advice()).counted).toBe(1);
});
test('a lead leaves a cup out with a reason that is kept; a cup that was given up does not count either', async () => {
  const heavy = await cup(HEAVY);
  const right = await cup({});
  await leaveOut(heavy, '  ').expect(422);
  await leaveOut(heavy, 'it stood too long', 'brewer').expect(403);
  await leaveOut(heavy, 'it stood too long').expect(200);
  const without = await advice();
  expect(without.counted).toBe(1);
  expect(without.cups.map((c) => [c.id, c.left?.why])).toEqual([
    [right, undefined],
    [heavy, 'it stood too long'],
  ]);
  expect(without.cups[1]?.left?.by.id).toBe(h.ids.lead);
  expect(without.advice.pooled.strength.mean).toBeCloseTo(0, 6);
  await leaveOut(heavy, null).expect(200);
  expect((await advice()).counted).toBe(2);
  const { body } = await h.callers.brewer.post('/api/brews', brewBody(h)).expect(200);
  const given = { id: newId(), kind: 'abandon', at: h.now(), reason: 'Spilled' };
  await h.callers.brewer.post(`/api/brews/${(body as Brew).id}/events`, given).expect(200);
  expect((await advice()).counted).toBe(2);
  await leaveOut((body as Brew).id, 'spilled').expect(409);
  await leaveOut(newId(), 'nobody knows it').expect(404);
});
test('what was not recorded is doubted by this tea’s own spoons and this site’s own readings', async () => {
  const usual = await advice();
  expect(usual.doubts).toEqual({ leaf: 0.06, heatC: 2.5, taster: 1 });
  // Spoons of a new lot, weighed one by one: uneven ones.
  const lot = {
    ...{ id: newId(), name: 'Lot 31', arrived: '2026-02-02', bestBefore: '2027-02-01' },
    ...{ harvest: 'April', note: '', state: 'inUse', versionId: null },
    weighing: {
      ...{ spoon: 'dessertSpoon', spoons: 6, weighed: 14.5 },
      singles: [1.5, 3.5, 2.5, 1.8, 3.2, 2],
    },
  };
  await h.callers.lead.post(`/api/teas/${h.ids.tea}/lots`, lot).expect(200);
  // Water that was eight degrees too cool, read as soon as it was on.
  const at = h.now() - 400_000;
  const { body } = await h.callers.brewer.post('/api/brews', brewBody(h, { at })).expect(200);
  const { id, plan } = body as Brew;
  const event = (what: object) =>
    h.callers.brewer.post(`/api/brews/${id}/events`, { id: newId(), ...what }).expect(200);
  await event({ kind: 'reading', at: at + 1000, celsius: plan.onLeaf - 8 });
  await event({ kind: 'pull', at: at + 240_000 });
  const { doubts } = await advice();
  expect(doubts.leaf).toBeGreaterThan(0.09);
  // One reading of about 8 degrees against a usual that counts as four of 2.5: (64 + 25) / 5, its root 4.2.
  expect(doubts.heatC).toBeGreaterThan(3.8);
  expect(doubts.heatC).toBeLessThan(4.6);
});
test('a tea that nobody knows is not there; nobody reads without signing in', async () => {
  await h.callers.trainee.get(`/api/teas/${newId()}/advice`).expect(404);
});
test('a version made from the advice keeps what was expected, and its own cups are held against that', async () => {
  for (let i = 0; i < 6; i++) await cup(HEAVY);
  const before = await advice();
  expect(before.prediction).toBeNull();
  const { change } = before.advice;
  if (!change) throw new Error('no change is advised');
  const tea = (await h.callers.lead.get(`/api/teas/${h.ids.tea}`).expect(200)).body as TeaPage;
  const from = tea.tea.house?.recipe as Recipe;
  const recipe = movedRecipe(from, {
    dose: gramsPer100Ml(change.rounded.gPer100ml),
    temperature: celsius(change.rounded.temperatureC),
    best: seconds(change.rounded.seconds),
  });
  const made = {
    ...{ id: newId(), method: 'pot', basedOn: 1, as: 'house', recipe, settles: [] },
    ...{ reason: 'What the cups say', expected: change.expected },
  };
  const version = await h.callers.lead.post(`/api/teas/${h.ids.tea}/versions`, made).expect(200);
  const { number, id } = version.body as Version;
  const none = (await advice()).prediction;
  expect(none).toMatchObject({ version: number, cups: 0, expected: change.expected });
  expect(none?.seen.strength).toBeNull();
  // Cups of the version before it say nothing of it.
  for (const strength of [0, 1] as const) await cup({ strength }, { versionId: id });
  const then = (await advice()).prediction;
  expect(then?.cups).toBe(2);
  expect(then?.seen.strength?.cups).toBe(2);
  expect(then?.seen.strength?.mean).toBeCloseTo(0.5, 1);
  expect(Math.abs(change.expected.strength.mean)).toBeLessThan(
    Math.abs(before.advice.pooled.strength.mean),
  );
});

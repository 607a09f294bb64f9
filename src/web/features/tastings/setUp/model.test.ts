import { startingRecipe } from '#core/recipes';
import { millilitres } from '#core/units';
import type { Lot, Tea } from '#contracts/teas';
import { sampleSite, sampleVessel } from '../../../testing/samples';
import {
  changedFigure,
  clockWords,
  firstSetUp,
  planOf,
  readinessOf,
  type SetUpEvent,
  setUpReducer,
  type SetUpState,
  tightWords,
} from './model';

const lot = (id: string, state: Lot['state']) => ({ id, state, weighing: null }) as Lot;
const house = { id: 'v', recipe: startingRecipe('black-whole') };
/** What a set-up asks of a tea. */
const TEA = {
  id: 't',
  style: 'black-whole',
  method: 'pot',
  house,
  recipes: [{ method: 'pot', house }],
  lots: [lot('used', 'inUse'), lot('came', 'new')],
} as unknown as Tea;

const begun = (lotId: string | null = null) =>
  firstSetUp({ tea: TEA, vessel: sampleVessel(), lotId, lesson: null, taster: 'me' });
const after = (...events: readonly SetUpEvent[]): SetUpState =>
  events.reduce(setUpReducer, begun());
const plan = (state: SetUpState) => planOf(state, sampleSite);
const exercise = (e: SetUpState['exercise']): SetUpEvent => ({
  type: 'exercisePicked',
  exercise: e,
});

test('it begins as a ladder of time with whoever sets it up; with a lot as its dial-in', () => {
  expect(begun()).toMatchObject({ exercise: { kind: 'ladder' }, tasters: ['me'] });
  expect(begun('came').exercise.kind).toBe('dialIn');
  expect(readinessOf(begun(), plan(begun()))).toBe('ready');
});
test('a ladder of time has as many cups as were asked for, alike but for their time', () => {
  const { cups } = plan(after({ type: 'countPicked', count: 5 }));
  expect(cups).toHaveLength(5);
  expect(new Set(cups.map((c) => c.seconds)).size).toBe(5);
  expect(new Set(cups.map((c) => `${c.grams} ${c.water} ${c.celsius}`)).size).toBe(1);
});
test.each<SetUpEvent>([
  exercise({ kind: 'pair', way: 'grams' }),
  { type: 'teaPicked', tea: TEA },
  { type: 'vesselPicked', vessel: sampleVessel({ mark: millilitres(300) }) },
  { type: 'countPicked', count: 3 },
  { type: 'standardPicked', standard: true },
  { type: 'cupsReset' },
])('$type makes the cups anew, and nothing that differs is meant any more', (event) => {
  const own: SetUpEvent = { type: 'cupsChanged', cups: plan(begun()).cups.slice(0, 3) };
  const s = after(own, { type: 'meantSet', meant: true }, event);
  expect([s.cups.kind, s.meant]).toEqual(['computed', false]);
});
test('a figure that was changed by hand stays until then', () => {
  const cups = changedFigure(plan(begun()).cups, 1, 'grams', 9);
  const s = after({ type: 'cupsChanged', cups }, { type: 'tasterTouched', id: 'you' });
  expect(plan(s).cups[1]?.grams).toBe(9);
  expect(plan(s).cups[0]?.grams).not.toBe(9);
});
test('cups that differ in two things must be meant', () => {
  const cups = changedFigure(plan(begun()).cups, 1, 'grams', 9);
  const s = after({ type: 'cupsChanged', cups });
  expect(readinessOf(s, plan(s))).toBe('notMeant');
  const meant = setUpReducer(s, { type: 'meantSet', meant: true });
  expect(readinessOf(meant, plan(meant))).toBe('ready');
});
test('a calibration and a dial-in need not be alike', () => {
  for (const kind of ['calibration', 'dialIn'] as const)
    expect(plan(after(exercise({ kind, way: 'seconds' }))).comparesOne).toBe(false);
});
test('without a taster nothing is set up; a name touched twice is as before', () => {
  const nobody = after({ type: 'tasterTouched', id: 'me' });
  expect(readinessOf(nobody, plan(nobody))).toBe('noTaster');
  expect(setUpReducer(nobody, { type: 'tasterTouched', id: 'me' }).tasters).toEqual(['me']);
});
test('the lot that came last is dialled in; all else is tasted of the one in use', () => {
  expect(plan(begun()).lot?.id).toBe('used');
  const dialIn = after(exercise({ kind: 'dialIn', way: 'seconds' }));
  expect(plan(dialIn).lot?.id).toBe('came');
  expect(plan(setUpReducer(dialIn, { type: 'lotPicked', lotId: 'used' })).lot?.id).toBe('used');
});
test('the standard preparation takes 2 g per 100 ml for six minutes', () => {
  const { house: cup } = plan(after({ type: 'standardPicked', standard: true }));
  expect(cup.seconds).toBe(360);
  expect(cup.grams).toBeCloseTo(cup.water / 50, 1);
});
test('how cups are run is said', () => {
  const words = (e: SetUpState['exercise']) => {
    const { schedule, cups } = plan(after(exercise(e)));
    return clockWords(schedule, cups.length);
  };
  expect(words({ kind: 'ladder', way: 'seconds' })).toMatch(/in one pass/);
  expect(words({ kind: 'pair', way: 'grams' })).toMatch(/counted back/);
  expect(words({ kind: 'comparison', way: 'seconds', compares: 'steep' })).toMatch(/One leaf/);
  expect(words({ kind: 'dialIn', way: 'seconds' })).toMatch(/^One cup/);
});
test('moments too close for two hands are counted', () => {
  const { schedule } = plan(begun());
  const moment = { at: 60, act: 'pull', cup: 0 } as const;
  expect(tightWords({ ...schedule, tight: [] })).toBe('');
  expect(tightWords({ ...schedule, tight: [moment] })).toMatch(/^One moment lies/);
  expect(tightWords({ ...schedule, tight: [moment, moment] })).toMatch(/^2 moments lie/);
});

import { lastGlasses, type PlanAsked, type PlanProblem, planWeek } from '#core/coldPlan';
import { epochMs, millilitres } from '#core/units';
import type { PlannedCold } from '#contracts/coldPlans';
import type { Plannable } from '../../../entities/batches/coldTeas';
import { batchesOfPlan, draftAfter, type PlanDraft } from './draft';
import { plannerAfter } from './usePlanner';

const EMPTY: PlanDraft = { demand: [], batches: [], places: null, leftFree: [] };
const TEA = {
  ...{ id: 't fridge', teaId: 't', name: 'Kestry Pearl', kind: 'fridge brew', method: 'fridge' },
} as Plannable;
const added = draftAfter(EMPTY, { kind: 'added', tea: TEA });
const want = (draft: PlanDraft, scope: 'date' | 'weekly', glasses: number[], date = '2026-05-06') =>
  draftAfter(draft, { kind: 'wanted', coldTea: 't fridge', date, scope, glasses });
const planned = (over: Partial<PlannedCold> = {}): PlannedCold => ({
  ...{ id: 'b', teaId: 't', method: 'fridge', vesselId: 'v', water: millilitres(1000), glasses: 4 },
  ...{ start: 0, lift: 1, until: null, pinned: false },
  ...over,
});

test('a tea is added once, with nothing wanted; taken out, its batches go with it', () => {
  expect(draftAfter(added, { kind: 'added', tea: TEA })).toBe(added);
  expect(added.demand).toMatchObject([{ teaId: 't', glass: 220, days: {} }]);
  const pinned = draftAfter(added, { kind: 'pinned', batch: planned() });
  expect(draftAfter(pinned, { kind: 'removed', coldTea: 't fridge' })).toEqual(EMPTY);
});
test('typed for a date it holds for that date; for every week for its weekday, and the date gives way', () => {
  const once = want(added, 'date', [3, 1]);
  expect(once.demand[0]).toMatchObject({ days: { '2026-05-06': [3, 1] } });
  const weekly = want(once, 'weekly', [2, 2]);
  expect(weekly.demand[0]?.days).toEqual({});
  expect(weekly.demand[0]?.week).toEqual([[], [], [2, 2], [], [], [], []]);
});
test('a batch that stays is there once; let go, it is planned again', () => {
  const pinned = draftAfter(added, { kind: 'pinned', batch: planned() });
  const moved = draftAfter(pinned, { kind: 'pinned', batch: planned({ start: 5 }) });
  expect(moved.batches).toMatchObject([{ id: 'b', start: 5, pinned: true }]);
  expect(draftAfter(moved, { kind: 'unpinned', id: 'b' }).batches).toEqual([]);
});
test('glass and places are as typed', () => {
  const glass = { kind: 'glass', coldTea: 't fridge', glass: millilitres(180) } as const;
  expect(draftAfter(added, glass).demand[0]?.glass).toBe(180);
  expect(draftAfter(added, { kind: 'places', places: 4 }).places).toBe(4);
});

const BEGINS = epochMs(Date.UTC(2026, 4, 4, 9));
const PROBLEM: PlanProblem = {
  wash: 15,
  fridge: { places: null, water: null },
  hands: [0, 600].map((at) => ({ at, preferred: true })),
  services: [{ from: 660, to: 840 }],
  kinds: { pitcher: { places: 1 } },
  vessels: [{ id: 'v', kind: 'pitcher', out: [] }],
  lines: [
    {
      ...{ id: 't fridge', serving: 220, earliest: 500, latest: 700, goodFrom: 500, goodTo: 700 },
      ...{ chill: 0, keep: 4000, keepFrom: 'lift', fresh: 2000, fridge: 'all', demand: [5] },
      fills: { pitcher: [{ water: 1000, glasses: 4 }] },
    },
  ],
  standing: [],
  pins: [],
};
const ASKED: PlanAsked = {
  problem: PROBLEM,
  begins: BEGINS,
  services: [
    {
      ...{ date: '2026-05-04', index: 0 },
      from: epochMs(BEGINS + 660 * 60_000),
      to: epochMs(BEGINS + 840 * 60_000),
    },
  ],
};
test('batches of a plan are at their instants; one that was planned before keeps its id', () => {
  const plan = planWeek(PROBLEM);
  const [fresh] = batchesOfPlan(plan, ASKED, [], () => 'new');
  expect(fresh).toEqual({
    ...{ id: 'new', teaId: 't', method: 'fridge', vesselId: 'v', water: 1000, glasses: 4 },
    ...{ start: BEGINS, lift: BEGINS + 600 * 60_000, until: BEGINS + 840 * 60_000, pinned: false },
  });
  const known = [planned({ id: 'known', start: BEGINS })];
  expect(batchesOfPlan(plan, ASKED, known, () => 'new')[0]?.id).toBe('known');
});
test('a batch that is left out frees its pitcher, until it is used again', () => {
  const one = planned({ id: 'one', start: BEGINS });
  const span = { vesselId: 'v', from: BEGINS, to: BEGINS + 60_000 };
  const left = draftAfter({ ...EMPTY, batches: [one] }, { kind: 'leftFree', batch: one.id, span });
  expect(left).toMatchObject({ batches: [], leftFree: [span] });
  expect(draftAfter(left, { kind: 'usedAgain', span }).leftFree).toEqual([]);
});
test('while the next plan is looked for the one before stays in sight', () => {
  const plan = planWeek(PROBLEM);
  const found = { kind: 'plan', asked: ASKED, plan, because: [], share: 1 } as const;
  const first = plannerAfter({ stage: 'idle', found: null, ended: null }, { kind: 'begun' });
  expect(first).toEqual({ stage: 'looking', found: null, ended: null });
  const has = plannerAfter(plannerAfter(first, { kind: 'found', found }), { kind: 'ended' });
  expect(has).toEqual({ stage: 'done', found, ended: found });
  expect(plannerAfter(has, { kind: 'begun' })).toEqual({
    ...{ stage: 'looking', found, ended: found },
  });
  expect(plannerAfter(has, { kind: 'failed' }).stage).toBe('failed');
});

test('a whole fill for one glass is named, with what is thrown out; with one glass less it is not made', () => {
  const [line] = PROBLEM.lines;
  if (!line) throw new Error('no line');
  const wanted = (glasses: number): PlanProblem => ({
    ...PROBLEM,
    vessels: [...PROBLEM.vessels, { id: 'w', kind: 'pitcher', out: [] }],
    lines: [{ ...line, demand: [glasses] }],
  });
  const five = planWeek(wanted(5));
  expect(lastGlasses(wanted(5), five)).toEqual([
    { line: 't fridge', service: 0, vessel: expect.stringMatching(/^[vw]$/), thrown: 660 },
  ]);
  const four = planWeek(wanted(4));
  expect(lastGlasses(wanted(4), four)).toEqual([]);
  expect(four.merit.thrown).toBe(0);
  // Two glasses are worth a pitcher.
  expect(lastGlasses(wanted(6), planWeek(wanted(6)))).toEqual([]);
});

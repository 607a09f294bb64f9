import { samplePlan } from '#core/testing';
import { epochMs, millilitres } from '#core/units';
import {
  type BatchEvent,
  calendarOf,
  type CalendarPlanned,
  CANCELLED_SAID_MS,
  foldBatch,
  keptUntil,
  type SaidEntry,
  saidNow,
  USUAL_HOUSE_LIMITS,
} from './index';

const LEAF_IN = epochMs(Date.UTC(2026, 4, 4, 8));
const after = (hours: number) => epochMs(LEAF_IN + hours * 3_600_000);
const plan = samplePlan('fridge');
const BEST = plan.window.best / 3600;
const NAMED = { tea: { name: 'Kestry Pearl' }, vesselName: 'Pitcher 3' };
const batchAt = (events: readonly BatchEvent[], id = 'b') => {
  const recorded = { id, plan, leafIn: LEAF_IN, events };
  const now = foldBatch(id, plan, LEAF_IN, events);
  const air = { readings: [], gaps: [] };
  return {
    ...NAMED,
    ...recorded,
    now,
    discardAt: keptUntil(recorded, now, air, USUAL_HOUSE_LIMITS).discardAt,
  };
};
const lifted = (h: number): BatchEvent => ({
  kind: 'lift',
  yield: null,
  squeezed: false,
  id: 'l',
  at: after(h),
});
const planned: CalendarPlanned = { ...NAMED, id: 'b', start: after(0), lift: after(4) };
const by = (what: string) => (e: { uid: string }) => e.uid === `b-${what}@limnos`;

/** Says it all at each step, from what was said before. */
function told(
  steps: readonly (readonly [
    hours: number,
    batches: ReturnType<typeof batchAt>[],
    CalendarPlanned[],
  ])[],
): SaidEntry[][] {
  let before: SaidEntry[] = [];
  return steps.map(([hours, batches, plans]) => {
    const said = new Set(before.map((e) => e.uid));
    before = saidNow(calendarOf(batches, plans, said), before, after(hours));
    return before;
  });
}

test('planned, begun, lifted, poured out: each hand keeps its id and counts its moves', () => {
  const poured: BatchEvent = { kind: 'count', ml: millilitres(0), id: 'c', at: after(20) };
  const [plannedOnly, begun, again, drawn, ended] = told([
    [-10, [], [planned]],
    [0.1, [batchAt([])], []],
    [0.2, [batchAt([])], []],
    [BEST, [batchAt([lifted(BEST + 0.5)])], []],
    [21, [batchAt([lifted(BEST + 0.5), poured])], []],
  ]);
  expect(plannedOnly?.map((e) => [e.uid, e.status, e.sequence])).toEqual([
    ['b-leaf-in@limnos', 'tentative', 0],
    ['b-lift@limnos', 'tentative', 0],
  ]);
  expect(begun?.find(by('leaf-in'))).toMatchObject({ status: 'confirmed', sequence: 1 });
  expect(begun?.find(by('lift'))).toMatchObject({
    status: 'confirmed',
    sequence: 1,
    from: after(plan.window.earliest / 3600),
    to: after(plan.window.latest / 3600),
    alarm: after(BEST),
    summary: 'Lift Kestry Pearl, Pitcher 3',
  });
  // Asked again, nothing is newer.
  expect(again).toEqual(begun);
  // Until the lift the end is a forecast.
  expect(begun?.find(by('discard'))?.status).toBe('tentative');
  const discard = drawn?.find(by('discard'));
  expect(discard).toMatchObject({ status: 'confirmed', sequence: 1 });
  expect((discard?.to ?? 0) - (discard?.from ?? 0)).toBe(15 * 60_000);
  expect((discard?.from ?? 0) % (15 * 60_000)).toBe(0);
  expect(ended?.find(by('discard'))).toMatchObject({ status: 'cancelled', sequence: 2 });
  expect(ended?.find(by('lift'))?.status).toBe('confirmed');
});
test('what is planned no longer is called off for a fortnight, then forgotten', () => {
  const days = CANCELLED_SAID_MS / 3_600_000;
  const [, off, still, gone] = told([
    [-10, [], [planned]],
    [-9, [], []],
    [-9 + days - 1, [], []],
    [-9 + days + 1, [], []],
  ]);
  expect(off?.map((e) => [e.status, e.sequence, e.alarm])).toEqual([
    ['cancelled', 1, null],
    ['cancelled', 1, null],
  ]);
  expect(still).toEqual(off);
  expect(gone).toEqual([]);
});
test('a batch that left the list long after its end is not called off', () => {
  const [, later] = told([
    [1, [batchAt([])], []],
    [500, [], []],
  ]);
  expect(later).toEqual([]);
});
test('a start that was taken back calls off all of its hands; one never said is not said', () => {
  const undo: BatchEvent = { kind: 'undo', of: 'b', id: 'u', at: after(0.1) };
  const [, off] = told([
    [0, [batchAt([])], []],
    [0.2, [batchAt([undo])], []],
  ]);
  expect(off?.every((e) => e.status === 'cancelled')).toBe(true);
  expect(told([[0.2, [batchAt([undo])], []]])[0]).toEqual([]);
});

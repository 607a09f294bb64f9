import {
  type BatchEvent,
  type BatchPlan,
  nowOf,
  planBatch,
  readyAt,
  USUAL_HOUSE_LIMITS,
  windowOf,
} from '#core/cold';
import { type Method, startingRecipe } from '#core/recipes';
import { siteDate, type SiteWeek, type WallRange, type Week } from '#core/time';
import { celsius, type EpochMs, epochMs, millilitres } from '#core/units';
import {
  batchesToBegin,
  boundWords,
  type ColdHouse,
  type ColdTea,
  type ColdVessel,
  learntFor,
  partedAsBefore,
  type PlanAsked,
  planDays,
  planWeek,
  problemOf,
  type Reason,
  reasonsOf,
  reasonWords,
  servedByDay,
  servicesOf,
  type StandingBatch,
  wantedOn,
} from './index';

const HOUR = 3_600_000;
/** A Monday. */
const NOW = epochMs(Date.UTC(2026, 4, 4, 9, 10));
const ZONE = 'UTC';
const everyDay = (day: WallRange[]): Week => [day, day, day, day, day, day, day];
const WEEK: SiteWeek = {
  open: everyDay([['08:00', '22:00']]),
  preferred: everyDay([['08:00', '10:00']]),
  services: everyDay([
    ['11:00', '14:00'],
    ['14:00', '18:00'],
  ]),
};
const pitcher = (id: string, mark = 1000): ColdVessel => ({
  ...{ id, kind: 'pitcher', mark: millilitres(mark), brim: millilitres(mark * 1.15) },
  ...{ infuser: 'deep', basket: null, material: 'glass', wallGrams: null, lid: true },
});
const pearl = (method: Method = 'fridge'): ColdTea => ({
  id: `pearl ${method}`,
  tea: { style: 'green-pan', fitted: null, measure: null } as unknown as ColdTea['tea'],
  recipe: startingRecipe('green-pan', method),
  method,
  serving: millilitres(220),
});
/** So many glasses of each service, every day; or on the day after `NOW` alone. */
const everyDayWanted = (...glasses: number[]): ColdHouse['wanted'] => ({
  'pearl fridge': { week: Array.from({ length: 7 }, () => glasses), days: {} },
});
const tomorrowWanted = (...glasses: number[]): ColdHouse['wanted'] => ({
  'pearl fridge': { week: [], days: { '2026-05-05': glasses } },
});
const house = (over: Partial<ColdHouse> = {}): ColdHouse => ({
  ...{ now: NOW, zone: ZONE, week: WEEK, days: 3, places: null },
  teas: [pearl()],
  vessels: [pitcher('P1'), pitcher('P2')],
  air: celsius(4),
  ambient: celsius(20),
  waterAt: celsius(8),
  limits: USUAL_HOUSE_LIMITS,
  standing: [],
  ...{ pinned: [], leftFree: [], before: [] },
  wanted: everyDayWanted(2, 2),
  ...over,
});
const planOf = (h: ColdHouse): BatchPlan => {
  const [tea] = h.teas;
  const [vessel] = h.vessels;
  if (!tea || !vessel) throw new Error('no tea');
  const found = planBatch({ ...h, ...tea, vessel, water: vessel.mark });
  if (found.kind !== 'plan') throw new Error('no plan');
  return found.plan;
};
function standing(h: ColdHouse, hoursAgo: number, lifted: boolean): StandingBatch {
  const plan = planOf(h);
  const leafIn = epochMs(NOW - hoursAgo * HOUR);
  const window = windowOf(plan.window, leafIn);
  const lift = { id: 'l', at: window.best, kind: 'lift', yield: null, squeezed: false };
  const now = nowOf({
    ...{ id: 'b', plan, leafIn },
    events: lifted ? [lift as unknown as BatchEvent] : [],
  });
  return {
    ...{ id: 'b', coldTea: 'pearl fridge', vesselId: 'P1', plan, now, window },
    ready: readyAt(plan, now.state),
    discardAt: epochMs(leafIn + 60 * HOUR),
  };
}
const at = (asked: PlanAsked, minute: number): string =>
  new Date(asked.begins + minute * 60_000).toISOString().slice(0, 16);

test('a week of a site as a problem: hands from now on, services, one kind of vessel, fills in whole glasses', () => {
  const asked = problemOf(house());
  const { problem } = asked;
  expect(asked.begins).toBe(NOW);
  expect(problem.hands.slice(0, 3).map((h) => [at(asked, h.at), h.preferred])).toEqual([
    ['2026-05-04T09:10', true],
    ['2026-05-04T09:30', true],
    ['2026-05-04T10:00', true],
  ]);
  expect(problem.services.map((s) => at(asked, s.from))).toEqual(
    ['04T11', '04T14', '05T11', '05T14', '06T11', '06T14'].map((t) => `2026-05-${t}:00`),
  );
  expect(Object.keys(problem.kinds)).toHaveLength(1);
  const [line] = problem.lines;
  const [fills] = Object.values(line?.fills ?? {});
  expect(fills?.map((f) => f.water)).toEqual([500, 750, 1000]);
  for (const { water, glasses } of fills ?? []) {
    expect(glasses).toBeLessThanOrEqual(water / 220);
    expect(glasses).toBeGreaterThanOrEqual(Math.floor((water * 0.9) / 220) - 1);
  }
  expect(line?.demand).toEqual([2, 2, 2, 2, 2, 2]);
});
test('what is drawn is poured first; what infuses is lifted at a hand of its window, and poured too', () => {
  const h = house({ wanted: everyDayWanted(2, 0) });
  const drawn = problemOf({ ...h, standing: [standing(h, 20, true)] });
  expect(drawn.problem.standing).toMatchObject([{ id: 'b', glasses: 4, vessel: 'P1' }]);
  expect(planWeek(drawn.problem).standing[0]?.pours.length).toBeGreaterThan(0);
  const infusing = problemOf({ ...h, standing: [standing(h, 1, false)] });
  const [pin] = infusing.problem.pins;
  expect(pin).toMatchObject({ id: 'b', start: -60, water: 1000 });
  const lift = infusing.problem.hands.some((hand) => hand.at === pin?.lift);
  expect(lift).toBe(true);
  expect(batchesToBegin(planWeek(infusing.problem), infusing).some((b) => b.pin === 'b')).toBe(
    false,
  );
});
test('one that infuses past its window is lifted at the next hand', () => {
  const h = house();
  const asked = problemOf({ ...h, standing: [standing(h, 40, false)] });
  expect(asked.problem.pins[0]?.lift).toBe(0);
});
test('a batch placed by hand stays to the minute; one whose start went by begins now', () => {
  const start = epochMs(NOW + 3 * HOUR + 7 * 60_000);
  const pinned = {
    ...{ id: 'mine', coldTea: 'pearl fridge', vesselId: 'P2', water: millilitres(500) },
    start,
    lift: epochMs(start + 6 * HOUR),
  };
  const asked = problemOf(house({ pinned: [pinned] }));
  const mine = batchesToBegin(planWeek(asked.problem), asked).find((b) => b.pin === 'mine');
  expect(mine).toMatchObject({ start, lift: pinned.lift, vesselId: 'P2', water: 500 });
  const late = { ...pinned, start: epochMs(NOW - HOUR), lift: epochMs(NOW + 5 * HOUR) };
  expect(problemOf(house({ pinned: [late] })).problem.pins[0]).toMatchObject({
    start: 0,
    lift: 6 * 60,
  });
});
test('a batch placed by hand that its pitcher can no longer hold is planned anew', () => {
  const pinned = {
    ...{ id: 'mine', coldTea: 'pearl fridge', vesselId: 'P2', water: millilitres(730) },
    ...{ start: NOW, lift: epochMs(NOW + 6 * HOUR) },
  };
  expect(problemOf(house({ pinned: [pinned] })).problem.pins).toEqual([]);
  const gone = { ...pinned, water: millilitres(500), vesselId: 'P9' };
  expect(problemOf(house({ pinned: [gone] })).problem.pins).toEqual([]);
});
test('no pitcher, no service, no tea: nothing is planned, nothing breaks', () => {
  for (const over of [
    { vessels: [] },
    { teas: [] },
    { week: { ...WEEK, services: everyDay([]) } },
  ]) {
    const asked = problemOf(house(over));
    expect(planWeek(asked.problem).batches).toEqual([]);
  }
});

test('a pitcher that is left free is not filled then; of pitchers alike a batch keeps the one it had', () => {
  const vesselsOf = (over: Partial<ColdHouse>) => {
    const { problem } = problemOf(house({ days: 2, wanted: tomorrowWanted(2, 0), ...over }));
    const plan = planWeek(problem);
    expect(plan.merit.unmet).toBe(0);
    return plan.batches.map((b) => b.vessel);
  };
  expect(vesselsOf({})).toEqual(['P1']);
  const span = { vesselId: 'P1', from: NOW, to: epochMs(NOW + 48 * HOUR) };
  expect(vesselsOf({ leftFree: [span] })).toEqual(['P2']);
  const asked = problemOf(house({ days: 2, wanted: tomorrowWanted(2, 0) }));
  const [batch] = batchesToBegin(planWeek(asked.problem), asked);
  const when = ({ start, lift }: { start: EpochMs; lift: EpochMs }) => ({ start, lift });
  if (!batch) throw new Error('no batch');
  expect(
    vesselsOf({ before: [{ coldTea: 'pearl fridge', vesselId: 'P2', ...when(batch) }] }),
  ).toEqual(['P2']);
});

test('of plans that are as good as each other the one that has most of the plan before is taken', () => {
  // A glass at noon, ready from a whole night of hands: every hour of leaf in is as good as the next.
  const at = (before: ColdHouse['before']) => {
    const asked = problemOf(house({ days: 2, wanted: tomorrowWanted(2, 0), before }));
    const easy = asked.problem.lines.map((l) => ({ ...l, goodFrom: l.earliest, goodTo: l.latest }));
    const plan = planWeek({ ...asked.problem, lines: easy });
    return { plan, batches: batchesToBegin(plan, asked) };
  };
  const first = at([]);
  const [batch] = first.batches;
  if (!batch) throw new Error('no batch');
  const [start, lift] = [epochMs(batch.start - HOUR / 2), epochMs(batch.lift - HOUR / 2)];
  const again = at([{ coldTea: 'pearl fridge', vesselId: 'P1', start, lift }]);
  expect(again.plan.merit).toEqual(first.plan.merit);
  expect(again.batches).toMatchObject([{ start, lift }]);
});

describe('why glasses are short', () => {
  const reasons = (h: ColdHouse): Reason['kind'][] => {
    const { problem } = problemOf(h);
    return reasonsOf(problem, planWeek(problem)).map((u) => u.because.kind);
  };
  test('the first service of today: leaf that goes in now is too late', () => {
    expect(reasons(house({ days: 1, wanted: everyDayWanted(2, 0) }))).toEqual(['tooLate']);
  });
  test('nobody is there to start or lift', () => {
    const open = everyDay([['10:30', '11:00']]);
    expect(
      reasons(
        house({
          week: { ...WEEK, open },
          days: 2,
          now: epochMs(Date.UTC(2026, 4, 4, 10, 45)),
          wanted: tomorrowWanted(3, 0),
        }),
      ),
    ).toContain('nobody');
  });
  test('every pitcher stands; the fridge is full', () => {
    const many = { wanted: tomorrowWanted(8, 0) };
    expect(reasons(house({ ...many, vessels: [pitcher('P1')] }))).toContain('vessels');
    expect(reasons(house({ ...many, places: 1 }))).toContain('fridge');
  });
  test('in words, with the times and names of the house', () => {
    const say = { time: (m: number) => `${m} min`, vessel: (id: string) => `Pitcher ${id}` };
    const words = (r: Reason) => reasonWords(r, say);
    expect(words({ kind: 'tooLate', ready: 240 })).toMatch(/ready at 240 min at the earliest/);
    expect(words({ kind: 'nobody', span: { from: 10, to: 20 } })).toMatch(/from 10 min to 20 min/);
    expect(words({ kind: 'vessels', stand: ['1', '2'] })).toMatch(/Pitcher 1, Pitcher 2\./);
    expect(words({ kind: 'fridge', places: 3 })).toMatch(/3 of 3 places/);
    expect(words({ kind: 'pins', pins: ['a'] })).toMatch(/that stays/);
    expect(words({ kind: 'several' })).toMatch(/all short/);
  });
  test('how good it is, against the best there could be', () => {
    const merit = { unmet: 2, thrown: 300, off: 0, batches: 4, hands: 1 };
    const words = (bound: object, proven = false) =>
      boundWords(
        {
          ...{ merit, bound: { ...merit, ...bound }, proven },
          ...{ batches: [], standing: [], unmet: [] },
        },
        (ml) => `${ml} ml`,
      );
    expect(words({}, true)).toBe('No better plan exists.');
    expect(words({ unmet: 1 })).toMatch(/fewer than 1 glass short/);
    expect(words({ thrown: 80 })).toMatch(/80 ml at the least/);
    expect(words({ batches: 3 })).toMatch(/at most 1 batch fewer/);
    expect(words({ batches: 2 })).toMatch(/at most 2 batches fewer/);
    expect(words({ off: 0, hands: 0 })).toBe('No plan serves more or throws out less.');
  });
});

describe('demand', () => {
  const wanted = { week: Array.from({ length: 7 }, (_, i) => [i, 1]), days: { '2026-05-06': [9] } };
  test('of the weekday, unless the day is otherwise', () => {
    expect([wantedOn(wanted, '2026-05-04'), wantedOn(wanted, '2026-05-10')]).toEqual([
      [0, 1],
      [6, 1],
    ]);
    expect(wantedOn(wanted, '2026-05-06')).toEqual([9]);
  });
  test('a day’s glasses are parted as before, or by the length of its services', () => {
    const services = servicesOf(ZONE, WEEK, '2026-05-04', 1).filter((s) => s.date === '2026-05-04');
    expect(partedAsBefore(14, services, [])).toEqual([6, 8]);
    expect(partedAsBefore(10, services, [1, 4])).toEqual([2, 8]);
    expect(partedAsBefore(5, [], [1])).toEqual([]);
  });
  test('glasses poured become days: between services to the one before, before the first to the first', () => {
    const poured = (day: number, hour: number, glasses: number) => ({
      at: epochMs(Date.UTC(2026, 4, day, hour)) as EpochMs,
      glasses,
    });
    const days = servedByDay(
      [poured(1, 9, 1), poured(1, 12, 2), poured(3, 19, 4), poured(4, 12, 7)],
      { zone: ZONE, week: WEEK },
      '2026-05-04',
    );
    expect(days).toEqual([
      { date: '2026-05-01', served: [3, 0], soldOut: false },
      { date: '2026-05-02', served: [0, 0], soldOut: false },
      { date: '2026-05-03', served: [0, 4], soldOut: false },
    ]);
    expect(servedByDay([], { zone: ZONE, week: WEEK }, '2026-05-04')).toEqual([]);
    const learnt = learntFor(days, planDays(siteDate(ZONE, NOW), 2));
    expect(learnt).toHaveLength(2);
    expect(learnt?.[0]).toMatchObject({ date: '2026-05-04', weekdays: 0 });
    expect(learntFor([], ['2026-05-04'])).toBeNull();
  });
});

import { normal, type Random, seeded } from '#core/numeric';
import { judgePlan } from '../../../test/planRules';
import {
  beginPlan,
  type Merit,
  type Pin,
  pinsRefused,
  type PlanLine,
  type PlannedBatch,
  type PlanProblem,
  planWeek,
  type Pour,
} from './index';

const HOUR = 60;
const DAY = 24 * HOUR;

const LINE: PlanLine = {
  id: 'pearl',
  serving: 200,
  earliest: 6 * HOUR,
  latest: 12 * HOUR,
  goodFrom: 7 * HOUR,
  goodTo: 10 * HOUR,
  chill: 0,
  keep: 3 * DAY,
  keepFrom: 'lift',
  fresh: 2 * DAY,
  fridge: 'all',
  fills: {
    pitcher: [
      { water: 500, glasses: 2 },
      { water: 1000, glasses: 4 },
    ],
  },
  demand: [],
};
/** Open 8 to 20 each day, a hand every two hours, served 11 to 13 and 15 to 17. */
const house = (days: number, over: Partial<PlanProblem> = {}): PlanProblem => ({
  wash: 15,
  fridge: { places: null, water: null },
  hands: Array.from({ length: days * 7 }, (_, i) => ({
    at: Math.floor(i / 7) * DAY + (8 + 2 * (i % 7)) * HOUR,
    preferred: i % 7 < 2 || i % 7 === 6,
  })),
  services: Array.from({ length: days * 2 }, (_, j) => {
    const from = Math.floor(j / 2) * DAY + (j % 2 === 0 ? 11 : 15) * HOUR;
    return { from, to: from + 2 * HOUR };
  }),
  kinds: { pitcher: { places: 1 } },
  vessels: [
    { id: 'P1', kind: 'pitcher', out: [] },
    { id: 'P2', kind: 'pitcher', out: [] },
  ],
  lines: [],
  standing: [],
  pins: [],
  ...over,
});
const line = (demand: readonly number[], over: Partial<PlanLine> = {}): PlanLine => ({
  ...LINE,
  demand,
  ...over,
});
const values = (m: Merit): number[] => [m.unmet, m.thrown, m.off, m.batches, m.hands];
const pinOf = (over: Partial<Pin> = {}): Pin => ({
  ...{ id: 'pin', line: 'pearl', vessel: 'P1', water: 1000 },
  ...{ start: 20 * HOUR, lift: DAY + 8 * HOUR },
  ...over,
});

test('four glasses tomorrow: one pitcher over night, emptied, proven', () => {
  const p = house(2, { lines: [line([0, 0, 4, 0], { goodFrom: 12 * HOUR, goodTo: 12 * HOUR })] });
  const plan = planWeek(p);
  expect(plan).toMatchObject({
    proven: true,
    batches: [{ vessel: 'P1', water: 1000, start: 20 * HOUR, lift: DAY + 8 * HOUR }],
    unmet: [],
  });
  expect(judgePlan(p, plan)).toEqual({ faults: [], merit: plan.merit });
});
test('what stands there is poured first, the one that has to go first before the other', () => {
  const standing = [
    { id: 'late', discardAt: 2 * DAY },
    { id: 'soon', discardAt: DAY },
  ].map((s, i) => ({
    ...{ line: 'pearl', vessel: `P${i + 1}`, glasses: 2, water: 500, readyAt: 0, inFridge: true },
    ...s,
  }));
  const plan = planWeek(house(1, { lines: [line([1, 2])], standing }));
  expect(plan.standing).toEqual([
    { id: 'late', pours: [{ service: 1, glasses: 1 }], thrown: 1 },
    {
      id: 'soon',
      pours: [
        { service: 0, glasses: 1 },
        { service: 1, glasses: 1 },
      ],
      thrown: 0,
    },
  ]);
  expect(values(plan.merit)).toEqual([0, 200, 0, 0, 0]);
});
test('nothing wanted: nothing planned; a pin is there all the same, and thrown out', () => {
  expect(planWeek(house(2, { lines: [line([0, 0, 0, 0])] })).batches).toEqual([]);
  const pinned = planWeek(house(2, { lines: [line([0, 0, 0, 0])], pins: [pinOf()] }));
  expect(pinned.batches).toMatchObject([{ pin: 'pin', pours: [] }]);
  expect(pinned.merit.thrown).toBe(800);
});
test('a pin is poured from where it serves, though it is out of window and hours', () => {
  const pins = [pinOf({ start: -90, lift: 7 * HOUR + 30 })];
  const p = house(1, { lines: [line([2, 2])], pins });
  const plan = planWeek(p);
  expect(plan.batches).toMatchObject([{ pin: 'pin', start: -90, lift: 450 }]);
  expect(values(plan.merit)).toEqual([0, 0, 0, 1, 2]);
  expect(judgePlan(p, plan).faults).toEqual([]);
});
describe('pins that cannot stand', () => {
  const refused = (pins: Pin[], over: Partial<PlanProblem> = {}) =>
    pinsRefused(house(2, { lines: [line([0, 0, 0, 0])], pins, ...over }));
  const other = pinOf({ id: 'other', start: 18 * HOUR });
  test('two in one vessel; one while it is out', () => {
    expect(refused([pinOf(), other])).toEqual({
      why: 'vessel',
      at: DAY + 8 * HOUR,
      pins: ['other', 'pin'],
    });
    const out = [{ from: 19 * HOUR, to: 21 * HOUR }];
    const vessels = [{ id: 'P1', kind: 'pitcher', out }];
    expect(refused([pinOf()], { vessels })?.why).toBe('vessel');
    expect(refused([pinOf()])).toBeNull();
  });
  test('too many for the fridge: places, then litres', () => {
    const beside = { ...other, vessel: 'P2' };
    expect(refused([pinOf(), beside])).toBeNull();
    expect(refused([pinOf(), beside], { fridge: { places: 1, water: null } })).toEqual({
      why: 'places',
      at: 20 * HOUR,
      pins: ['other', 'pin'],
    });
    expect(refused([pinOf(), beside], { fridge: { places: 2, water: 1500 } })?.why).toBe('litres');
  });
  test('a pin of a water that is none of its fills, of a vessel nobody has: said', () => {
    expect(() => planWeek(house(2, { lines: [line([1])], pins: [pinOf({ water: 7 })] }))).toThrow(
      'no fill of 7 ml',
    );
    expect(() => refused([pinOf({ vessel: 'P9' })])).toThrow(/no vessel P9/);
  });
});

const whole = (random: Random, from: number, to: number): number =>
  from + Math.floor(random() * (to - from + 1));
function smallProblem(random: Random): PlanProblem {
  const days = 2;
  const lines = ['pearl', 'amber'].slice(0, whole(random, 1, 2)).map((id) =>
    line(
      Array.from({ length: days * 2 }, () => (random() < 0.35 ? 1 : 0)),
      {
        id,
        earliest: whole(random, 3, 8) * HOUR,
        latest: whole(random, 9, 14) * HOUR,
        keep: whole(random, 6, 40) * HOUR,
        fresh: whole(random, 2, 20) * HOUR,
        fridge: (['all', 'afterLift', 'never'] as const)[whole(random, 0, 2)] ?? 'all',
        keepFrom: random() < 0.3 ? 'start' : 'lift',
        chill: random() < 0.3 ? 2 * HOUR : 0,
      },
    ),
  );
  const p = house(days, { lines });
  return {
    ...p,
    hands: p.hands.filter(() => random() < 0.5),
    vessels: p.vessels.slice(0, whole(random, 1, 2)).map((v) => ({
      ...v,
      out: random() < 0.2 ? [{ from: 9 * HOUR, to: 15 * HOUR }] : [],
    })),
    fridge: { places: whole(random, 1, 2), water: random() < 0.3 ? 1000 : null },
  };
}

/** Every batch that might be, for every service it might serve. */
function candidates(p: PlanProblem): Omit<PlannedBatch, 'pours'>[] {
  return p.lines.flatMap((l) =>
    p.hands.flatMap(({ at: start }) =>
      p.hands
        .filter(({ at }) => at - start >= l.earliest && at - start <= l.latest)
        .flatMap(({ at: lift }) =>
          p.vessels.flatMap((v) =>
            (l.fills[v.kind] ?? []).map((fill) => ({
              ...{ pin: null, line: l.id, vessel: v.id, start, lift },
              ...fill,
            })),
          ),
        ),
    ),
  );
}
/** Every way to pour the demand of one glass a service from those batches, some of it from none. */
function* pourings(
  p: PlanProblem,
  batches: readonly Omit<PlannedBatch, 'pours'>[],
): Generator<PlannedBatch[]> {
  const wanted = p.lines.flatMap((l) =>
    l.demand.flatMap((glasses, service) => (glasses > 0 ? [{ line: l.id, service }] : [])),
  );
  const choices = wanted.map((w) => [
    -1,
    ...batches.flatMap((b, i) => (b.line === w.line ? [i] : [])),
  ]);
  const total = choices.reduce((n, c) => n * c.length, 1);
  for (let n = 0; n < total; n++) {
    const pours: Pour[][] = batches.map(() => []);
    let rest = n;
    wanted.forEach((w, i) => {
      const list = choices[i] ?? [];
      const chosen = list[rest % list.length] ?? -1;
      rest = Math.floor(rest / list.length);
      pours[chosen]?.push({ service: w.service, glasses: 1 });
    });
    if (pours.every((list) => list.length > 0))
      yield batches.map((b, i) => ({
        ...b,
        pours: (pours[i] ?? []).sort((a, c) => a.service - c.service),
      }));
  }
}
function bestByTrying(p: PlanProblem): number[] {
  const all = candidates(p);
  let best: number[] | null = null;
  const better = (a: number[], b: number[]) => {
    const i = a.findIndex((x, n) => x !== b[n]);
    return i >= 0 && (a[i] ?? 0) < (b[i] ?? 0);
  };
  const look = (chosen: Omit<PlannedBatch, 'pours'>[], from: number, more: number) => {
    for (const batches of pourings(p, chosen)) {
      const { faults, merit } = judgePlan(p, { batches, standing: [] });
      if (faults.length === 0 && (!best || better(values(merit), best))) best = values(merit);
    }
    if (more === 0) return;
    for (let i = from; i < all.length; i++) look([...chosen, all[i]!], i + 1, more - 1);
  };
  const wanted = p.lines.flatMap((l) => l.demand).filter((d) => d > 0).length;
  look([], 0, wanted);
  return best ?? [];
}
test('small plans are as good as the best of all there are', () => {
  const random = seeded(2026);
  let tried = 0;
  while (tried < 40) {
    const p = smallProblem(random);
    const wanted = p.lines.flatMap((l) => l.demand).reduce((a, b) => a + b, 0);
    const many = candidates(p).length;
    if (wanted === 0 || wanted > 3 || many > 30) continue;
    tried += 1;
    const plan = planWeek(p);
    expect(judgePlan(p, plan)).toEqual({ faults: [], merit: plan.merit });
    expect([tried, plan.proven, values(plan.merit)]).toEqual([tried, true, bestByTrying(p)]);
  }
});

function bigProblem(random: Random): PlanProblem {
  const ids = ['pearl', 'amber', 'light', 'hollow'];
  const p = house(5);
  return {
    ...p,
    fridge: { places: 5, water: null },
    kinds: { pitcher: { places: 1 }, large: { places: 2 } },
    vessels: [1, 2, 3, 4].map((n) => ({
      id: `P${n}`,
      kind: n === 4 ? 'large' : 'pitcher',
      out: n === 1 ? [{ from: 30 * HOUR, to: 40 * HOUR }] : [],
    })),
    lines: ids.map((id) =>
      line(
        p.services.map(() => Math.max(0, Math.round(normal(random, 1.2, 1)))),
        { id, fills: { ...LINE.fills, large: [{ water: 1500, glasses: 7 }] } },
      ),
    ),
    standing: [
      {
        ...{ id: 'here', line: 'amber', vessel: 'P2', glasses: 3, water: 1000 },
        ...{ readyAt: 0, discardAt: 30 * HOUR, inFridge: true },
      },
    ],
    pins: [pinOf({ vessel: 'P3', line: 'light' })],
  };
}
test('busy weeks keep every rule; their bound never lies above them; the same week gives the same plan', () => {
  const random = seeded(7);
  for (let i = 0; i < 12; i++) {
    const p = bigProblem(random);
    const plan = planWeek(p, 60_000);
    expect(judgePlan(p, plan)).toEqual({ faults: [], merit: plan.merit });
    expect(plan.bound.unmet).toBeLessThanOrEqual(plan.merit.unmet);
    if (plan.proven) expect(plan.bound).toEqual(plan.merit);
    expect(planWeek(p, 60_000)).toEqual(plan);
  }
});
test('a plan that is gone on with is never worse, and its bound never looser', () => {
  const random = seeded(11);
  const p = bigProblem(random);
  const planning = beginPlan(p);
  let before = planning.plan();
  for (const steps of [20_000, 60_000, 200_000]) {
    planning.goOn(steps);
    const after = planning.plan();
    const [worse, better] = [values(before.merit), values(after.merit)];
    const i = worse.findIndex((x, n) => x !== better[n]);
    if (i >= 0) expect(better[i]).toBeLessThan(worse[i] ?? 0);
    expect(after.bound.unmet).toBeGreaterThanOrEqual(before.bound.unmet);
    before = after;
  }
});

import { seeded, shuffled } from '#core/numeric';
import { startingRecipe } from '#core/recipes';
import { celsius, epochMs, millilitres, SPOONS } from '#core/units';
import {
  type BatchAct,
  batchCode,
  type BatchEvent,
  type BatchPlan,
  foldBatch,
  inOneVessel,
  isLabelOutdated,
  keptUntil,
  labelTime,
  limitsFor,
  nowOf,
  planBatch,
  readyAt,
  refusalWords,
  refuseAct,
  stricterOf,
  useFirst,
  USUAL_HOUSE_LIMITS,
} from './index';

/** A fridge nobody has read. */
const NOTHING_READ = { readings: [], gaps: [] };
const LEAF_IN = epochMs(Date.UTC(2026, 4, 4, 8));
const HOUR = 3_600_000;
const after = (h: number) => epochMs(LEAF_IN + Math.round(h * HOUR));
const ID = '019e0000-0000-7000-8000-0000000000aa';
const asked = {
  tea: { style: 'green-pan', fitted: null, spoon: SPOONS.dessertSpoon, weighing: null },
  recipe: startingRecipe('green-pan', 'fridge'),
  method: 'fridge',
  vessel: {
    kind: 'pitcher',
    brim: millilitres(1150),
    mark: millilitres(1000),
    infuser: 'deep',
    basket: millilitres(300),
    material: 'glass',
    wallGrams: null,
    lid: true,
    dead: millilitres(0),
  },
  water: millilitres(1000),
  waterAt: celsius(8),
  air: celsius(4),
  ambient: celsius(20),
  limits: USUAL_HOUSE_LIMITS,
} as const satisfies Parameters<typeof planBatch>[0];
function planOf(over: Partial<Parameters<typeof planBatch>[0]> = {}): BatchPlan {
  const planned = planBatch({ ...asked, ...over });
  if (planned.kind !== 'plan') throw new Error(planned.kind);
  return planned.plan;
}
const PLAN = planOf();
const BEST = PLAN.window.best / 3600;
let n = 0;
const event = (h: number, act: BatchAct): BatchEvent => ({ ...act, id: `e${n++}`, at: after(h) });
const lift = (h: number, ml: number | null = null) =>
  event(h, { kind: 'lift', yield: ml === null ? null : millilitres(ml), squeezed: false });
const pour = (h: number, ml: number) =>
  event(h, { kind: 'pour', ml: millilitres(ml), glasses: null });
const recorded = (events: BatchEvent[]) => ({ id: ID, plan: PLAN, leafIn: LEAF_IN, events });
const fold = (...events: BatchEvent[]) => nowOf(recorded(events));

describe('what it is begun with', () => {
  test('warm water is given ice, so that it is cold within four hours', () => {
    const plan = planOf({ waterAt: celsius(16) });
    expect(plan.ice).toBeGreaterThan(0);
    expect((plan.coldAfter ?? 99) / 3600).toBeCloseTo(4, 6);
    expect(planOf({ waterAt: celsius(4) })).toMatchObject({ ice: 0 });
  });
  test('a colder fridge takes longer, a warmer one less; a warm start keeps two days', () => {
    // Water that needs no ice: ice makes up for a warmer fridge.
    const bestIn = (air: number) =>
      planOf({ air: celsius(air), waterAt: celsius(4), ambient: celsius(5) }).window.best;
    expect(bestIn(1)).toBeGreaterThan(bestIn(4));
    expect(bestIn(4.9)).toBeLessThan(bestIn(4));
    const warm = planOf({
      method: 'warmThenCold',
      recipe: startingRecipe('green-pan', 'warmThenCold'),
    });
    expect(warm.keeping.keepHours).toBe(48);
    expect(warm.hotFirst).not.toBeNull();
    expect(warm.ice).toBeGreaterThan(PLAN.ice);
    expect((warm.coldAfter ?? 99) / 3600).toBeCloseTo(4, 6);
    expect(PLAN.keeping.keepHours).toBe(72);
  });
  test('more than the brim is refused as on any card', () => {
    expect(planBatch({ ...asked, water: millilitres(1300) })).toMatchObject({ kind: 'overBrim' });
  });
});

describe('how it stands', () => {
  test('leaf in, lifted, poured to the end', () => {
    expect(fold().state).toEqual({ kind: 'infusing', leafIn: LEAF_IN });
    const drawn = fold(lift(BEST, 940));
    expect(drawn.state).toMatchObject({ kind: 'drawn', lifted: after(BEST) });
    expect(drawn.ledger.left).toBe(940);
    const first = lift(BEST, 440);
    const glass = pour(BEST + 6, 220);
    expect(fold(first, glass)).toMatchObject({ openedAt: after(BEST + 6), ledger: { left: 220 } });
    expect(fold(first, glass, pour(BEST + 8, 220)).state).toMatchObject({ kind: 'finished' });
  });
  test('without a measured yield it is what leaf does not hold', () => {
    expect(fold(lift(BEST)).ledger.left).toBe(PLAN.liquor);
    const squeezed = event(BEST, { kind: 'lift', yield: null, squeezed: true });
    expect(fold(squeezed).ledger.left).toBeGreaterThan(PLAN.liquor);
  });
  test('what could not be is kept and changes nothing: a second lift, a pour from nothing', () => {
    const [early, first, second] = [pour(1, 200), lift(BEST, 900), lift(BEST + 1, 500)];
    const now = fold(early, first, second);
    expect(now.ignored).toEqual([early.id, second.id]);
    expect(now.ledger.left).toBe(900);
  });
  test('what is taken back is as if it had never been; the leaf-in too', () => {
    const [up, glass] = [lift(BEST, 900), pour(BEST + 5, 220)];
    const back = event(BEST + 5.01, { kind: 'undo', of: glass.id });
    expect(fold(up, glass, back)).toMatchObject({ openedAt: null, ledger: { left: 900 } });
    expect(fold(event(0.1, { kind: 'undo', of: ID })).state).toMatchObject({ kind: 'cancelled' });
  });
  test('the double of another is void, and stays so; taken back it is there again', () => {
    const double = event(0.2, { kind: 'void', double: 'other' });
    expect(fold(double, lift(BEST)).state).toMatchObject({ kind: 'void', double: 'other' });
    const back = event(0.3, { kind: 'undo', of: double.id });
    expect(fold(double, back).state).toMatchObject({ kind: 'infusing' });
  });
  test('in whatever order events come, and however often, it is the same; the ledger adds up', () => {
    const random = seeded(21);
    for (let i = 0; i < 200; i++) {
      const acts: BatchEvent[] = [lift(BEST, 900)];
      for (let k = 0; k < 8; k++) {
        const [h, ml] = [BEST + 1 + random() * 40, millilitres(Math.floor(random() * 300))];
        const kind = ['pour', 'dilute', 'count', 'discard'][Math.floor(random() * 4)];
        if (kind === 'pour') acts.push(pour(h, ml + 1));
        else if (kind === 'dilute') acts.push(event(h, { kind, ml }));
        else if (kind === 'count') acts.push(event(h, { kind, ml }));
        else acts.push(event(h, { kind: 'discard', ml, reason: 'spilled' }));
      }
      const now = fold(...acts);
      expect(fold(...shuffled(acts, random), ...acts.slice(0, 3))).toEqual(now);
      const { ledger: l } = now;
      expect(l.left).toBeGreaterThanOrEqual(0);
      expect(l.yield + l.diluted).toBeCloseTo(l.poured + l.discarded + l.countedOff + l.left, 6);
    }
  });
});

describe('what is refused', () => {
  const say = {
    time: (at: number) => new Date(at).toISOString().slice(11, 16),
    volume: (ml: number) => `${Math.round(ml)} ml`,
  };
  const refused = (
    events: BatchEvent[],
    act: BatchAct,
    h: number,
    { isLead = false, now = after(h) } = {},
  ) => {
    const standing = fold(...events);
    const found = refuseAct({ id: ID, plan: PLAN, leafIn: LEAF_IN, ...standing }, act, {
      at: after(h),
      now,
      discardAt: keptUntil(recorded(events), standing, NOTHING_READ, USUAL_HOUSE_LIMITS).discardAt,
      because: 'keep',
      isLead,
    });
    return found && refusalWords(found, say);
  };
  const aPour = (ml: number): BatchAct => ({ kind: 'pour', ml: millilitres(ml), glasses: null });
  const aLift: BatchAct = { kind: 'lift', yield: null, squeezed: false };
  const up = lift(BEST, 900);
  test.each<[string, string | null, string | null]>([
    [
      'a pour while the leaf is in',
      refused([], aPour(200), BEST),
      'The leaf is still in. Lift the leaf first.',
    ],
    [
      'a second lift',
      refused([up], aLift, BEST + 1),
      `The leaf was lifted at ${say.time(after(BEST))}.`,
    ],
    [
      'more than is left',
      refused([up], aPour(960), BEST + 5),
      'Only 900 ml should be left. Measure the liquor in the pitcher.',
    ],
    ['a little more than the book has', refused([up], aPour(940), BEST + 5), null],
    [
      'past its time',
      refused([up], aPour(200), BEST + 73),
      `The time of this batch ended at ${say.time(after(BEST + 72))}. Throw the batch out.`,
    ],
    ['an hour before its time', refused([up], aPour(200), BEST + 71), null],
    [
      'five minutes in the future',
      refused([up], aPour(200), BEST + 5, { now: after(BEST + 4.9) }),
      'That time is in the future. Check the clock of this device.',
    ],
    [
      'a minute in the future',
      refused([up], aPour(200), BEST + 5, { now: after(BEST + 5 - 1 / 60) }),
      null,
    ],
    [
      'before it began',
      refused([], aLift, -1, { now: after(0) }),
      'The batch has not started yet.',
    ],
    [
      'undo of what is not the last',
      refused([up, pour(BEST + 5, 9)], { kind: 'undo', of: up.id }, BEST + 5.1),
      'Something else was done to the batch after that.',
    ],
    ['undo within ten minutes', refused([up], { kind: 'undo', of: up.id }, BEST + 0.1), null],
    [
      'undo an hour later',
      refused([up], { kind: 'undo', of: up.id }, BEST + 1),
      'More than ten minutes have passed. A lead can still take this back.',
    ],
    [
      'undo an hour later, by a lead',
      refused([up], { kind: 'undo', of: up.id }, BEST + 1, { isLead: true }),
      null,
    ],
    [
      'anything once it is gone',
      refused(
        [up, event(BEST + 2, { kind: 'discard', ml: millilitres(900), reason: 'doubt' })],
        aPour(100),
        BEST + 3,
      ),
      'This batch has ended.',
    ],
  ])('%s', (_name, words, wanted) => expect(words).toBe(wanted));
  test('squeezing what was started hot', () => {
    const plan = planOf({
      method: 'warmThenCold',
      recipe: startingRecipe('green-pan', 'warmThenCold'),
    });
    const batch = { id: ID, plan, leafIn: LEAF_IN, ...foldBatch(ID, plan, LEAF_IN, []) };
    const when = {
      at: after(6),
      now: after(6),
      discardAt: after(50),
      because: 'keep' as const,
      isLead: true,
    };
    expect(refuseAct(batch, { ...aLift, squeezed: true }, when)).toEqual({ kind: 'squeezedHot' });
    expect(refuseAct(batch, aLift, when)).toBeNull();
  });
  test('what was lifted early is poured only once it is cold', () => {
    const early = lift(1, 900);
    const { state } = fold(early);
    expect(readyAt(PLAN, state)).toBe(LEAF_IN + (PLAN.coldAfter ?? 0) * 1000);
    expect(refused([early], aPour(200), 1.5)).toMatch(/^Not cold yet\. Pour from about/);
  });
});

test('two in one pitcher: started twice within ten minutes, or filled again; else nothing', () => {
  const started = (id: string, h: number, over: object = {}) => ({
    id,
    vesselId: 'p3',
    teaId: 'kestry',
    leafIn: after(h),
    ...over,
  });
  const first = started('a', 0);
  expect(inOneVessel(first, started('b', 2 / 60))).toBe('startedTwice');
  expect(inOneVessel(started('b', 10 / 60), first)).toBe('startedTwice');
  expect(inOneVessel(first, started('b', 11 / 60))).toBe('filledAgain');
  expect(inOneVessel(first, started('b', 2 / 60, { teaId: 'other' }))).toBe('filledAgain');
  expect(inOneVessel(first, started('b', 0, { vesselId: 'p4' }))).toBeNull();
  expect(inOneVessel(first, first)).toBeNull();
});
test('what goes out first is used first; of two within the hour the open one', () => {
  const kept = (id: string, out: number, open: boolean) => ({
    id,
    plan: PLAN,
    now: open ? fold(lift(BEST, 900), pour(BEST + 5, 200)) : fold(lift(BEST, 900)),
    discardAt: after(out),
  });
  const order = (...list: ReturnType<typeof kept>[]) => list.sort(useFirst).map((b) => b.id);
  expect(order(kept('late', 90, true), kept('soon', 80, false))).toEqual(['soon', 'late']);
  expect(order(kept('closed', 80, false), kept('open', 80.5, true))).toEqual(['open', 'closed']);
});
test('a label’s code: seven signs without I, L, O, U; any one wrong sign shows', () => {
  const random = seeded(4);
  for (let i = 0; i < 200; i++) {
    const tail = Math.floor(random() * 2 ** 32)
      .toString(16)
      .padStart(8, '0');
    const code = batchCode(`019e0000-0000-7000-8000-0000${tail}`);
    expect(code).toMatch(/^[0-9A-HJKMNP-TV-Z]{7}$/);
    // The check is the sum of the ranks: raising a sign by one raises it by one.
    const signs = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
    const ranks = [...code].map((c) => signs.indexOf(c));
    expect(ranks.slice(0, 6).reduce((a, b) => a + b, 0) % 31).toBe(ranks[6]);
  }
  expect(() => batchCode('tea')).toThrow(RangeError);
});
test('lifted at its best and kept cold it goes out three days later', () => {
  expect(keptUntil(recorded([]), fold(), NOTHING_READ, USUAL_HOUSE_LIMITS).discardAt).toBe(
    LEAF_IN + PLAN.window.best * 1000 + 72 * HOUR,
  );
});
describe('limits of a site', () => {
  const shorter = { ...USUAL_HOUSE_LIMITS, keepHours: 24 };
  const keptWith = (limits: typeof shorter, events: BatchEvent[] = []) =>
    keptUntil(recorded(events), nowOf(recorded(events)), NOTHING_READ, limits);
  test('one made shorter holds at once for what stands, one made longer does not', () => {
    const usual = keptWith(USUAL_HOUSE_LIMITS).discardAt;
    expect(usual - keptWith(shorter).discardAt).toBe(48 * HOUR);
    expect(keptWith({ ...shorter, keepHours: 96 }).discardAt).toBe(usual);
  });
  test('one made shorter names the labels that say too late a time; printed again they are right', () => {
    const said = (until: number) => event(9, { kind: 'label', until: epochMs(until) });
    const usual = keptWith(USUAL_HOUSE_LIMITS).discardAt;
    const printed = [said(labelTime(usual))];
    const isOld = (events: BatchEvent[], limits: typeof shorter) =>
      isLabelOutdated(nowOf(recorded(events)), keptWith(limits, events).discardAt);
    expect(isOld([], shorter)).toBe(false);
    expect(isOld(printed, USUAL_HOUSE_LIMITS)).toBe(false);
    expect(isOld(printed, shorter)).toBe(true);
    const again = [...printed, said(labelTime(keptWith(shorter).discardAt))];
    expect(isOld(again, shorter)).toBe(false);
  });
  test('what has ended keeps the limits it had', () => {
    const ended: BatchEvent[] = [
      { id: 'l', at: after(9), kind: 'lift', yield: null, squeezed: false },
      { id: 'd', at: after(10), kind: 'discard', ml: millilitres(5000), reason: 'left' },
    ] as BatchEvent[];
    expect(keptWith(shorter, ended).discardAt).toBe(keptWith(USUAL_HOUSE_LIMITS, ended).discardAt);
  });
  test('a batch begun now has the limits of now; one begun warm its own keep', () => {
    expect(limitsFor(shorter, false)).toMatchObject({ keepHours: 24, limit: 5 });
    expect(limitsFor(shorter, true).keepHours).toBe(48);
    const cooler = { ...limitsFor(shorter, false), limit: celsius(3), warmHours: 2 };
    expect(stricterOf(limitsFor(USUAL_HOUSE_LIMITS, false), cooler)).toEqual(cooler);
  });
});

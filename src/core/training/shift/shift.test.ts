import { seeded } from '#core/numeric';
import { checkDrawnShift, sampleDrillFacts } from '#core/testing';
import {
  cupsOfShift,
  debriefOf,
  drawShift,
  isShiftOver,
  judgedShift,
  judgeTask,
  learnerShift,
  type Level,
  nextMoment,
  refusalOf,
  type ShiftAct,
  shiftAt,
  type ShiftGiven,
} from '#core/training';

const HOUSE = sampleDrillFacts();
const FACTS = HOUSE.shift;
const LEVELS: readonly Level[] = [1, 2, 3, 4, 5];
const vessel = (name: string, tea: string) => {
  const cup = FACTS.find((c) => c.vessel === name && c.tea === tea);
  if (!cup) throw new Error(`${tea} in ${name}`);
  return cup;
};
// Amber steeps 3:00 to 4:00, best 3:30; Hollow 1:30 to 2:30, best 2:00.
const AMBER = vessel('Grey pot', 'Tolvane Amber');
const HOLLOW = vessel('White pot', 'Sennet Hollow');
const kept = (cup: typeof AMBER, tea: number) => ({ ...cup, tea });
/** Amber is ordered at 0:05, Hollow at 1:00, Amber again at 5:00. */
const given = (over: Partial<ShiftGiven> = {}): ShiftGiven => ({
  level: 2,
  site: { ambientC: 20, boilingC: 99.96, pourLoss: 0.06 },
  teas: [AMBER, HOLLOW].map(({ tea, style, fitted }) => ({ tea, style, fitted })),
  cups: [kept(AMBER, 0), kept(HOLLOW, 1)],
  orders: [
    { at: 5, cup: 0 },
    { at: 60, cup: 1 },
    { at: 300, cup: 0 },
  ],
  mishap: { kind: 'calledAway', at: 590 },
  ...over,
});
const act = (at: number, hand: ShiftAct['hand'], order: number): ShiftAct => ({ at, hand, order });
const standing = (g: ShiftGiven, acts: readonly ShiftAct[], now: number) => {
  const stand = shiftAt(g, acts, now);
  if (!stand) throw new Error('that cannot be');
  return stand;
};
const WHOLE = [
  ...[act(10, 'pour', 0), act(65, 'pour', 1), act(185, 'pull', 1), act(195, 'serve', 1)],
  ...[act(220, 'pull', 0), act(230, 'serve', 0)],
  ...[act(300, 'pour', 2), act(510, 'pull', 2), act(520, 'serve', 2)],
];

describe('what is drawn', () => {
  test.each(LEVELS)(
    'level %i: steady hands run it, it is small, and the same chance draws it',
    (level) => {
      for (let seed = 0; seed < 12; seed++) {
        expect(checkDrawnShift(HOUSE, level, seed)).toEqual({ fault: null, level });
        const drawn = drawShift(FACTS, level, seeded(seed));
        const gaps = drawn.orders.slice(1).map((o, i) => o.at - (drawn.orders[i]?.at ?? 0));
        expect(drawn.orders[0]?.at).toBe(5);
        expect(Math.min(...gaps)).toBeGreaterThanOrEqual(15);
        expect(drawn.orders.at(-1)?.at).toBeLessThanOrEqual(450);
        expect(cupsOfShift(drawn).every((c) => c.seconds <= 300)).toBe(true);
        expect(new Set(drawn.cups.map((c) => c.vessel)).size).toBe(drawn.cups.length);
      }
    },
  );
  test.each([
    [1, 4, 3],
    [2, 5, 4],
    [3, 6, 4],
    [4, 7, 5],
    [5, 9, 6],
  ] as const)('level %i has %i orders on %i vessels', (level, orders, vessels) => {
    const drawn = drawShift(FACTS, level, seeded(3));
    expect([drawn.level, drawn.orders.length, drawn.cups.length]).toEqual([level, orders, vessels]);
  });
  test('two vessels are no bar', () => {
    const two = FACTS.filter((c) => ['Grey pot', 'White pot'].includes(c.vessel));
    expect(() => drawShift(two, 3, seeded(1))).toThrow(RangeError);
  });
});

describe('hands', () => {
  test('a shift with every leaf at its best is right, and ends with the last cup', () => {
    expect(judgedShift(given(), { acts: WHOLE })).toMatchObject({ credit: 1, judged: 'right' });
    expect(isShiftOver(given(), standing(given(), WHOLE, 530), 530)).toBe(true);
    expect(isShiftOver(given(), standing(given(), WHOLE.slice(0, -1), 530), 530)).toBe(false);
    expect(isShiftOver(given(), standing(given(), [], 600), 600)).toBe(true);
  });
  test('one hand at a time: a pour takes 20 s, and a vessel is taken until its tea is served', () => {
    const poured = [act(60, 'pour', 0)];
    const at = (now: number) => standing(given(), poured, now);
    expect(refusalOf(at(70), act(70, 'pour', 1))).toBe('hands');
    expect(refusalOf(at(80), act(80, 'pour', 1))).toBeNull();
    expect(refusalOf(at(80), act(80, 'pour', 0))).toBe('done');
    expect(refusalOf(at(80), act(80, 'serve', 0))).toBe('done');
    expect(refusalOf(at(80), act(80, 'pull', 2))).toBe('notOrdered');
    expect(refusalOf(at(310), act(310, 'pour', 2))).toBe('vessel');
    expect(refusalOf(at(601), act(601, 'pull', 0))).toBe('over');
  });
  test('what hands cannot do is no answer', () => {
    expect(judgedShift(given(), { acts: [act(4, 'pour', 0)] })).toBeNull();
    expect(judgedShift(given(), { acts: [act(70, 'pour', 0), act(75, 'pour', 1)] })).toBeNull();
    const back = [act(70, 'pour', 0), act(60, 'pull', 0)];
    expect(judgedShift(given(), { acts: back })).toBeNull();
    expect(judgedShift(given({ orders: [{ at: 5, cup: 7 }] }), { acts: [] })).toBeNull();
  });
  test('one order late by so much that it is tasted counts half or nothing; one that is not served nothing', () => {
    const late = WHOLE.slice(0, 7).concat(act(585, 'pull', 2));
    const judged = judgeTask({ drill: 'shift', given: given(), answer: { acts: late } });
    expect(judged?.credit).toBeCloseTo(2 / 3, 6);
    expect(judged?.judged).toBe('near');
    expect(judged?.guess).toBe(0);
  });
  test('the clock goes from moment to moment: order, hands free, window', () => {
    const moments = (acts: readonly ShiftAct[], from: number, count: number) => {
      const found = [from];
      for (let i = 0; i < count; i++) {
        const now = found.at(-1) ?? 0;
        found.push(nextMoment(given(), standing(given(), acts, now), now));
      }
      return found.slice(1);
    };
    expect(moments([], 0, 4)).toEqual([5, 60, 300, 590]);
    expect(moments([act(5, 'pour', 0)], 5, 6)).toEqual([25, 60, 185, 215, 245, 300]);
  });
});

describe('one thing goes wrong', () => {
  const poured = [act(10, 'pour', 0)];
  test('a brew that spills is begun again', () => {
    const g = given({ mishap: { kind: 'spilled', at: 150 } });
    expect(standing(g, poured, 149).orders[0]?.pouredS).toBe(10);
    const after = standing(g, poured, 150);
    expect(after.orders[0]).toMatchObject({ pouredS: null, lost: 1 });
    expect(refusalOf(after, act(150, 'pour', 0))).toBeNull();
  });
  test('an empty kettle pours nothing for a minute', () => {
    const g = given({ mishap: { kind: 'kettleEmpty', at: 150 } });
    expect(refusalOf(standing(g, poured, 209), act(209, 'pour', 1))).toBe('kettle');
    expect(refusalOf(standing(g, poured, 210), act(210, 'pour', 1))).toBeNull();
  });
  test('a lid that is put on within half a minute does no harm; later the cup is the worse for it', () => {
    const g = given({ mishap: { kind: 'lidOff', at: 150 } });
    const seen = [...poured, act(170, 'lid', 0)];
    expect(standing(g, poured, 160).orders[0]?.lid).toBe('off');
    expect(standing(g, seen, 200).orders[0]?.lid).toBe('on');
    expect(standing(g, poured, 180).orders[0]?.lid).toBe('left');
    expect(refusalOf(standing(g, poured, 180), act(180, 'lid', 0))).toBe('done');
    const left = debriefOf(g, [...poured, act(220, 'pull', 0), act(230, 'serve', 0)]);
    expect(left.find((d) => d.order === 0)?.why).toContain('The pot had no lid.');
  });
  test('an order under a wrong name is put right after 20 s; poured before, it is begun again', () => {
    const g = given({ mishap: { kind: 'wrongTea', at: 60, order: 1, named: 0 } });
    expect(standing(g, [], 79).orders[1]?.cup).toBe(0);
    expect(standing(g, [], 80).orders[1]).toMatchObject({ cup: 1, lost: 0 });
    expect(standing(g, [act(65, 'pour', 1)], 90).orders[1]).toMatchObject({
      ...{ cup: 1, pouredS: null, lost: 1 },
    });
  });
  test('called away, hands are not there for 20 s', () => {
    const g = given({ mishap: { kind: 'calledAway', at: 150 } });
    expect(refusalOf(standing(g, poured, 169), act(169, 'pour', 1))).toBe('hands');
    expect(refusalOf(standing(g, poured, 170), act(170, 'pour', 1))).toBeNull();
  });
});

describe('the debrief', () => {
  test('the worst cup first, with the moment it met and what the bar would have said', () => {
    // Amber poured at 0:10 is at its best at 3:40; Hollow poured at 1:40 is too.
    const acts = [
      ...[act(10, 'pour', 0), act(100, 'pour', 1), act(220, 'pull', 0), act(230, 'serve', 0)],
      ...[act(290, 'pull', 1), act(300, 'serve', 1)],
    ];
    const [first, second, third] = debriefOf(given(), acts);
    expect(first?.pull).toBe('Nobody poured this order.');
    expect(second?.order).toBe(1);
    expect(second?.pull).toBe('Leaf out at 3:10, best 2:00. The window is 1:30 to 2:30.');
    expect(second?.why).toContain('Tolvane Amber (Grey pot) was due at the same moment.');
    expect(second?.advice).toBe(
      'The bar’s advice at this pour: wait 20 s. Then no two leaves are due at the same moment.',
    );
    expect(third).toMatchObject({ order: 0, advice: null });
    expect(first?.cups).toBeNull();
    expect(second?.cups?.made.brew.time).toBe(190);
    expect(second?.cups?.house.brew.time).toBe(120);
  });
  test('a guest who waited long and a cup that stood are said', () => {
    const acts = [act(10, 'pour', 0), act(220, 'pull', 0), act(500, 'serve', 0)];
    const amber = debriefOf(given(), acts).find((d) => d.order === 0);
    expect(amber?.score.credit).toBe(1);
    expect(amber?.why).toEqual([
      'The guest waited 8:25.',
      'The cup stood for 4:50 before you served the cup.',
    ]);
  });
});
test('learners are told apart: who sees less and is later is worth less', () => {
  const learners = {
    sure: { sees: 0.98, tasteOff: 0.2, sizeOff: 0.1 },
    fresh: { sees: 0.5, tasteOff: 1.4, sizeOff: 1.5 },
  };
  const mean = (learner: (typeof learners)['sure']) => {
    const credits = Array.from({ length: 30 }, (_, seed) => {
      const drawn = drawShift(FACTS, 3, seeded(seed));
      return judgedShift(drawn, learnerShift(drawn, learner, seeded(seed)))?.credit ?? NaN;
    });
    return credits.reduce((sum, c) => sum + c, 0) / credits.length;
  };
  expect(mean(learners.sure)).toBeGreaterThan(mean(learners.fresh) + 0.1);
});

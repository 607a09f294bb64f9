import fc from 'fast-check';
import {
  advance,
  afterPause,
  anchor,
  begin,
  type BrewEventKind,
  type BrewState,
  clashesAhead,
  meetsNow,
  type Moment,
  nowBy,
  phaseAt,
  type Planned,
  pullKind,
  pullTiming,
  stepNow,
  type StepRecord,
  stepsOf,
  stepStates,
  stepWords,
  turnsOf,
  waitToPour,
  wholeSecond,
} from '#core/brews';
import { PLAIN_HANDLING } from '#core/recipes';
import { celsius, epochMs, grams, millilitres, seconds } from '#core/units';

const window = { earliest: seconds(90), best: seconds(120), latest: seconds(150) };
const t0 = 1_800_000_000_000;
const at = (s: number) => epochMs(t0 + s * 1000);

describe('the brew as a state machine over instants', () => {
  test('from warming to judged', () => {
    let state: BrewState = begin(at(0), true);
    for (const [kind, s] of [
      ['waterOn', 30],
      ['pull', 154],
      ['judge', 260],
    ] as const) {
      const step = advance(state, { kind, at: at(s) });
      if (step.kind !== 'moved') throw new Error(step.why);
      state = step.state;
    }
    expect(state).toEqual({ kind: 'judged', waterOn: at(30), pulled: at(154), judged: at(260) });
  });
  test('a second pull is refused and the first stays', () =>
    expect(
      advance({ kind: 'pulled', waterOn: at(0), pulled: at(120) }, { kind: 'pull', at: at(121) }),
    ).toEqual({ kind: 'refused', why: 'alreadyPulled' }));
  test('an undone pull steeps on from its own water', () =>
    expect(
      advance({ kind: 'pulled', waterOn: at(0), pulled: at(50) }, { kind: 'undoPull', at: at(55) }),
    ).toEqual({ kind: 'moved', state: { kind: 'steeping', waterOn: at(0) } }));
  test.each([
    [30, 'steeping'],
    [90, 'window'],
    [119.9, 'window'],
    [120, 'past'],
    [150, 'past'],
    [150.1, 'late'],
  ])('at %f s it is %s', (s, kind) =>
    expect(phaseAt({ kind: 'steeping', waterOn: at(0) }, window, at(s)).kind).toBe(kind),
  );
  test('what is left falls through nothing at best', () => {
    const p = phaseAt({ kind: 'steeping', waterOn: at(0) }, window, at(172));
    expect('untilLatest' in p && [p.left, p.untilLatest]).toEqual([-52, -22]);
  });
  test('early, in its window, late', () =>
    expect([89, 90, 150, 151].map((s) => pullTiming(seconds(s), window))).toEqual([
      'early',
      'inWindow',
      'inWindow',
      'late',
    ]));
  test('total: any events in any order end in a known state and never throw; an ended brew never moves', () =>
    fc.assert(
      fc.property(
        fc.boolean(),
        fc.array(
          fc.tuple(
            fc.constantFrom<BrewEventKind>(
              'waterOn',
              'pull',
              'undoPull',
              'judge',
              'close',
              'abandon',
            ),
            fc.integer({ min: 0, max: 5000 }),
          ),
          { maxLength: 20 },
        ),
        (warming, events) => {
          let state = begin(at(0), warming);
          for (const [kind, s] of events) {
            const ended = state.kind === 'abandoned' || state.kind === 'judged';
            const step = advance(state, { kind, at: at(s) });
            if (ended) expect(step.kind).toBe('refused');
            if (step.kind === 'moved') state = step.state;
            if ('pulled' in state) expect(state.pulled).toBeGreaterThanOrEqual(state.waterOn);
          }
        },
      ),
      { seed: 20260120 },
    ));
});

const plan = (over: Partial<Planned> = {}): Planned => ({
  leaf: grams(6),
  water: millilitres(500),
  liquor: millilitres(480),
  warmed: true,
  kettle: celsius(97),
  reachable: true,
  spoons: '3 level dessert spoons',
  vessel: { kind: 'pot', infuser: 'deep' },
  recipe: {
    window,
    handling: { ...PLAIN_HANDLING, stir: [seconds(30), seconds(60)], order: 'turns', root: 0.2 },
  },
  ...over,
});
describe('the steps of a brew', () => {
  const keys = (p: Planned) => stepsOf(p).map((s) => s.key);
  const mark = (key: string, s: number, outcome: 'done' | 'skipped' = 'done') => ({
    key,
    at: at(s),
    outcome,
  });
  test('in the order hands do them', () =>
    expect(keys(plan())).toEqual([
      'warm',
      'weigh',
      'heat',
      'pour',
      'stir1',
      'stir2',
      'pull',
      'drain',
      'serve',
      'judge',
    ]));
  test('a rinse only where it is asked for; a later steep has nothing to warm, weigh or rinse', () => {
    const rinsed = plan({
      recipe: { window, handling: { ...PLAIN_HANDLING, rinse: seconds(10) } },
    });
    expect(keys(rinsed)).toContain('rinse');
    expect(keys({ ...rinsed, steep: { number: 2 } })).toEqual([
      'heat',
      'pour',
      'pull',
      'drain',
      'serve',
      'judge',
    ]);
  });
  test('each is confirmed by its own touch or by the next one; what was left out says so', () => {
    const stood = (state: BrewState, marks: StepRecord[]) =>
      Object.fromEntries(stepStates(stepsOf(plan()), state, marks).map((s) => [s.key, s.state]));
    expect(stood(begin(at(0), true), [])).toMatchObject({
      warm: 'now',
      weigh: 'ahead',
      pour: 'ahead',
    });
    expect(stood(begin(at(0), true), [mark('weigh', 5)])).toMatchObject({
      warm: 'done',
      weigh: 'done',
      heat: 'now',
    });
    expect(
      stood({ kind: 'steeping', waterOn: at(10) }, [mark('warm', 2, 'skipped')]),
    ).toMatchObject({
      warm: 'skipped',
      weigh: 'done',
      heat: 'done',
      pour: 'done',
      stir1: 'now',
      pull: 'ahead',
    });
    expect(
      stood({ kind: 'pulled', waterOn: at(0), pulled: at(120) }, [mark('stir1', 30)]),
    ).toMatchObject({ stir1: 'done', stir2: 'done', pull: 'done', drain: 'now' });
  });
  test('a step is asked for by the clock only where the clock has none of its own to ask', () => {
    const kind = (state: BrewState, s: number, marks: StepRecord[] = []) =>
      stepNow(plan(), state, marks, at(s))?.key ?? null;
    const on: BrewState = { kind: 'steeping', waterOn: at(0) };
    expect([
      kind(on, 20),
      kind(on, 26),
      kind(on, 54, [mark('stir1', 30)]),
      kind(on, 58, [mark('stir1', 30)]),
      kind(on, 110),
    ]).toEqual([null, 'stir1', 'stir1', 'stir2', null].map((k, i) => (i === 2 ? null : k)));
    expect(
      kind({ kind: 'pulled', waterOn: at(0), pulled: at(120) }, 125, [
        mark('drain', 122),
        mark('serve', 124),
      ]),
    ).toBeNull();
  });
  test('their words carry grams, heat, splash, root and cups in the reader’s units', () => {
    const words = (key: string, p = plan()) =>
      stepWords(stepsOf(p).find((s) => s.key === key) ?? { key, kind: 'pour', due: null }, p, {
        volume: 'ml',
        temperature: 'F',
      }).act;
    expect(words('weigh')).toBe('Leaf 6 g, 3 level dessert spoons');
    expect(words('heat', plan({ splash: millilitres(60) }))).toMatch(
      /^Kettle to 207\s°F, or 60\sml cold first$/,
    );
    expect(words('drain')).toMatch(/^Keep a root, 96\sml$/);
    expect(words('serve')).toBe('Serve in turns, 3 cups');
  });
});
test('poured in turns every cup gets the same: 1, 2, 3 and back (common practice)', () => {
  expect(turnsOf(millilitres(450))).toEqual({ cups: 3, each: 75, order: [1, 2, 3, 3, 2, 1] });
  fc.assert(
    fc.property(
      fc.integer({ min: 100, max: 3000 }),
      fc.integer({ min: 2, max: 12 }),
      (ml, cups) => {
        const { each, order } = turnsOf(millilitres(ml), cups);
        for (let c = 1; c <= cups; c++) expect(order.filter((o) => o === c)).toHaveLength(2);
        expect(each * order.length).toBeCloseTo(ml, 6);
        // Liquor that darkens evenly along the pour gives every cup the same strength.
        const mean = (c: number) =>
          order.flatMap((o, i) => (o === c ? [i] : [])).reduce((s, i) => s + i, 0) / 2;
        expect(mean(1)).toBe(mean(cups));
      },
    ),
    { seed: 20260121 },
  );
});

describe('moments kept apart', () => {
  const moment = (id: string, s: number): Moment => ({ id, at: at(s) });
  test('pairs nearer than 15 s are told, soonest first, past ones are not', () => {
    expect(
      clashesAhead(
        [
          moment('a', 100),
          moment('b', 110),
          moment('c', 300),
          moment('d', 305),
          moment('e', 5),
          moment('f', 6),
        ],
        at(10),
      ),
    ).toEqual([
      { first: 'a', second: 'b', at: at(100) },
      { first: 'c', second: 'd', at: at(300) },
    ]);
    expect(clashesAhead([moment('a', 100), moment('a', 105)], at(0))).toEqual([]);
  });
  test('a wait of 20 s where it would meet one, more where that would meet the next', () => {
    expect(waitToPour([seconds(120)], [moment('a', 122)], at(0))).toBe(20);
    expect(waitToPour([seconds(120)], [moment('a', 122), moment('b', 142)], at(0))).toBe(40);
    expect(waitToPour([seconds(120)], [moment('a', 200)], at(0))).toBe(0);
    expect(meetsNow([seconds(120)], [moment('a', 122)], at(0))?.id).toBe('a');
  });
  test('after the wait it meets nobody, or there is no such wait within two minutes', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 600 }), { maxLength: 11 }),
        fc.integer({ min: 20, max: 300 }),
        (others, best) => {
          const moments = others.map((s, i) => moment(String(i), s));
          const wait = waitToPour([seconds(best)], moments, at(0));
          expect(wait % 20).toBe(0);
          if (wait > 0) expect(meetsNow([seconds(best)], moments, at(wait))).toBeNull();
        },
      ),
      { seed: 20260122 },
    ));
});
test('a pull long past latest is forgotten, not late', () =>
  expect([60, 100, 151, 210, 211].map((s) => pullKind(seconds(s), window))).toEqual([
    'early',
    'inWindow',
    'late',
    'late',
    'forgotten',
  ]));

describe('the clock', () => {
  const clock = anchor(t0, 40, 1000, 5_000_000);
  test('an answer is half its round trip old', () => expect(nowBy(clock, 1000)).toBe(t0 + 20));
  test('a wall clock set 7 minutes on while the page is awake is followed only as sleep, and mended by the next answer', () => {
    const after = afterPause(clock, 2000, 5_001_000);
    expect(after).toBe(clock);
    expect(nowBy(anchor(t0 + 1000, 40, 2000, 5_421_000), 2000)).toBe(t0 + 1020);
  });
  test('a wall clock set back changes nothing', () =>
    expect(nowBy(afterPause(clock, 2000, 4_581_000), 2000)).toBe(t0 + 1020));
  test('an hour of sleep is allowed for though the steady counter stood still', () =>
    expect(nowBy(afterPause(clock, 1100, 5_000_000 + 3_600_100), 1100)).toBe(t0 + 20 + 3_600_100));
});

test('water goes on at a whole second, no later than it did and never before what came before it', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: t0, max: t0 + 1e9 }),
      fc.integer({ min: 0, max: 5000 }),
      (now, ago) => {
        const plain = wholeSecond(now);
        expect(plain % 1000).toBe(0);
        expect(now - plain).toBeGreaterThanOrEqual(0);
        expect(now - plain).toBeLessThan(1000);
        expect(wholeSecond(now, now - ago)).toBe(Math.max(plain, now - ago));
      },
    ),
    { seed: 20_261_201 },
  );
});

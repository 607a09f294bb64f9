import { advance, phaseAt } from '#core/brews';
import { ALL_RIGHT } from '#core/corrections';
import { epochMs, grams, seconds } from '#core/units';
import type { Brew } from '#contracts/brews';
import { sampleBrew, sampleRecipe, T0 } from '../../testing/samples';
import { houseLiquorOf } from '../teas/liquor';
import { applied, type BarBrew, barOf, ordersOf, phaseOf, tint } from './barBrews';
import { barItems, sortByUrgency } from './barItems';
import { liquorOf, steepedBy } from './liquor';
import { brewStatus } from './status';

const brew = sampleBrew;
const recipe = sampleRecipe;
const at = (s: number) => epochMs(T0 + s * 1000);
const me = { id: 'p', name: 'Dov R.' };
const UNITS = { volume: 'ml', temperature: 'C' } as const;
const waitingPull = (id: string, s: number) => ({
  kind: 'event' as const,
  id: `e${s}`,
  brewId: id,
  by: me,
  body: { id: `e${s}`, at: T0 + s * 1000, kind: 'pull' as const },
});

describe('the bar as it stands here', () => {
  test('what waits to be sent lies over what the server knows', () => {
    const [b] = barOf([brew()], [waitingPull('a', 230)] as never);
    expect(b).toMatchObject({
      unsaved: true,
      state: { kind: 'pulled', pulled: T0 + 230_000 },
      pulledBy: me,
    });
    expect(barOf([brew()], [])[0]?.unsaved).toBe(false);
  });
  test('a start that waits is there, once, also after the server has it', () => {
    const start = { kind: 'start' as const, id: 'b', brew: brew({ id: 'b', place: 2 }) };
    expect(barOf([brew()], [start] as never).map((b) => [b.id, b.unsaved])).toEqual([
      ['a', false],
      ['b', true],
    ]);
    expect(barOf([brew(), brew({ id: 'b', place: 2 })], [start] as never)).toHaveLength(2);
  });
  test('an event the brew cannot take changes nothing; what is judged leaves the bar', () => {
    expect(barOf([brew()], [waitingPull('a', -20)] as never)[0]?.state.kind).toBe('steeping');
    const judge = {
      kind: 'event' as const,
      id: 'j',
      brewId: 'a',
      by: me,
      body: {
        id: 'j',
        at: T0 + 300_000,
        kind: 'judge' as const,
        verdict: ALL_RIGHT,
        proposal: {},
        accepted: false,
        remark: '',
      },
    };
    expect(barOf([brew()], [waitingPull('a', 230), judge] as never)).toEqual([]);
  });
  test('places keep their order whatever is urgent', () =>
    expect(
      barOf([brew({ id: 'x', place: 3 }), brew({ id: 'y', place: 1 })], []).map((b) => b.place),
    ).toEqual([1, 3]));
});

describe('put together, taken back, on a locked tablet', () => {
  const pair = {
    kind: 'event' as const,
    id: 'e',
    brewId: 'b',
    by: me,
    body: { id: 'e', at: T0, kind: 'pair' as const, with: 'a' },
  };
  test('two pots of one tea stand in one place', () => {
    const [one, ...rest] = barOf([brew(), brew({ id: 'b', place: 2 })], [pair] as never);
    expect([one?.id, one?.partners.map((p) => p.id), rest]).toEqual(['a', ['b'], []]);
  });
  test('a partner whose lead has left stands by itself again', () =>
    expect(barOf([brew({ id: 'b', place: 2, pairedId: 'a' })], []).map((b) => b.id)).toEqual([
      'b',
    ]));
  test('what is taken back stands as it was, also when it had left the bar', () => {
    const undo = {
      kind: 'event' as const,
      id: 'u',
      brewId: 'a',
      by: me,
      body: { id: 'u', at: T0, kind: 'undo' as const, of: 'j' },
      restores: brew(),
    };
    expect(barOf([], [undo] as never)).toMatchObject([{ id: 'a', state: { kind: 'steeping' } }]);
  });
  test('a pull on a locked tablet is the tablet’s', () =>
    expect(
      barOf([brew()], [
        { ...waitingPull('a', 230), by: { id: '', name: 'Counter tablet' } },
      ] as never)[0],
    ).toMatchObject({ pulledBy: null, pulledDevice: 'Counter tablet' }));
});
describe('the queue as it stands here', () => {
  const order = (id: string, rank: number) => ({
    id,
    siteId: 's',
    teaId: 't',
    teaName: id,
    vesselId: null,
    water: null,
    forWhom: '',
    rank,
    at: T0,
    by: me,
  });
  const names = (waiting: unknown[]) =>
    ordersOf([order('a', 0), order('b', 1), order('c', 2)], waiting as never).map((o) => o.id);
  test('moved, dropped, put back, started, added: what waits to be sent counts', () => {
    expect(
      names([{ kind: 'orderChange', orderId: 'c', body: { rank: 0.5 }, order: order('c', 2) }]),
    ).toEqual(['a', 'c', 'b']);
    const drop = {
      kind: 'orderChange',
      orderId: 'a',
      body: { state: 'dropped' },
      order: order('a', 0),
    };
    expect(names([drop])).toEqual(['b', 'c']);
    expect(names([drop, { ...drop, body: { state: 'waiting' } }])).toEqual(['a', 'b', 'c']);
    expect(names([{ kind: 'start', id: 'x', body: { orderId: 'b' } }])).toEqual(['a', 'c']);
    expect(names([{ kind: 'order', id: 'd', body: { id: 'd' }, order: order('d', 3) }])).toEqual([
      'a',
      'b',
      'c',
      'd',
    ]);
  });
});

describe('what a brew says', () => {
  const say = (s: number, over: Partial<Brew> = {}) => {
    const b = brew(over);
    return brewStatus(b, phaseOf(b, at(s)), UNITS);
  };
  test.each([
    [30, 'steeping', '3:30', 'Steeping, left', 'Lift early'],
    [200, 'window', '0:40', 'In its window, best in', 'Lifted'],
    [254, 'past', '0:14', 'In its window, past best by', 'Lifted'],
    [322, 'late', '0:22', 'Late, past latest by', 'Lifted'],
  ])('at %i s it is %s: %s', (s, name, figure, over, act) =>
    expect(say(s)).toMatchObject({ name, figure, over, act }),
  );
  const warming = { state: { kind: 'warming' as const, since: epochMs(T0) } };
  test('what is not poured yet goes through its steps, one touch each, and "Water on" does the rest', () => {
    const steps: (string | undefined)[] = [];
    let b: Brew = brew(warming);
    for (;;) {
      const [s] = barItems(barOf([b], []), at(20), UNITS);
      expect(s?.status.act).toBe('Water on');
      steps.push(s?.step?.act);
      if (!s?.step) break;
      b = applied(
        b,
        { id: 'x', at: T0 + 20_000, kind: 'step', key: s.step.step.key, outcome: 'done' },
        me,
      );
    }
    expect(steps).toEqual([
      'Warm it, a third full, 15 s',
      'Leaf 6 g',
      expect.stringMatching(/^Kettle to 97\s°C$/),
      undefined,
    ]);
  });
  test('words for a full bar have at most 21 letters', () => {
    for (const method of [
      'pot',
      'release',
      'liddedCup',
      'infuserCup',
      'bag',
      'tastingSet',
    ] as const) {
      for (const s of [10, 170, 185, 239, 250, 330])
        expect(say(s, { method }).brief.length).toBeLessThanOrEqual(21);
      expect(
        brewStatus(brew({ method, ...warming }), phaseOf(brew(warming), at(5)), UNITS, seconds(20))
          .brief.length,
      ).toBeLessThanOrEqual(21);
    }
  });
  test('a stir stands in the way at its moment, and is gone once it is done', () => {
    const stirred = brew();
    const b: Brew = {
      ...stirred,
      plan: {
        ...stirred.plan,
        recipe: { ...recipe, handling: { ...recipe.handling, stir: [seconds(60)] } },
      },
    };
    const step = (over: Brew, s: number) => barItems(barOf([over], []), at(s), UNITS)[0]?.step;
    expect([step(b, 40), step(b, 58)?.done, step(b, 120)]).toEqual([null, 'Stirred', null]);
    expect(
      step(
        applied(b, { id: 'e', at: T0 + 58_000, kind: 'step', key: 'stir1', outcome: 'done' }, me),
        59,
      ),
    ).toBeNull();
  });
  test('one that would meet another is told to wait', () => {
    const other = brew({ id: 'o', place: 2, state: { kind: 'steeping', waterOn: at(2) } });
    const [s] = barItems(barOf([brew(warming), other], []), at(0), UNITS);
    expect(s?.status).toMatchObject({ brief: 'Wait 0:20, then pour' });
    expect(
      barItems(
        barOf([brew(warming), { ...other, state: { kind: 'steeping', waterOn: at(-100) } }], []),
        at(0),
        UNITS,
      )[0]?.status.brief,
    ).toBe('Pour on');
  });
  test('pulled asks for the cup', () =>
    expect(
      say(300, { state: { kind: 'pulled', waterOn: epochMs(T0), pulled: at(244) } }),
    ).toMatchObject({ figure: '4:04', step: 'Judge the cup', act: 'Judge' }));
});
test('the next hand: late first, then past, then in its window, then soonest; judging waits', () => {
  const of = (
    id: string,
    s: number,
    over: Partial<Brew> = {},
  ): {
    brew: BarBrew;
    phase: ReturnType<typeof phaseOf>;
    status: ReturnType<typeof brewStatus>;
  } => {
    const b = { ...brew({ id, ...over }), unsaved: false, partners: [] };
    const phase = phaseAt(b.state, recipe.window, at(s));
    return { brew: b, phase, status: brewStatus(b, phase, UNITS) };
  };
  const list = [
    of('soon', 100),
    of('pulled', 300, { state: { kind: 'pulled', waterOn: epochMs(T0), pulled: at(240) } }),
    of('window', 200),
    of('late', 330),
    of('past', 250),
    of('sooner', 150),
  ];
  expect(sortByUrgency(list).map((x) => x.brew.id)).toEqual([
    'late',
    'past',
    'window',
    'sooner',
    'soon',
    'pulled',
  ]);
});

describe('its liquor', () => {
  test('none before the water; deeper with time; still after the pull', () => {
    expect(liquorOf(brew({ state: { kind: 'warming', since: epochMs(T0) } }), at(50))).toBeNull();
    const shade = (s: number) =>
      parseInt(
        tint(
          liquorOf(brew(), at(s)) ?? houseLiquorOf({ style: 'white', fitted: null }, recipe),
        ).slice(3, 5),
        16,
      );
    expect(shade(200)).toBeLessThan(shade(40));
    const pulled = brew({ state: { kind: 'pulled', waterOn: epochMs(T0), pulled: at(120) } });
    expect(liquorOf(pulled, at(130))).toEqual(liquorOf(pulled, at(900)));
    expect(steepedBy(pulled, at(900))).toBe(120);
  });
  test('at best in a plain pot it is near the house cup', () => {
    const green = (hex: string) => parseInt(hex.slice(3, 5), 16);
    expect(
      Math.abs(
        green(
          tint(
            liquorOf(brew(), at(recipe.window.best)) ??
              houseLiquorOf({ style: 'white', fitted: null }, recipe),
          ),
        ) - green(tint(houseLiquorOf({ style: 'black-whole', fitted: null }, recipe))),
      ),
    ).toBeLessThan(14);
  });
  test('a second step the machine refuses leaves the state', () =>
    expect(advance(brew().state, { kind: 'judge', at: at(10) })).toEqual({
      kind: 'refused',
      why: 'notPulled',
    }));
});
test('seconds have their own type', () => {
  // @ts-expect-error -- grams are no time
  expect(seconds(3) as ReturnType<typeof grams>).toBe(3);
});

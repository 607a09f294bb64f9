import { celsius, epochMs, grams, seconds } from '#core/units';
import { planOfPour, potPour } from '../testing/potPour';
import {
  advance,
  asDone,
  begin,
  type BrewEvent,
  type BrewState,
  endedByTaste,
  inWaterUntil,
  leafInAgain,
  phaseAt,
  planAsDone,
  plannedHeatAt,
  tastedWithLeafIn,
  tastesWords,
  waterReallyOn,
} from '.';

const STYLE = 'black-whole';
const PLAN = planOfPour(potPour(STYLE));
const EXPLORING = planOfPour(potPour(STYLE, { explore: true }));
const T0 = Date.UTC(2026, 2, 11, 10);
const at = (s: number) => epochMs(T0 + s * 1000);

/** The states of a brew through its events, [what, seconds from water on]. */
function stoodThrough(events: readonly [BrewEvent['kind'], number][]): BrewState {
  return events.reduce(
    (state, [kind, s]) => {
      const step = advance(state, { kind, at: at(s) });
      if (step.kind !== 'moved') throw new Error(`${kind} at ${s}: ${step.why}`);
      return step.state;
    },
    begin(at(0), false),
  );
}

describe('the clock counts seconds in the water alone', () => {
  test('45 in, 40 out, 30 in is 75', () => {
    const state = stoodThrough([
      ['leafOut', 45],
      ['leafIn', 85],
      ['pull', 115],
    ]);
    expect(inWaterUntil(state, at(500))).toBe(75);
  });
  test('it stands while the leaf is out, and says for how long', () => {
    const state = stoodThrough([['leafOut', 45]]);
    expect(phaseAt(state, PLAN.recipe.window, at(85))).toMatchObject({
      ...{ kind: 'tasting', steeped: 45, out: 40, left: 240 - 45 },
    });
  });
  test('a steep that is ended with the leaf out was over when it came out', () => {
    const state = stoodThrough([
      ['leafOut', 60],
      ['pull', 130],
    ]);
    expect(state).toMatchObject({ kind: 'pulled', pulled: at(60), wasTasting: true });
    // Not over after all: the leaf is where it was, out of the water.
    const step = advance(state, { kind: 'undoPull', at: at(140) });
    expect(step).toMatchObject({ state: { kind: 'tasting', out: at(60) } });
  });
  test.each<[BrewEvent['kind'], readonly [BrewEvent['kind'], number][], string]>([
    ['leafIn', [], 'leafIsIn'],
    ['leafOut', [['leafOut', 20]], 'leafIsOut'],
    ['leafOut', [['pull', 20]], 'alreadyPulled'],
    ['leafIn', [['pull', 20]], 'alreadyPulled'],
    ['leafBack', [['leafOut', 20]], 'notPulled'],
    ['judge', [['leafOut', 20]], 'notPulled'],
    ['waterOn', [['leafOut', 20]], 'alreadyOn'],
  ])('%s after %j is refused: %s', (kind, before, why) =>
    expect(advance(stoodThrough(before), { kind, at: at(30) })).toEqual({ kind: 'refused', why }),
  );
  test('before the water there is no leaf to lift', () =>
    expect(advance(begin(at(0), true), { kind: 'leafOut', at: at(5) })).toEqual({
      ...{ kind: 'refused', why: 'notSteeping' },
    }));
});

describe('a time that is found by tasting', () => {
  const windowOf = (plan: typeof PLAN) => plan.recipe.window.best;
  test('its clock asks at 0:45, then every 30 s in the water', () => {
    expect(windowOf(EXPLORING)).toBe(45);
    expect(EXPLORING.explore).toEqual({ best: 240 });
    const first = { kind: 'tasting', waterOn: at(0), out: at(46) } as const;
    const after = leafInAgain({ plan: EXPLORING }, first, { at: at(90), mark: -2 });
    expect(windowOf(after.plan)).toBe(76);
    expect(after.outs).toEqual([{ after: 46, lasted: 44 }]);
    const next = tastedWithLeafIn(after, seconds(80.4), undefined);
    expect(windowOf(next.plan)).toBe(110);
    expect(tastesWords(next.tastes)).toBe('0:46 much too thin, 1:20');
  });
  test('what it came to is its best', () => {
    const before = { kind: 'tasting', waterOn: at(0), out: at(105) } as const;
    const ended = endedByTaste({ plan: EXPLORING }, before, seconds(105.3), 0);
    expect(windowOf(ended?.plan ?? EXPLORING)).toBe(105);
    expect(ended?.tastes).toEqual([{ after: 105.3, mark: 0 }]);
  });
  test('however short, its window is one that a recipe can have', () => {
    const on = { kind: 'steeping', waterOn: at(0) } as const;
    const ended = endedByTaste({ plan: EXPLORING }, on, seconds(2), 0);
    expect(ended?.plan.recipe.window).toEqual({ earliest: 5, best: 5, latest: 20 });
  });
  test('a plain brew keeps its window, but for a taste past its best; by the clock it stays by the clock', () => {
    expect(tastedWithLeafIn({ plan: PLAN }, seconds(120), -1).plan).toBe(PLAN);
    expect(windowOf(tastedWithLeafIn({ plan: PLAN }, seconds(250), -1).plan)).toBe(280);
    const on = { kind: 'steeping', waterOn: at(0) } as const;
    expect(endedByTaste({ plan: PLAN }, on, seconds(240), undefined)).toBeNull();
  });
});

describe('what was recorded of a tasted steep', () => {
  const outs = [{ after: seconds(60), lasted: seconds(120) }];
  // The clock's start is later by what the leaf was out.
  const waterOn = at(120);
  const recorded = (
    readings: { at: ReturnType<typeof at>; celsius: ReturnType<typeof celsius> }[],
  ) => ({
    ...{ steeped: seconds(200), waterOn, marks: [], readings, outs },
  });
  test('the water really went on before the leaf was ever out', () =>
    expect(waterReallyOn(waterOn, outs)).toBe(at(0)));
  test('a thermometer is held against water that cooled by the clock on the wall', () => {
    const shown = plannedHeatAt(PLAN, STYLE, seconds(250));
    const readings = [{ at: at(250), celsius: shown }];
    expect(planAsDone(PLAN, STYLE, recorded(readings)).heatOff).toBeCloseTo(0, 9);
  });
  test('its cup is that of a broken steep', () => {
    expect(asDone(PLAN, STYLE, recorded([])).brew).toMatchObject({ time: 200, outs });
    expect(asDone(PLAN, STYLE, { ...recorded([]), outs: [] }).brew).not.toHaveProperty('outs');
  });
  test('leaf weighed counts beside it', () =>
    expect(
      asDone(PLAN, STYLE, {
        ...recorded([]),
        marks: [{ key: 'weigh', at: at(-20), outcome: 'done', grams: grams(7.2) }],
      }),
    ).toMatchObject({ leafShare: 7.2 / PLAN.leaf, brew: { outs } }));
});

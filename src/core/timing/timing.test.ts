import fc from 'fast-check';
import { celsius, epochMs, grams, millilitres, seconds, SPOONS } from '#core/units';
import { startingRecipe, workOutCard } from '#core/recipes';
import { advance, afterPause, anchor, begin, nowBy, phaseAt, pullTiming, stepsOf, type BrewEventKind, type BrewState } from '#core/timing';

const window = { earliest: seconds(90), best: seconds(120), latest: seconds(150) };
const t0 = 1_800_000_000_000;
const at = (s: number) => epochMs(t0 + s * 1000);

describe('the brew as a state machine over instants', () => {
  test('from warming to judged', () => {
    let state: BrewState = begin(at(0), true);
    for (const [kind, s] of [['waterOn', 30], ['pull', 154], ['judge', 260]] as const) {
      const step = advance(state, { kind, at: at(s) });
      if (step.kind !== 'moved') throw new Error(step.why);
      state = step.state;
    }
    expect(state).toEqual({ kind: 'judged', waterOn: at(30), pulled: at(154), judged: at(260) });
  });
  test('a second pull is refused and the first stays', () => expect(advance({ kind: 'pulled', waterOn: at(0), pulled: at(120) }, { kind: 'pull', at: at(121) })).toEqual({ kind: 'refused', why: 'alreadyPulled' }));
  test('an undone pull steeps on from its own water', () => expect(advance({ kind: 'pulled', waterOn: at(0), pulled: at(50) }, { kind: 'undoPull', at: at(55) })).toEqual({ kind: 'moved', state: { kind: 'steeping', waterOn: at(0) } }));
  test.each([[30, 'steeping'], [90, 'window'], [119.9, 'window'], [120, 'past'], [150, 'past'], [150.1, 'late']])('at %f s it is %s', (s, kind) => expect(phaseAt({ kind: 'steeping', waterOn: at(0) }, window, at(s)).kind).toBe(kind));
  test('what is left falls through nothing at best', () => {
    const p = phaseAt({ kind: 'steeping', waterOn: at(0) }, window, at(172));
    expect('left' in p && [p.left, p.untilLatest]).toEqual([-52, -22]);
  });
  test('early, in its window, late', () => expect([89, 90, 150, 151].map((s) => pullTiming(seconds(s), window))).toEqual(['early', 'inWindow', 'inWindow', 'late']));
  test('total: any events in any order end in a known state and never throw; an ended brew never moves', () => fc.assert(fc.property(fc.boolean(), fc.array(fc.tuple(fc.constantFrom<BrewEventKind>('waterOn', 'pull', 'undoPull', 'judge', 'abandon'), fc.integer({ min: 0, max: 5000 })), { maxLength: 20 }), (warming, events) => {
    let state = begin(at(0), warming);
    for (const [kind, s] of events) {
      const ended = state.kind === 'abandoned' || state.kind === 'judged';
      const step = advance(state, { kind, at: at(s) });
      if (ended) expect(step.kind).toBe('refused');
      if (step.kind === 'moved') state = step.state;
      if ('pulled' in state) expect(state.pulled).toBeGreaterThanOrEqual(state.waterOn);
    }
  }), { seed: 20260120 }));
});

test('the steps of a brew, with their instants', () => {
  const card = workOutCard({
    tea: { style: 'black-whole', weighing: null, spoon: SPOONS.dessertSpoon }, recipe: startingRecipe('black-whole'), method: 'pot', warmed: true, water: millilitres(500),
    vessel: { kind: 'pot', brim: millilitres(620), mark: millilitres(500), infuser: 'deep', basket: millilitres(230), material: 'porcelain', wallGrams: grams(400), lid: true },
    site: { altitudeM: 0, measuredBoiling: null, coldWater: celsius(12), ambient: celsius(20), pourLoss: null, kettle: { volume: millilitres(1700), material: 'stainless', lid: true } },
  });
  if (card.kind !== 'card') throw new Error(card.kind);
  const steps = stepsOf(card, at(0));
  expect(steps.map((s) => s.kind)).toEqual(['warm', 'leafIn', 'waterOn', 'earliest', 'pull', 'latest', 'judge']);
  expect(steps.every((s, i) => i === 0 || s.at >= (steps[i - 1]?.at ?? 0))).toBe(true);
  expect(steps.find((s) => s.kind === 'pull')?.at).toBe(at(240));
});

describe('the clock', () => {
  const clock = anchor(t0, 40, 1000, 5_000_000);
  test('an answer is half its round trip old', () => expect(nowBy(clock, 1000)).toBe(t0 + 20));
  test('a wall clock set 7 minutes on while the page is awake is followed only as sleep, and mended by the next answer', () => {
    const after = afterPause(clock, 2000, 5_001_000);
    expect(after).toBe(clock);
    expect(nowBy(anchor(t0 + 1000, 40, 2000, 5_421_000), 2000)).toBe(t0 + 1020);
  });
  test('a wall clock set back changes nothing', () => expect(nowBy(afterPause(clock, 2000, 4_581_000), 2000)).toBe(t0 + 1020));
  test('an hour of sleep is allowed for though the steady counter stood still', () => expect(nowBy(afterPause(clock, 1100, 5_000_000 + 3_600_100), 1100)).toBe(t0 + 20 + 3_600_100));
});

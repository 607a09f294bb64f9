import { seeded } from '#core/numeric';
import { sampleDrillFacts } from '#core/testing';
import { drawShift, judgedShift, type OrderStand } from '#core/training';
import { handAt, READY, running, type Shift, type ShiftAction, standOf } from './model';
import { vesselStatus } from './words';

const GIVEN = drawShift(sampleDrillFacts().shift, 1, seeded(2));
const reduce = running(GIVEN);
type Running = Exclude<Shift, { stage: 'ready' }>;
const after = (...actions: readonly ShiftAction[]): Running => {
  const shift = actions.reduce(reduce, READY);
  if (shift.stage === 'ready') throw new Error('not begun');
  return shift;
};
const step = { kind: 'begin', isStepped: true } as const;
const timed = { kind: 'begin', isStepped: false } as const;
const next = { kind: 'nextMoment' } as const;
const first = GIVEN.orders[0]?.cup ?? 0;

test('step by step the clock stands between moments, and does not run', () => {
  expect(after(step, { kind: 'tick', seconds: 30 }).now).toBe(0);
  expect(after(step, next).now).toBe(5);
});
test('timed, the clock runs unless somebody stops it', () => {
  expect(after(timed, { kind: 'tick', seconds: 2.04 }).now).toBe(2.1);
  const stopped = after(timed, { kind: 'pause', isPaused: true }, { kind: 'tick', seconds: 9 });
  expect(stopped.now).toBe(0);
});
test('a hand does what is next at a vessel; what it cannot do is said and changes nothing', () => {
  const poured = after(step, next, { kind: 'hand', cup: first });
  expect(poured.acts).toEqual([{ at: 5, hand: 'pour', order: 0 }]);
  expect(handAt(standOf(GIVEN, poured), first)).toEqual({ hand: 'pull', order: 0 });
  const busy = reduce(poured, { kind: 'hand', cup: first });
  expect(busy).toMatchObject({ acts: poured.acts, refused: 'hands' });
  const none = GIVEN.cups.findIndex((_, i) => i !== first);
  expect(reduce(poured, { kind: 'hand', cup: none })).toMatchObject({
    picked: none,
    refused: null,
  });
});
test('done with the right hand at each moment, a shift ends by itself and is right', () => {
  let shift = after(step);
  const act = (action: ShiftAction) => {
    const then = reduce(shift, action);
    if (then.stage !== 'ready') shift = then;
  };
  for (let i = 0; i < 300 && shift.stage === 'running'; i++) {
    const stand = standOf(GIVEN, shift);
    for (let cup = 0; cup < GIVEN.cups.length; cup++) {
      const wanted = handAt(stand, cup);
      const house = GIVEN.cups[cup];
      const poured = wanted ? stand.orders[wanted.order]?.pouredS : null;
      const isDue = typeof poured !== 'number' || shift.now >= poured + (house?.earliest ?? 0);
      if (isDue) act({ kind: 'hand', cup });
    }
    act(next);
  }
  expect(shift.stage).toBe('done');
  expect(judgedShift(GIVEN, { acts: shift.acts })?.judged).toBe('right');
  // What is over stays.
  expect(reduce(shift, { kind: 'hand', cup: first })).toBe(shift);
});
test('a vessel speaks as the bar does', () => {
  const cup = { ...sampleDrillFacts().shift[0]!, seconds: 120, earliest: 90, latest: 150 };
  const order: OrderStand = {
    ...{ cup: 0, orderedS: 5, pouredS: 10, pulledS: null, servedS: null, lid: 'on', lost: 0 },
  };
  const said = (now: number) => {
    const { name, figure, late } = vesselStatus(cup, order, now);
    return `${name} ${late ? '+' : ''}${figure}`;
  };
  expect([50, 110, 140, 161].map(said)).toEqual([
    'steeping 1:20',
    'window 0:20',
    'past +0:10',
    'late +0:01',
  ]);
  expect(vesselStatus(cup, { ...order, pulledS: 130 }, 150)).toMatchObject({
    ...{ name: 'pulled', figure: '2:00', step: 'Ready since 0:20', act: 'Serve' },
  });
  expect(vesselStatus(cup, null, 0).over).toBe('Free');
});

import { samplePlan } from '#core/testing';
import { celsius, epochMs } from '#core/units';
import {
  type BatchAct,
  type BatchEvent,
  keptUntil,
  nowOf,
  placeOf,
  refusalWords,
  refuseAct,
  USUAL_HOUSE_LIMITS,
} from './index';

// A batch that is taken out of the fridge and put back.

const HOUR = 3_600_000;
const LEAF_IN = epochMs(Date.UTC(2026, 4, 4, 8));
const PLAN = samplePlan('fridge');
const after = (h: number) => epochMs(LEAF_IN + h * HOUR);
const ROOM = celsius(22);
let n = 0;
const event = (h: number, act: BatchAct): BatchEvent => ({ ...act, id: `e${n++}`, at: after(h) });
const lift = event(PLAN.window.best / 3600, { kind: 'lift', yield: null, squeezed: false });
const put = (h: number, place: 'fridge' | 'counter') =>
  event(h, { kind: 'shelve', place, air: place === 'counter' ? ROOM : PLAN.air });
const batch = (...events: BatchEvent[]) => ({
  ...{ id: 'a', plan: PLAN, leafIn: LEAF_IN },
  events: [lift, ...events],
});
const kept = (...events: BatchEvent[]) => {
  const b = batch(...events);
  return keptUntil(b, nowOf(b), { readings: [], gaps: [] }, USUAL_HOUSE_LIMITS);
};

test('stands where it was begun until it is put elsewhere; putting it there again changes nothing', () => {
  const now = nowOf(batch(put(20, 'counter'), put(20.5, 'counter'), put(21, 'fridge')));
  expect(placeOf(PLAN, nowOf(batch()))).toBe('fridge');
  expect(placeOf(PLAN, now)).toBe('fridge');
  expect(now.shelved.map((s) => s.place)).toEqual(['counter', 'fridge']);
  expect(now.ignored).toHaveLength(1);
});

test('half an hour out costs little; left out it ends four warm hours after it passed the limit', () => {
  const usual = kept().discardAt;
  const short = kept(put(20, 'counter'), put(20.5, 'fridge'));
  expect(short.discardAt).toBeLessThanOrEqual(usual);
  expect(short.discardAt).toBeGreaterThan(usual - 3 * HOUR);
  const left = kept(put(20, 'counter'));
  expect(left.because).toBe('warm');
  // A litre in glass at 4 C passes 5 C in a room of 22 C within a quarter of an hour.
  expect(left.discardAt).toBeGreaterThan(after(24));
  expect(left.discardAt).toBeLessThanOrEqual(after(24.25));
});

test('a room colder than the fridge does not keep it longer', () => {
  const cold = event(20, { kind: 'shelve', place: 'counter', air: celsius(1) });
  expect(kept(cold).discardAt).toBe(kept().discardAt);
});

test('taken back it never stood out', () => {
  const out = put(20, 'counter');
  const undo = event(20.1, { kind: 'undo', of: out.id });
  expect(kept(out, undo)).toEqual(kept());
});

test('where it stands already it is not put again, in words', () => {
  const b = batch();
  const refused = refuseAct(
    { ...b, ...nowOf(b) },
    { kind: 'shelve', place: 'fridge', air: PLAN.air },
    { at: after(20), now: after(20), discardAt: after(80), because: 'keep', isLead: false },
  );
  if (!refused) throw new Error('not refused');
  expect(refusalWords(refused, { time: String, volume: String })).toBe(
    'The batch is in the fridge already.',
  );
});

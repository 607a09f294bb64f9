import { USUAL_HOUSE_LIMITS } from '#core/cold';
import { USUAL_REGION } from '#core/time';
import { celsius, epochMs } from '#core/units';
import type { Batch } from '#contracts/batches';
import type { WaitingWrite } from '../../platform/outbox/writes';
import { after, batchOf, BEST, done, lifted } from '../../testing/batches';
import {
  batchesOf as batchesWith,
  byNextHand,
  pouredFirst,
  readingsOf,
  sharesVessel,
  stands,
} from './standing';
import { stateLine } from './words';

const batchesOf = (
  kept: Parameters<typeof batchesWith>[0],
  waitingWrites: Parameters<typeof batchesWith>[1],
  readings: Parameters<typeof batchesWith>[2]['readings'],
) => batchesWith(kept, waitingWrites, { readings, gaps: [] }, USUAL_HOUSE_LIMITS);
/** A batch known by its own name. */
const batch = (id: string, over: Partial<Batch> = {}): Batch =>
  batchOf(id, { id, vesselId: id, ...over });
const lift = (h: number) => {
  const { by: _by, flag: _flag, ...event } = lifted(h);
  return event;
};
const waiting = (w: object) => w as WaitingWrite;
const event = (batchId: string, body: { id: string }) =>
  waiting({ kind: 'batchEvent', id: body.id, batchId, body, by: 'Dov R.', seq: 1 });

describe('what waits to be sent is laid over what the server knows', () => {
  test('a start, and what is done to it before it arrives', () => {
    const start = waiting({ kind: 'batchStart', id: 'a', body: {}, batch: batch('a'), seq: 0 });
    const [a] = batchesOf([], [start, event('a', lift(BEST))], []);
    expect(a).toMatchObject({
      unsaved: true,
      now: { state: { kind: 'drawn' }, ledger: { left: 900 } },
    });
    // Once the server has both, they count once.
    const [b] = batchesOf(
      [batch('a', { events: [lifted(BEST)] })],
      [start, event('a', lift(BEST))],
      [],
    );
    expect(b).toMatchObject({ unsaved: false, now: { ledger: { left: 900 } } });
  });
  test('a reading of the fridge, in its order', () => {
    const reading = (id: string, h: number) =>
      ({ id, at: after(h), celsius: celsius(4), source: 'typed', by: 'x' }) as const;
    const mine = waiting({
      kind: 'fridgeReading',
      id: 'r2',
      body: {},
      reading: reading('r2', 1),
      seq: 0,
    });
    expect(readingsOf([reading('r3', 2), reading('r1', 0)], [mine]).map((r) => r.id)).toEqual([
      'r1',
      'r2',
      'r3',
    ]);
  });
});
test('by what is to be done first: a lift by its latest, a drawn one by its discard', () => {
  const list = batchesOf(
    [
      batch('kept', { events: [lifted(BEST)] }),
      batch('late', { leafIn: after(5) }),
      batch('infusing'),
    ],
    [],
    [],
  );
  expect(
    list
      .filter(stands)
      .sort(byNextHand)
      .map((b) => b.id),
  ).toEqual(['infusing', 'late', 'kept']);
});
test('of the same tea and method the one that goes out first is poured first', () => {
  const [older, newer, other] = batchesOf(
    [
      batch('older', { events: [lifted(BEST)] }),
      batch('newer', { leafIn: after(24), events: [lifted(24 + BEST)] }),
      batch('other', { tea: { ...batch('x').tea, id: 'u' }, events: [lifted(BEST)] }),
    ],
    [],
    [],
  );
  if (!older || !newer || !other) throw new Error('three batches');
  expect(pouredFirst(newer, [older, newer, other])?.id).toBe('older');
  expect(pouredFirst(other, [older, newer, other])?.id).toBe('other');
});
test('two in one pitcher are seen from both; what has ended holds none', () => {
  const list = batchesOf(
    [
      batch('a', { vesselId: 'p' }),
      batch('b', { vesselId: 'p', leafIn: after(0.1) }),
      batch('c', { vesselId: 'q' }),
    ],
    [],
    [],
  );
  expect(list.map((b) => sharesVessel(b, list)?.how)).toEqual([
    'startedTwice',
    'startedTwice',
    undefined,
  ]);
  const voided = done(0.2, { kind: 'void', double: 'a' });
  const ended = batchesOf([batch('b', { events: [voided] })], [], []);
  expect(ended.some(stands)).toBe(false);
});
describe('its one line', () => {
  const line = (h: number, events: Batch['events'] = []) => {
    const [b] = batchesOf([batch('a', { events })], [], []);
    return b && stateLine(b, after(h), { zone: 'UTC', region: USUAL_REGION });
  };
  test.each<[string, ReturnType<typeof line>, string, RegExp]>([
    ['before its window', line(1), 'plain', /^infusing, best Mon /],
    ['in its window', line(BEST), 'due', /^lift leaf by Mon /],
    ['past its window', line(BEST + 20), 'soon', /^lift the leaf now$/],
    ['drawn', line(BEST + 9, [lifted(BEST)]), 'plain', /^keep until Thu /],
    ['drawn early, not cold', line(1, [lifted(0.5)]), 'plain', /^pour from Mon /],
    ['within the hour', line(BEST + 71.5, [lifted(BEST)]), 'soon', /^throw out in 30:00$/],
    ['past its time', line(BEST + 72.1, [lifted(BEST)]), 'past', /^throw out now$/],
  ])('%s', (_name, found, tone, words) => {
    expect(found?.tone).toBe(tone);
    expect(found?.words).toMatch(words);
  });
  test('in the night the clocks go back its hours are elapsed time, and that is said', () => {
    // Leaf in at midnight in London, still an hour ahead; the clocks go back at two.
    const leafIn = epochMs(Date.parse('2026-10-24T23:00:00Z'));
    const [b] = batchesOf([batch('a', { leafIn })], [], []);
    if (!b) throw new Error('a batch');
    const best = leafIn + b.plan.window.best * 1000;
    expect(b.window.best).toBe(best);
    const { words } = stateLine(b, epochMs(leafIn + 60_000), {
      zone: 'Europe/London',
      region: USUAL_REGION,
    });
    const clock = new Intl.DateTimeFormat('en-GB', {
      ...{ timeZone: 'Europe/London', hour: '2-digit', minute: '2-digit' },
    }).format(best);
    expect(words).toBe(`infusing, best Sun ${clock} (clocks went back)`);
  });
});

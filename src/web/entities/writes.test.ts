import fc from 'fast-check';
import {
  awayWords,
  type Maker,
  makerOf,
  nextToSend,
  othersWaiting,
  pointless,
  registerWrites,
} from '../platform/outbox/writes';
import { type BrewWrite, brewWrites } from './brews/writes';
import { type LockWrite, lockWrites } from './people/lockWrite';
import { type TastingWrite, tastingWrites } from './tastings/writes';

type Waiting = BrewWrite | TastingWrite | LockWrite;

registerWrites({ ...brewWrites, ...lockWrites, ...tastingWrites });

const dov: Maker = { personId: 'dov', name: 'Dov R.', device: null };
const pela: Maker = { personId: 'pela', name: 'Pela M.', device: null };
const lockedTablet: Maker = { ...dov, device: 'Counter tablet' };

let count = 0;
type Given = { maker?: Maker; aside?: Waiting['aside'] };
const common = ({ maker = dov, aside }: Given) => {
  count += 1;
  return { id: `w${count}`, seq: count, maker, ...(aside ? { aside } : {}) };
};
const event = (brewId: string, kind = 'pull', given: Given = {}): Waiting =>
  ({ kind: 'event', brewId, body: { kind, with: 'other' }, ...common(given) }) as never;
const start = (brewId: string, body: object = {}, given: Given = {}): Waiting =>
  ({ kind: 'start', body: { id: brewId, ...body }, ...common(given) }) as never;
const lock = (given: Given = {}): Waiting =>
  ({ kind: 'lock', device: 'Counter tablet', ...common(given) }) as never;
const order = (id: string, given: Given = {}): Waiting =>
  ({ kind: 'order', order: { by: { id: 'dov', name: 'Dov R.' } }, ...common(given), id }) as never;
const orderChange = (orderId: string, given: Given = {}): Waiting =>
  ({ kind: 'orderChange', orderId, ...common(given) }) as never;
const FAILED = { why: 'The server failed.', at: 1 };

describe('whose a write is', () => {
  test('it keeps its maker', () => {
    expect(makerOf(event('a'))).toEqual(dov);
    expect(makerOf(event('a', 'pull', { maker: lockedTablet }))).toEqual(lockedTablet);
  });
  test('a lock was asked for by a person, not by the tablet', () => {
    expect(makerOf(lock({ maker: lockedTablet }))).toEqual(dov);
  });
  test('what an earlier version left names its maker inside the write', () => {
    const by = { id: 'pela', name: 'Pela M.' };
    const left = [
      { kind: 'event', brewId: 'a', by },
      { kind: 'start', brew: { startedBy: by } },
      { kind: 'order', order: { by } },
      { kind: 'orderChange', order: { by } },
      { kind: 'table', by },
    ] as never as Waiting[];
    expect(left.map(makerOf)).toEqual(left.map(() => pela));
    expect(makerOf({ kind: 'lock', id: 'l', seq: 1 })).toBeNull();
  });
});

describe('what goes out next', () => {
  test('the first, in the order in which it was done', () => {
    const writes = [start('a'), event('a'), event('b')];
    expect(nextToSend(writes, dov)).toBe(writes[0]);
    expect(nextToSend(writes.slice(1), dov)).toBe(writes[1]);
    expect(nextToSend([], dov)).toBeNull();
  });
  test('nothing of a person who is not here; the rest goes on', () => {
    const writes = [event('a', 'pull', { maker: pela }), event('b')];
    expect(nextToSend(writes, dov)).toBe(writes[1]);
    expect(nextToSend(writes.slice(0, 1), dov)).toBeNull();
    expect(nextToSend(writes, pela)).toBe(writes[0]);
  });
  test('nothing about what an earlier write still waits with', () => {
    const writes = [start('a', {}, { maker: pela }), event('a'), event('b')];
    expect(nextToSend(writes, dov)).toBe(writes[2]);
  });
  test('a later steep waits for the brew before, a brew for its order', () => {
    const after = [start('a', {}, { maker: pela }), start('b', { after: 'a' })];
    expect(nextToSend(after, dov)).toBeNull();
    const ordered = [order('o', { maker: pela }), start('c', { orderId: 'o' }), orderChange('o')];
    expect(nextToSend(ordered, dov)).toBeNull();
  });
  test('two pots put together wait for each other', () => {
    const writes = [start('other', {}, { maker: pela }), event('a', 'pair'), event('a')];
    expect(nextToSend(writes, dov)).toBeNull();
  });
  test('what was set aside stays, with all that is about the same; the rest goes on', () => {
    const writes = [event('a', 'pull', { aside: FAILED }), event('a', 'judge'), event('b')];
    expect(nextToSend(writes, dov)).toBe(writes[2]);
  });
  test('a pull of the locked tablet goes out under whoever is at it', () => {
    const writes = [event('a', 'pull', { maker: lockedTablet })];
    expect(nextToSend(writes, pela)).toBe(writes[0]);
    expect(nextToSend(writes, lockedTablet)).toBe(writes[0]);
  });
  test('a person’s own writes wait while the tablet is locked, also under the same person', () => {
    expect(nextToSend([event('a')], lockedTablet)).toBeNull();
  });

  const maker = fc.constantFrom(dov, pela, lockedTablet);
  const anyWrite = fc
    .record({
      brewId: fc.constantFrom('a', 'b', 'c'),
      kind: fc.constantFrom('pull', 'judge', 'pair'),
      maker,
      failed: fc.boolean(),
    })
    .map((w) =>
      event(w.brewId, w.kind, { maker: w.maker, ...(w.failed ? { aside: FAILED } : {}) }),
    );
  test('sent until nothing goes, no write overtakes an earlier one about the same brew, and none goes under another name', () => {
    fc.assert(
      fc.property(fc.array(anyWrite, { maxLength: 12 }), maker, (writes, here) => {
        let left = writes;
        const sent: Waiting[] = [];
        for (let next = nextToSend(left, here); next; next = nextToSend(left, here)) {
          const going = next;
          sent.push(going);
          left = left.filter((w) => w !== going);
        }
        for (const w of sent) {
          const m = makerOf(w);
          expect(w.aside).toBeUndefined();
          expect(m?.device !== null || (m.personId === here.personId && here.device === null)).toBe(
            true,
          );
        }
        for (const brewId of ['a', 'b', 'c']) {
          const about = (list: readonly Waiting[]) =>
            list.filter((w) => w.kind === 'event' && w.brewId === brewId);
          // What went is the beginning of what was done to that brew, in its order.
          expect(about(sent)).toEqual(about(writes).slice(0, about(sent).length));
        }
      }),
      { seed: 20260311, numRuns: 300 },
    );
  });
});

describe('what is told', () => {
  test('the names of others, each once; not the tablet, not what was set aside', () => {
    const writes = [
      event('a'),
      event('b', 'pull', { maker: pela }),
      event('b', 'judge', { maker: pela }),
      event('c', 'pull', { maker: lockedTablet }),
      event('d', 'pull', { maker: { ...pela, personId: 'tam', name: 'Tam O.' }, aside: FAILED }),
    ];
    expect(othersWaiting(writes, 'dov')).toEqual(['Pela M.']);
    expect(othersWaiting(writes, 'pela')).toEqual(['Dov R.']);
  });
  test('a lock is stale once somebody else is here, or once it is locked', () => {
    expect(pointless([lock()], dov)).toHaveLength(0);
    expect(pointless([lock()], pela)).toHaveLength(1);
    expect(pointless([lock()], lockedTablet)).toHaveLength(1);
    expect(pointless([event('a', 'pull', { maker: pela })], dov)).toHaveLength(0);
  });
});

test.each([
  [null, 'No connection since 14:02.'],
  ['internal', 'No connection since 14:02.'],
  ['database.away', 'Nothing is saved since 14:02: the database does not answer.'],
  ['disk.full', 'Nothing is saved since 14:02: the server’s disk is full.'],
] as const)('while nothing is kept it is said why: %s', (why, words) =>
  expect(awayWords(why, '14:02')).toBe(words),
);

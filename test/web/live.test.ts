/** @jest-environment ./test/web/environment.mjs */
import { configureStore } from '@reduxjs/toolkit';
import { liveReducer, openLive } from '../../src/web/platform/live';
import { outboxReducer } from '../../src/web/platform/outbox/outbox';
import { FakeStream, giveStreams } from './fakeStream';

const makeStore = () => configureStore({ reducer: { live: liveReducer, outbox: outboxReducer } });
const nothing = () => undefined;
const HANDLERS = {
  ...{ brew: nothing, queue: nothing, table: nothing, batch: nothing, records: nothing },
  ...{ opened: nothing, reread: nothing },
};

let close: () => void = nothing;
giveStreams();
afterEach(() => close());

test('it says once, by number, where it begins; a stream that comes back says nothing of the kind', () => {
  const opened: number[] = [];
  close = openLive(makeStore().dispatch, { ...HANDLERS, opened: (seq) => opened.push(seq) });
  FakeStream.last.say('hello', { seq: 41 });
  FakeStream.last.say('records', {}, '42');
  FakeStream.last.say('hello', { seq: 42 });
  expect(opened).toEqual([41]);
});

test('after the records were put back to an earlier day it counts from there', () => {
  const store = makeStore();
  close = openLive(store.dispatch, HANDLERS);
  FakeStream.last.say('hello', { seq: 500 });
  expect(store.getState().live).toEqual({ on: true, seq: 500 });
  FakeStream.last.say('hello', { seq: 3 });
  FakeStream.last.say('reread', { seq: 3 }, '3');
  expect(store.getState().live).toEqual({ on: true, seq: 3 });
});

test('closed, it forgets the number: the next site counts its own', () => {
  const store = makeStore();
  openLive(store.dispatch, HANDLERS)();
  close = openLive(store.dispatch, HANDLERS);
  FakeStream.last.say('hello', { seq: 7 });
  close();
  expect(store.getState().live).toEqual({ on: false, seq: 0 });
});

/** @jest-environment ./test/web/environment.mjs */
import { act } from '@testing-library/react';
import { useBarQuery } from '../../src/web/entities/brews/api';
import { useBookQuery } from '../../src/web/entities/teas/api';
import { useLiveEvents } from '../../src/web/shell/useLiveEvents';
import { FakeStream, giveStreams } from './fakeStream';
import { closeAll, open, requests, serve } from './page';

// A page that opens: its first readings, and the stream that says where it begins.

giveStreams();
afterEach(closeAll);

function Opening() {
  useLiveEvents();
  useBarQuery();
  useBookQuery();
  return null;
}
const timesRead = (path: string): number => requests().filter((request) => request === path).length;

/** The stream is there before the bar has answered; then the bar answers, as it was at `seq`. */
async function barAnswersLate(seq: number): Promise<void> {
  let answer: (said: { body: object }) => void = () => undefined;
  serve({
    '/api/bar': new Promise((done) => (answer = done)),
    '/api/book': { body: { teas: [], vocabulary: [] } },
  });
  await open(<Opening />);
  await act(async () => FakeStream.last.say('hello', { seq: 7 }));
  await act(async () => answer({ body: { seq, brews: [], orders: [], recent: [] } }));
  await act(async () => new Promise((done) => setTimeout(done, 20)));
}

test('a stream that is there before the bar has answered: nothing has happened since, nothing is read twice', async () => {
  await barAnswersLate(7);
  expect([timesRead('/api/bar'), timesRead('/api/book')]).toEqual([1, 1]);
});

test('something happened between the bar’s answer and the stream: everything is read again', async () => {
  await barAnswersLate(6);
  expect([timesRead('/api/bar'), timesRead('/api/book')]).toEqual([2, 2]);
});

import { createListenerMiddleware } from '@reduxjs/toolkit';
import { recordsApi } from './records';
import { keepHere, readHere } from './storage';
import type { Send } from './dispatch';

// The records the bar needs, as they were last read: a tablet that is opened without a server begins with them.

const NAMES = ['house', 'bar', 'book', 'vessels'] as const;
const { house, bar, book, vessels } = recordsApi.endpoints;
const SELECT = {
  house: house.select(),
  bar: bar.select(),
  book: book.select(),
  vessels: vessels.select(),
};
type State = Parameters<typeof SELECT.bar>[0];
const dataOf = (state: unknown, name: (typeof NAMES)[number]): unknown =>
  SELECT[name](state as State).data;

export const rememberListener = createListenerMiddleware();
for (const name of NAMES) {
  rememberListener.startListening({
    // However it came: an answer, or something that was told.
    predicate: (_action, now, before) =>
      dataOf(now, name) !== undefined && dataOf(now, name) !== dataOf(before, name),
    effect: (_action, { getState }) =>
      keepHere('read', name, dataOf(getState(), name)).catch(() => undefined),
  });
}

const signedIn = (h: unknown) => Boolean(h && typeof h === 'object' && 'session' in h && h.session);

/** Puts what was last read in its place, and asks for it anew. */
export async function remember(dispatch: Send): Promise<void> {
  const kept = await Promise.all(NAMES.map((n) => readHere('read', n))).catch(() => []);
  for (const [i, name] of NAMES.entries()) {
    const data = kept[i];
    if (data === undefined) continue;
    await dispatch(recordsApi.util.upsertQueryData(name, undefined, data as never));
  }
  for (const name of NAMES)
    if (kept[NAMES.indexOf(name)] !== undefined && (name === 'house' || signedIn(kept[0])))
      void dispatch(
        recordsApi.endpoints[name].initiate(undefined, {
          forceRefetch: true,
          subscribe: false,
        }) as never,
      );
}

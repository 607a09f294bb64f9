import { createListenerMiddleware, createSlice, type PayloadAction, type ThunkDispatch, type UnknownAction } from '@reduxjs/toolkit';
import { addBrewEvent, startBrew, type Brew, type BrewEventBody, type StartBrew } from '#contracts/brews';
import { pathOf } from '#contracts/endpoint';
import type { Who } from '#contracts/primitives';
import { api, failureOf, type ApiFailure, type Call } from './api';
import { recordsApi } from './records';
import { toastShown } from './toasts';

/** A write that has happened here and waits to be kept there. Sent in order, each until it is answered. */
export type Waiting =
  | { readonly kind: 'start'; readonly id: string; readonly seq: number; readonly body: StartBrew; readonly brew: Brew }
  | { readonly kind: 'event'; readonly id: string; readonly seq: number; readonly brewId: string; readonly body: BrewEventBody; readonly by: Who };
type Outbox = { readonly waiting: readonly Waiting[]; readonly awaySince: number | null; readonly needsSignIn: boolean };

const empty: Outbox = { waiting: [], awaySince: null, needsSignIn: false };
const slice = createSlice({
  name: 'outbox',
  initialState: empty,
  reducers: {
    queued: (s, { payload }: PayloadAction<Waiting>) => ({ ...s, waiting: [...s.waiting, payload] }),
    restored: (s, { payload }: PayloadAction<readonly Waiting[]>) => ({ ...s, waiting: [...payload, ...s.waiting.filter((w) => !payload.some((p) => p.id === w.id))].sort((a, b) => a.seq - b.seq) }),
    settled: (s, { payload }: PayloadAction<string>) => ({ ...s, waiting: s.waiting.filter((w) => w.id !== payload), awaySince: null, needsSignIn: false }),
    wentAway: (s, { payload }: PayloadAction<number>) => ({ ...s, awaySince: s.awaySince ?? payload }),
    mustSignIn: (s) => ({ ...s, needsSignIn: true, awaySince: null }),
  },
});
export const { queued, restored } = slice.actions;
const { settled, wentAway, mustSignIn } = slice.actions;
export const outboxReducer = slice.reducer;

// One storage key a write, so that two tabs never overwrite each other's; a repeat is harmless by its id.
const PREFIX = 'limnos.waiting.';
const keep = (w: Waiting) => localStorage.setItem(PREFIX + w.id, JSON.stringify(w));
const drop = (id: string) => localStorage.removeItem(PREFIX + id);
/** What an earlier page left unsent. */
export function leftUnsent(): Waiting[] {
  return Object.keys(localStorage).filter((k) => k.startsWith(PREFIX)).flatMap((k) => {
    try {
      return [JSON.parse(localStorage.getItem(k) ?? '') as Waiting];
    } catch {
      return [];
    }
  }).sort((a, b) => a.seq - b.seq);
}

const callOf = (w: Waiting): Call =>
  w.kind === 'start' ? { url: startBrew.path, method: 'POST', body: w.body } : { url: pathOf(addBrewEvent, { id: w.brewId }), method: 'POST', body: w.body };
const sendApi = api.injectEndpoints({ endpoints: (build) => ({ send: build.mutation<Brew, Call>({ query: (c) => c }) }) });

const RETRY_MS = [500, 1000, 2000, 3000];
type State = { outbox: Outbox };
export const outboxListener = createListenerMiddleware<State>();
const isLost = (f: ApiFailure) => f.kind === 'away' || f.status >= 500 || f.status === 429;

outboxListener.startListening({
  predicate: (action) => queued.match(action) || restored.match(action) || recordsApi.endpoints.signIn.matchFulfilled(action),
  effect: async (_action, listener) => {
    // One sender at a time: a later action only ever finds the list longer.
    listener.unsubscribe();
    for (let tries = 0; ; ) {
      const next = listener.getState().outbox.waiting[0];
      if (!next) break;
      const sent = await listener.dispatch(sendApi.endpoints.send.initiate(callOf(next)));
      if ('data' in sent && sent.data) {
        settle(listener.dispatch, next, sent.data);
        tries = 0;
        continue;
      }
      const failure = failureOf(sent.error);
      if (failure.kind === 'answer' && failure.status === 401) {
        listener.dispatch(mustSignIn());
        break;
      }
      if (!isLost(failure)) {
        // The server has refused it for good: say so, and let its own record stand.
        drop(next.id);
        listener.dispatch(settled(next.id));
        listener.dispatch(toastShown({ text: failure.message }));
        listener.dispatch(api.util.invalidateTags(['Bar', 'Log']));
        continue;
      }
      listener.dispatch(wentAway(Date.now()));
      await listener.delay(RETRY_MS[Math.min(tries++, RETRY_MS.length - 1)] ?? 3000);
    }
    listener.subscribe();
  },
});
outboxListener.startListening({ actionCreator: queued, effect: ({ payload }) => keep(payload) });

/** The server's answer first takes the write's place, so that nothing flickers. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- the slice is injected into a store whose whole state it does not know
function settle(send: ThunkDispatch<any, unknown, UnknownAction>, sent: Waiting, brew: Brew) {
  // A reading of the bar asked for before this was kept may not know of it: it is given up, and asked for again below.
  send(recordsApi.util.getRunningQueryThunk('bar', undefined))?.abort();
  send(recordsApi.util.updateQueryData('bar', undefined, (bar) => {
    const open = brew.state.kind !== 'judged' && brew.state.kind !== 'abandoned';
    bar.brews = [...bar.brews.filter((b) => b.id !== brew.id), ...(open ? [brew] : [])];
  }));
  drop(sent.id);
  send(settled(sent.id));
  send(api.util.invalidateTags(['Bar', 'Log']));
}

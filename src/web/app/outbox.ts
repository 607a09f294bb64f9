import { createListenerMiddleware, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { addOrder, Brew, BrewEventBody, changeOrder, Order, StartBrew } from '#contracts/brews';
import type { BodyOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import type { Who } from '#contracts/primitives';
import type { TastingEventBody, TastingView } from '#contracts/tastings';
import type { Send } from './dispatch';
import { api, failureOf, type ApiFailure, type Call } from './api';
import { recordsApi } from './records';
import { allHere, dropHere, keepHere } from './storage';
import { toastShown } from './toasts';

type Common = { readonly id: string; readonly seq: number };
/** A write that has happened here and waits to be kept there. Sent in order, each until it is answered. */
export type Waiting = Common & (
  | { readonly kind: 'start'; readonly body: StartBrew; readonly brew: Brew }
  /** `restores`: the brew as it was before what is taken back. */
  | { readonly kind: 'event'; readonly brewId: string; readonly body: BrewEventBody; readonly by: Who; readonly restores?: Brew }
  | { readonly kind: 'order'; readonly body: BodyOf<typeof addOrder>; readonly order: Order }
  | { readonly kind: 'orderChange'; readonly orderId: string; readonly body: BodyOf<typeof changeOrder>; readonly order: Order }
  | { readonly kind: 'table'; readonly tastingId: string; readonly body: TastingEventBody; readonly by: Who }
  /** Nobody is at this tablet: after what was done by whoever was. */
  | { readonly kind: 'lock'; readonly device: string }
);
export type Outbox = {
  readonly waiting: readonly Waiting[];
  readonly awaySince: number | null;
  readonly needsSignIn: boolean;
  /** This device's own storage took one of them not: closing the tablet would lose it. */
  readonly storageFails: boolean;
};

const empty: Outbox = { waiting: [], awaySince: null, needsSignIn: false, storageFails: false };
const slice = createSlice({
  name: 'outbox',
  initialState: empty,
  reducers: {
    queued: (s, { payload }: PayloadAction<Waiting>) => ({ ...s, waiting: [...s.waiting, payload] }),
    restored: (s, { payload }: PayloadAction<readonly Waiting[]>) => ({ ...s, waiting: [...payload, ...s.waiting.filter((w) => !payload.some((p) => p.id === w.id))].sort((a, b) => a.seq - b.seq) }),
    settled: (s, { payload }: PayloadAction<string>) => ({ ...s, waiting: s.waiting.filter((w) => w.id !== payload), awaySince: null, needsSignIn: false }),
    wentAway: (s, { payload }: PayloadAction<number>) => ({ ...s, awaySince: s.awaySince ?? payload }),
    cameBack: (s) => ({ ...s, awaySince: null }),
    mustSignIn: (s) => ({ ...s, needsSignIn: true, awaySince: null }),
    storageFailed: (s) => ({ ...s, storageFails: true }),
  },
});
export const { queued, restored, wentAway, cameBack } = slice.actions;
const { settled, mustSignIn, storageFailed } = slice.actions;
export const outboxReducer = slice.reducer;

/** The order of writes of this device: a clock set back does not turn it round. */
let lastSeq = 0;
export const nextSeq = (): number => (lastSeq = Math.max(lastSeq + 1, Date.now() * 1000));

/** Where versions of this application before IndexedDB kept theirs. */
const OLD_PREFIX = 'limnos.waiting.';
/** What an earlier page left unsent, in order. One record a write, so that two tabs never overwrite each other's; a repeat is harmless by its id. */
export async function leftUnsent(): Promise<Waiting[]> {
  const old = Object.keys(localStorage).filter((k) => k.startsWith(OLD_PREFIX)).flatMap((k) => {
    try {
      return [JSON.parse(localStorage.getItem(k) ?? '') as Waiting];
    } catch {
      return [];
    }
  });
  for (const w of old) {
    await keepHere('waiting', w.id, w);
    localStorage.removeItem(OLD_PREFIX + w.id);
  }
  const left = ((await allHere('waiting')) as Waiting[]).sort((a, b) => a.seq - b.seq);
  lastSeq = Math.max(lastSeq, left.at(-1)?.seq ?? 0);
  return left;
}

function callOf(w: Waiting): Call {
  switch (w.kind) {
    case 'start': return { url: ROUTES.startBrew.path, method: 'POST', body: w.body };
    case 'event': return { url: pathOf(ROUTES.addBrewEvent, { id: w.brewId }), method: 'POST', body: w.body };
    case 'order': return { url: ROUTES.addOrder.path, method: 'POST', body: w.body };
    case 'orderChange': return { url: pathOf(ROUTES.changeOrder, { id: w.orderId }), method: 'PATCH', body: w.body };
    case 'table': return { url: pathOf(ROUTES.addTastingEvent, { id: w.tastingId }), method: 'POST', body: w.body };
    case 'lock': return { url: ROUTES.lockSession.path, method: 'POST', body: { device: w.device } };
  }
}
const sendApi = api.injectEndpoints({ endpoints: (build) => ({ send: build.mutation<unknown, Call>({ query: (c) => c }) }) });

const RETRY_MS = [500, 1000, 2000, 3000];
type State = { outbox: Outbox; live: { readonly on: boolean } };
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
      if ('data' in sent) {
        settle(listener.dispatch, next, sent.data, listener.getState().live.on);
        tries = 0;
        continue;
      }
      const failure = failureOf(sent.error);
      if (failure.kind === 'answer' && (failure.status === 401 || failure.status === 423)) {
        listener.dispatch(mustSignIn());
        break;
      }
      if (!isLost(failure)) {
        // The server has refused it for good: say so, and let its own record stand.
        void dropHere('waiting', next.id).catch(() => undefined);
        listener.dispatch(settled(next.id));
        listener.dispatch(toastShown({ text: failure.message }));
        listener.dispatch(api.util.invalidateTags(next.kind === 'table' ? ['Table'] : ['Bar', 'Log']));
        continue;
      }
      listener.dispatch(wentAway(Date.now()));
      await listener.delay(RETRY_MS[Math.min(tries++, RETRY_MS.length - 1)] ?? 3000);
    }
    listener.subscribe();
  },
});
outboxListener.startListening({ actionCreator: queued, effect: ({ payload }, { dispatch }) => keepHere('waiting', payload.id, payload).catch(() => { dispatch(storageFailed()); }) });

/** A brew as the server has it takes its place on the bar, or leaves it. */
export const brewKept = (brew: Brew) => recordsApi.util.updateQueryData('bar', undefined, (bar) => {
  const open = brew.state.kind !== 'judged' && brew.state.kind !== 'abandoned';
  bar.brews = [...bar.brews.filter((b) => b.id !== brew.id), ...(open ? [brew] : [])];
});

/** The queue as the server has it. */
export const ordersKept = (orders: readonly Order[]) => recordsApi.util.updateQueryData('bar', undefined, (bar) => { bar.orders = [...orders]; });

/** The server's answer first takes the write's place, so that nothing flickers. */
function settle(send: Send, sent: Waiting, answer: unknown, live: boolean) {
  const { getRunningQueryThunk, updateQueryData } = recordsApi.util;
  // A reading asked for before this was kept may not know of it: it is given up, and what is known is known at once.
  if (sent.kind === 'table') {
    send(getRunningQueryThunk('tasting', sent.tastingId))?.abort();
    send(updateQueryData('tasting', sent.tastingId, () => answer as TastingView));
  } else {
    send(getRunningQueryThunk('bar', undefined))?.abort();
    if (sent.kind === 'start' || sent.kind === 'event') send(brewKept(answer as Brew));
    else if (sent.kind !== 'lock') send(ordersKept((answer as { orders: Order[] }).orders));
  }
  void dropHere('waiting', sent.id).catch(() => undefined);
  send(settled(sent.id));
  // While the stream is up the bar is told of what else happened; without it, it is asked for.
  if (sent.kind !== 'table') send(api.util.invalidateTags(sent.kind === 'lock' ? ['House'] : live ? ['Log'] : ['Bar', 'Log']));
}

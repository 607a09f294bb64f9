import { createListenerMiddleware, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Brew, Order } from '#contracts/brews';
import type { ErrorCode } from '#contracts/errors';
import { pathOf, ROUTES } from '#contracts/routes';
import type { TastingView } from '#contracts/tastings';
import type { Send } from './dispatch';
import { api, failureOf, type ApiFailure, type Call } from './api';
import { recordsApi } from './records';
import { allHere, dropHere, keepHere } from './storage';
import { toastShown } from './toasts';
import { isStaleLock, makerOf, nextToSend, type Aside, type Maker, type Waiting } from './waiting';

export type Outbox = {
  readonly waiting: readonly Waiting[];
  readonly awaySince: number | null;
  /** Why it keeps nothing, as the server said; null: it does not answer at all. */
  readonly awayWhy: ErrorCode | null;
  readonly needsSignIn: boolean;
  /** This device's own storage took one of them not: closing the tablet would lose it. */
  readonly storageFails: boolean;
};

const back = { awaySince: null, awayWhy: null };
const empty: Outbox = { waiting: [], ...back, needsSignIn: false, storageFails: false };
const slice = createSlice({
  name: 'outbox',
  initialState: empty,
  reducers: {
    queued: (s, { payload }: PayloadAction<Waiting>) => ({
      ...s,
      waiting: [...s.waiting, payload],
    }),
    /** Set aside, or taken up again. */
    moved: (
      s,
      { payload: { id, aside } }: PayloadAction<{ id: string; aside: Aside | undefined }>,
    ) => ({ ...s, waiting: s.waiting.map((w) => (w.id === id ? { ...w, aside } : w)) }),
    dropped: (s, { payload }: PayloadAction<string>) => ({
      ...s,
      waiting: s.waiting.filter((w) => w.id !== payload),
    }),
    signedInAgain: (s) => ({ ...s, needsSignIn: false }),
    restored: (s, { payload }: PayloadAction<readonly Waiting[]>) => ({
      ...s,
      waiting: [...payload, ...s.waiting.filter((w) => !payload.some((p) => p.id === w.id))].sort(
        (a, b) => a.seq - b.seq,
      ),
    }),
    settled: (s, { payload }: PayloadAction<string>) => ({
      ...s,
      waiting: s.waiting.filter((w) => w.id !== payload),
      ...back,
      needsSignIn: false,
    }),
    wentAway: (s, { payload }: PayloadAction<{ at: number; why: ErrorCode | null }>) => ({
      ...s,
      awaySince: s.awaySince ?? payload.at,
      awayWhy: payload.why,
    }),
    cameBack: (s) => ({ ...s, ...back }),
    mustSignIn: (s) => ({ ...s, ...back, needsSignIn: true }),
    storageFailed: (s) => ({ ...s, storageFails: true }),
  },
});
export const { queued, restored, wentAway, cameBack } = slice.actions;
const { settled, mustSignIn, storageFailed, moved, dropped, signedInAgain } = slice.actions;
export const outboxReducer = slice.reducer;

/** The order of writes of this device: a clock set back does not turn it round. */
let lastSeq = 0;
export const nextSeq = (): number => (lastSeq = Math.max(lastSeq + 1, Date.now() * 1000));

/** Where versions of this application before IndexedDB kept theirs. */
const OLD_PREFIX = 'limnos.waiting.';
/**
 * What an earlier page left unsent, in order. One record a write, so that two tabs never overwrite each other's; a
 * repeat is harmless by its id.
 */
export async function leftUnsent(): Promise<Waiting[]> {
  const old = Object.keys(localStorage)
    .filter((k) => k.startsWith(OLD_PREFIX))
    .flatMap((k) => {
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

type Unmade<T> = T extends unknown ? Omit<T, 'seq' | 'maker' | 'aside'> : never;
/** Puts a write into the outbox, in the name of whoever is here now. */
export const queueWrite = (write: Unmade<Waiting>) => (dispatch: Send, getState: () => unknown) => {
  dispatch(queued({ ...write, seq: nextSeq(), maker: makerNow(getState()) } as Waiting));
};

function callOf(w: Waiting): Call {
  switch (w.kind) {
    case 'start':
      return { url: ROUTES.startBrew.path, method: 'POST', body: w.body };
    case 'event':
      return { url: pathOf(ROUTES.addBrewEvent, { id: w.brewId }), method: 'POST', body: w.body };
    case 'order':
      return { url: ROUTES.addOrder.path, method: 'POST', body: w.body };
    case 'orderChange':
      return { url: pathOf(ROUTES.changeOrder, { id: w.orderId }), method: 'PATCH', body: w.body };
    case 'table':
      return {
        url: pathOf(ROUTES.addTastingEvent, { id: w.tastingId }),
        method: 'POST',
        body: w.body,
      };
    case 'lock':
      return { url: ROUTES.lockSession.path, method: 'POST', body: { device: w.device } };
  }
}
const sendApi = api.injectEndpoints({
  endpoints: (build) => ({ send: build.mutation<unknown, Call>({ query: (c) => c }) }),
});

const RETRY_MS = [500, 1000, 2000, 3000];
/** A write that the server itself fails on so many times is set aside, so that the rest goes on. */
const MOST_FAILURES = 5;
type State = {
  outbox: Outbox;
  live: { readonly on: boolean };
  settings: { readonly locked: boolean; readonly deviceName: string };
};
export const outboxListener = createListenerMiddleware<State>();
const isLost = (f: ApiFailure) => f.kind === 'away' || f.status >= 500 || f.status === 429;
/** The server is there and fails on this write; 503 says that it, or its database, is not there. */
const isServersFault = (f: ApiFailure) =>
  f.kind === 'answer' && f.status >= 500 && f.status !== 503;

/** Who is at this device, as the server last said; null: nobody. */
function sessionOf(state: unknown): Maker | null {
  const session = recordsApi.endpoints.house.select()(
    state as Parameters<ReturnType<typeof recordsApi.endpoints.house.select>>[0],
  ).data?.session;
  return session
    ? { personId: session.personId, name: session.name, device: session.lockedAs }
    : null;
}
/** Who makes a write now: the person, or the tablet where it is locked. */
export function makerNow(state: unknown): Maker | undefined {
  const session = sessionOf(state);
  const { locked, deviceName } = (state as State).settings;
  return session
    ? { ...session, device: session.device ?? (locked ? deviceName : null) }
    : undefined;
}
const forget = (id: string) => void dropHere('waiting', id).catch(() => undefined);
/** Sends a write that was set aside once more. */
export const tryAgain = (w: Waiting) => (dispatch: Send) => {
  dispatch(moved({ id: w.id, aside: undefined }));
  void keepHere('waiting', w.id, { ...w, aside: undefined }).catch(() => undefined);
};
/** Gives a write up for good. */
export const giveUp = (w: Waiting) => (dispatch: Send) => {
  forget(w.id);
  dispatch(dropped(w.id));
  dispatch(api.util.invalidateTags(['Bar', 'Log', 'Table']));
};

outboxListener.startListening({
  predicate: (action) =>
    queued.match(action) ||
    restored.match(action) ||
    moved.match(action) ||
    recordsApi.endpoints.signIn.matchFulfilled(action) ||
    recordsApi.endpoints.house.matchFulfilled(action),
  effect: async (_action, listener) => {
    // One sender at a time: a later action only ever finds the list longer.
    listener.unsubscribe();
    const failures = new Map<string, number>();
    for (let tries = 0; ;) {
      const at = sessionOf(listener.getState());
      if (!at) break;
      for (const stale of listener.getState().outbox.waiting.filter((w) => isStaleLock(w, at))) {
        forget(stale.id);
        listener.dispatch(dropped(stale.id));
      }
      const next = nextToSend(listener.getState().outbox.waiting, at);
      if (!next) break;
      const sent = await listener.dispatch(
        sendApi.endpoints.send.initiate({ ...callOf(next), headers: nameOf(next) }),
      );
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
      if (failure.kind === 'answer' && failure.code === 'session.other') {
        // Somebody else signed in meanwhile, in another tab: who is here is asked anew.
        listener.dispatch(api.util.invalidateTags(['House']));
        break;
      }
      if (!isLost(failure)) {
        // The server has refused it for good: say so, and let its own record stand.
        forget(next.id);
        listener.dispatch(settled(next.id));
        listener.dispatch(toastShown({ text: failure.message }));
        listener.dispatch(
          api.util.invalidateTags(next.kind === 'table' ? ['Table'] : ['Bar', 'Log']),
        );
        continue;
      }
      if (isServersFault(failure)) {
        const times = (failures.get(next.id) ?? 0) + 1;
        failures.set(next.id, times);
        if (times >= MOST_FAILURES) {
          const aside = { why: failure.message, at: Date.now() };
          listener.dispatch(moved({ id: next.id, aside }));
          listener.dispatch(cameBack());
          void keepHere('waiting', next.id, { ...next, aside }).catch(() => undefined);
          tries = 0;
          continue;
        }
      } else {
        const why = failure.kind === 'answer' ? failure.code : null;
        listener.dispatch(wentAway({ at: Date.now(), why }));
      }
      await listener.delay(RETRY_MS[Math.min(tries++, RETRY_MS.length - 1)] ?? 3000);
    }
    listener.subscribe();
  },
});
/** Under whose name a write goes out: the server refuses it under any other. */
function nameOf(w: Waiting): Record<string, string> {
  const maker = makerOf(w);
  if (maker === null) return {};
  return maker.device === null
    ? { 'x-limnos-person': maker.personId }
    : { 'x-limnos-device': encodeURIComponent(maker.device) };
}
outboxListener.startListening({
  predicate: (action) => recordsApi.endpoints.signIn.matchFulfilled(action),
  effect: (_action, { dispatch }) => {
    dispatch(signedInAgain());
  },
});
outboxListener.startListening({
  actionCreator: queued,
  effect: ({ payload }, { dispatch }) =>
    keepHere('waiting', payload.id, payload).catch(() => {
      dispatch(storageFailed());
    }),
});

/** A brew as the server has it takes its place on the bar, or leaves it. */
export const brewKept = (brew: Brew) =>
  recordsApi.util.updateQueryData('bar', undefined, (bar) => {
    const open = brew.state.kind !== 'judged' && brew.state.kind !== 'abandoned';
    bar.brews = [...bar.brews.filter((b) => b.id !== brew.id), ...(open ? [brew] : [])];
  });
/** The queue as the server has it. */
export const ordersKept = (orders: readonly Order[]) =>
  recordsApi.util.updateQueryData('bar', undefined, (bar) => {
    bar.orders = [...orders];
  });

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
  if (sent.kind !== 'table')
    send(
      api.util.invalidateTags(sent.kind === 'lock' ? ['House'] : live ? ['Log'] : ['Bar', 'Log']),
    );
}

import { createListenerMiddleware, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { ErrorCode } from '#contracts/errors';
import { api, type ApiFailure, type Call, failureOf } from '../api';
import type { Send } from '../dispatch';
import { allHere, dropHere, keepHere } from '../storage';
import { toastShown } from '../toasts';
import {
  type Aside,
  kindOf,
  type Maker,
  makerOf,
  nextToSend,
  pointless,
  registerWrites,
  type WaitingWrite,
  type WriteKinds,
} from './writes';

export type Outbox = {
  readonly waiting: readonly WaitingWrite[];
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
    queued: (s, { payload }: PayloadAction<WaitingWrite>) => ({
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
    restored: (s, { payload }: PayloadAction<readonly WaitingWrite[]>) => ({
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
    /** The server answers a question: away it is only for what waits, which its own answer brings back. */
    reached: (s) => (s.awayWhy === null && s.waiting.length === 0 ? { ...s, ...back } : s),
    /** Somebody is here who may send: what waits is looked at. */
    woken: (s) => s,
    mustSignIn: (s) => ({ ...s, ...back, needsSignIn: true }),
    storageFailed: (s) => ({ ...s, storageFails: true }),
  },
});
export const { queued, restored, wentAway, cameBack, reached, signedInAgain, woken } =
  slice.actions;
const { settled, mustSignIn, storageFailed, moved, dropped } = slice.actions;
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
export async function leftUnsent(): Promise<WaitingWrite[]> {
  const old = Object.keys(localStorage)
    .filter((k) => k.startsWith(OLD_PREFIX))
    .flatMap((k) => {
      try {
        return [JSON.parse(localStorage.getItem(k) ?? '') as WaitingWrite];
      } catch {
        return [];
      }
    });
  for (const w of old) {
    await keepHere('waiting', w.id, w);
    localStorage.removeItem(OLD_PREFIX + w.id);
  }
  const left = ((await allHere('waiting')) as WaitingWrite[]).sort((a, b) => a.seq - b.seq);
  lastSeq = Math.max(lastSeq, left.at(-1)?.seq ?? 0);
  return left;
}

/** Who is at this device, as the server last said; null: nobody. */
type WhoIsHere = (state: unknown) => Maker | null;
let whoIsHere: WhoIsHere = () => null;
/** Says once, at the start, what kinds of write there are and how to find out who is here. */
export function setUpOutbox(setUp: { kinds: WriteKinds; whoIsHere: WhoIsHere }): void {
  registerWrites(setUp.kinds);
  whoIsHere = setUp.whoIsHere;
}

/** A write before it is in the outbox. */
export type NewWrite<W extends WaitingWrite> = W extends unknown
  ? Omit<W, 'seq' | 'maker' | 'aside'>
  : never;
/** Puts a write into the outbox, in the name of whoever is here now. */
export const queueWrite =
  <W extends WaitingWrite>(write: NewWrite<W>) =>
  (dispatch: Send, getState: () => unknown) => {
    const whole = { ...write, seq: nextSeq(), maker: makerNow(getState()) };
    dispatch(queued(whole as unknown as WaitingWrite));
  };

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

/** Who makes a write now: the person, or the tablet where it is locked. */
export function makerNow(state: unknown): Maker | undefined {
  const here = whoIsHere(state);
  const { locked, deviceName } = (state as State).settings;
  return here ? { ...here, device: here.device ?? (locked ? deviceName : null) } : undefined;
}
const forget = (id: string) => void dropHere('waiting', id).catch(() => undefined);
/** Sends a write that was set aside once more. */
export const tryAgain = (w: WaitingWrite) => (dispatch: Send) => {
  dispatch(moved({ id: w.id, aside: undefined }));
  void keepHere('waiting', w.id, { ...w, aside: undefined }).catch(() => undefined);
};
/** Gives a write up for good. */
export const giveUp = (w: WaitingWrite) => (dispatch: Send) => {
  forget(w.id);
  dispatch(dropped(w.id));
  dispatch(api.util.invalidateTags([...kindOf(w).refused]));
};

outboxListener.startListening({
  predicate: (action) =>
    queued.match(action) || restored.match(action) || moved.match(action) || woken.match(action),
  effect: async (_action, listener) => {
    // One sender at a time: a later action only ever finds the list longer.
    listener.unsubscribe();
    const failures = new Map<string, number>();
    for (let tries = 0; ;) {
      const here = whoIsHere(listener.getState());
      if (!here) break;
      for (const { id } of pointless(listener.getState().outbox.waiting, here)) {
        forget(id);
        listener.dispatch(dropped(id));
      }
      const next = nextToSend(listener.getState().outbox.waiting, here);
      if (!next) break;
      const sent = await listener.dispatch(
        sendApi.endpoints.send.initiate({ ...kindOf(next).call(next), headers: nameOf(next) }),
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
      const setAside = () => {
        const aside = { why: failure.message, at: Date.now() };
        listener.dispatch(moved({ id: next.id, aside }));
        void keepHere('waiting', next.id, { ...next, aside }).catch(() => undefined);
        tries = 0;
      };
      if (failure.kind === 'answer' && failure.code === 'clock.ahead') {
        // Refused for now, not for good: its time comes, or the clock is set.
        setAside();
        continue;
      }
      if (!isLost(failure)) {
        // The server has refused it for good: say so, and let its own record stand.
        forget(next.id);
        listener.dispatch(settled(next.id));
        listener.dispatch(toastShown({ text: failure.message }));
        listener.dispatch(api.util.invalidateTags([...kindOf(next).refused]));
        continue;
      }
      if (isServersFault(failure)) {
        const times = (failures.get(next.id) ?? 0) + 1;
        failures.set(next.id, times);
        if (times >= MOST_FAILURES) {
          listener.dispatch(cameBack());
          setAside();
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
function nameOf(w: WaitingWrite): Record<string, string> {
  const maker = makerOf(w);
  if (maker === null) return {};
  return maker.device === null
    ? { 'x-limnos-person': maker.personId }
    : { 'x-limnos-device': encodeURIComponent(maker.device) };
}
outboxListener.startListening({
  actionCreator: queued,
  effect: ({ payload }, { dispatch }) =>
    keepHere('waiting', payload.id, payload).catch(() => {
      dispatch(storageFailed());
    }),
});

/** The server's answer first takes the write's place, so that nothing flickers. */
function settle(dispatch: Send, sent: WaitingWrite, answer: unknown, live: boolean) {
  const kind = kindOf(sent);
  kind.accept(sent, answer, dispatch);
  void dropHere('waiting', sent.id).catch(() => undefined);
  dispatch(settled(sent.id));
  dispatch(api.util.invalidateTags([...kind.stale(live)]));
}

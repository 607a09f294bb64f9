import { createListenerMiddleware, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Told } from '#contracts/live';
import { ROUTES } from '#contracts/routes';
import { api } from './api';
import { brewKept, cameBack, ordersKept, wentAway } from './outbox';
import { recordsApi } from './records';
import type { Send } from './dispatch';

// What the others do: told as it happens. While the stream is down the bar is asked for every few seconds instead.

type Live = { readonly on: boolean; readonly seq: number };
const slice = createSlice({
  name: 'live',
  initialState: { on: false, seq: 0 } as Live,
  reducers: {
    liveOn: (s, { payload }: PayloadAction<boolean>) => ({ ...s, on: payload }),
    heard: (s, { payload }: PayloadAction<number>) => ({ ...s, seq: Math.max(s.seq, payload) }),
  },
});
const { liveOn, heard } = slice.actions;
export const liveReducer = slice.reducer;

/** Nothing for so long, not even a beat: the wire is dead though it looks open, ms. */
const SILENT_MS = 13_000;
/** A stream that the browser has given up is opened anew after this, ms. */
const AGAIN_MS = 2000;

/** Opens the stream and keeps it open until it is closed. */
export function listen(dispatch: Send): () => void {
  let source: EventSource | null = null;
  let over = false;
  let last = 0;
  let silence: ReturnType<typeof setTimeout> | undefined;
  const alive = () => {
    clearTimeout(silence);
    silence = setTimeout(again, SILENT_MS);
  };
  function again() {
    clearTimeout(silence);
    source?.close();
    dispatch(liveOn(false));
    if (!over) silence = setTimeout(open, AGAIN_MS);
  }
  function open() {
    source = new EventSource(
      last > 0 ? `${ROUTES.getLive.path}?after=${last}` : ROUTES.getLive.path,
    );
    const on = <K extends Told['kind']>(
      kind: K,
      take: (told: Extract<Told, { kind: K }>) => void,
    ) =>
      source?.addEventListener(kind, (e) => {
        alive();
        const event = e as MessageEvent<string>;
        take(JSON.parse(event.data) as Extract<Told, { kind: K }>);
        if (event.lastEventId) {
          last = Number(event.lastEventId);
          dispatch(heard(last));
        }
      });
    on('hello', ({ seq }) => {
      const fresh = last === 0;
      last = Math.max(last, seq);
      dispatch(liveOn(true));
      dispatch(cameBack());
      dispatch(heard(last));
      // What happened before the stream stood is read once.
      if (fresh) dispatch(api.util.invalidateTags(['Bar']));
    });
    on('brew', ({ brew }) => {
      dispatch(brewKept(brew));
      dispatch(api.util.invalidateTags(['Log']));
    });
    on('queue', ({ orders }) => {
      dispatch(ordersKept(orders));
    });
    on('table', () => {
      dispatch(api.util.invalidateTags(['Table']));
    });
    on('records', () => {
      dispatch(api.util.invalidateTags(['Book', 'Shelf', 'House']));
    });
    on('reread', () => {
      dispatch(api.util.invalidateTags(['Bar', 'Log', 'Book', 'Shelf', 'House', 'Table']));
    });
    source.addEventListener('beat', alive);
    // The browser tries again by itself, with the number it heard last; a closed one is opened here.
    source.onerror = () => {
      dispatch(liveOn(false));
      dispatch(wentAway({ at: Date.now(), why: null }));
      if (source?.readyState === EventSource.CLOSED) again();
    };
    alive();
  }
  open();
  return () => {
    over = true;
    clearTimeout(silence);
    source?.close();
    dispatch(liveOn(false));
  };
}

/** A reading of the bar that was under way while something was told may not know of it: it is read again. */
export const liveListener = createListenerMiddleware<{ live: Live }>();
liveListener.startListening({
  matcher: recordsApi.endpoints.bar.matchFulfilled,
  effect: ({ payload }, { dispatch, getState }) => {
    if (payload.seq < getState().live.seq) dispatch(api.util.invalidateTags(['Bar']));
  },
});

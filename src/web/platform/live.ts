import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { LiveEvent } from '#contracts/live';
import { ROUTES } from '#contracts/routes';
import { serverAnswers } from './clock';
import type { Send } from './dispatch';
import { cameBack, reached, wentAway } from './outbox/outbox';

// The server's event stream. While it is closed the bar is read every few seconds instead.

type Live = {
  readonly on: boolean;
  /** The number of what was heard last. Each site counts its own; 0: nothing was heard of this site yet. */
  readonly seq: number;
};
const CLOSED: Live = { on: false, seq: 0 };
const slice = createSlice({
  name: 'live',
  initialState: CLOSED,
  reducers: {
    liveOn: (s, { payload }: PayloadAction<boolean>) => ({ ...s, on: payload }),
    // A lower number than before: the records were put back to an earlier day, and count from there.
    heard: (s, { payload }: PayloadAction<number>) => ({ ...s, seq: payload }),
    /** Whoever signs in next may be at another site. */
    liveClosed: () => CLOSED,
  },
});
const { liveOn, heard, liveClosed } = slice.actions;
export const liveReducer = slice.reducer;

/** Nothing for so long, not even a beat: the wire is dead though it looks open, ms. */
const SILENT_MS = 13_000;
/** A stream that the browser has given up is opened anew after this, ms. */
const AGAIN_MS = 2000;

/** What is done with each event; `opened`: the stream is there, and says what has happened after `seq`. */
export type LiveHandlers = {
  readonly [K in Exclude<LiveEvent['kind'], 'hello'>]: (
    event: Extract<LiveEvent, { kind: K }>,
  ) => void;
} & { readonly opened: (seq: number) => unknown };
/** Opens the stream and keeps it open. @returns what closes it */
export function openLive(dispatch: Send, handlers: LiveHandlers): () => void {
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
    const on = <K extends LiveEvent['kind']>(
      kind: K,
      take: (told: Extract<LiveEvent, { kind: K }>) => void,
    ) =>
      source?.addEventListener(kind, (e) => {
        alive();
        const event = e as MessageEvent<string>;
        take(JSON.parse(event.data) as Extract<LiveEvent, { kind: K }>);
        if (event.lastEventId) {
          last = Number(event.lastEventId);
          dispatch(heard(last));
        }
      });
    on('hello', ({ seq }) => {
      const isFirst = last === 0;
      last = seq;
      dispatch(liveOn(true));
      dispatch(cameBack());
      dispatch(heard(seq));
      if (isFirst) handlers.opened(seq);
    });
    on('brew', handlers.brew);
    on('queue', handlers.queue);
    on('table', handlers.table);
    on('batch', handlers.batch);
    on('records', handlers.records);
    on('reread', handlers.reread);
    source.addEventListener('beat', alive);
    // The browser tries again by itself, with the number it heard last; a closed one is opened here.
    source.onerror = () => {
      dispatch(liveOn(false));
      void sayWhetherAway(dispatch);
      if (source?.readyState === EventSource.CLOSED) again();
    };
    alive();
  }
  open();
  return () => {
    over = true;
    clearTimeout(silence);
    source?.close();
    dispatch(liveClosed());
  };
}

/** The stream may fail alone, as behind a proxy that holds it back: a server that still answers is not away. */
async function sayWhetherAway(dispatch: Send): Promise<void> {
  const failedAt = Date.now();
  if (!(await serverAnswers())) dispatch(wentAway({ at: failedAt, why: null }));
  // What still waits says so itself, by its own answer.
  else dispatch(reached());
}

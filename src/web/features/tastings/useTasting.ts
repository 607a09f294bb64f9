import { useEffect, useMemo } from 'react';
import { foldTasting, type Tasting, type TastingAct, type TastingEvent } from '#core/tastings';
import type { BlindTasting, OpenTasting, TastingView } from '#contracts/tastings';
import { useSession } from '../../entities/people/session';
import { tastingsApi, useTastingQuery } from '../../entities/tastings/api';
import { isTastingWrite, type TastingWrite } from '../../entities/tastings/writes';
import { now } from '../../platform/clock';
import { newId } from '../../platform/ids';
import { queueWrite } from '../../platform/outbox/outbox';
import { keepHere, readHere } from '../../platform/storage';
import { useAppDispatch, useAppSelector } from '../../platform/store';

/** Asked for so often while the stream is down, ms. */
const POLL_MS = 3000;

/** What this device has done and the server does not know of yet, on top of what it knows. */
function withWaiting(view: TastingView, waiting: readonly TastingWrite[]): TastingView {
  if (view.sees === 'all') {
    const known = new Set(view.events.map((e) => e.id));
    return {
      ...view,
      events: [
        ...view.events,
        ...waiting
          .filter((w) => !known.has(w.id))
          .map((w): TastingEvent => ({ id: w.id, at: w.body.at, by: w.by, act: w.body.act })),
      ],
    };
  }
  return waiting.reduce<BlindTasting>((v, { body: { act, at } }) => {
    if (v.handedIn !== null) return v;
    if (act.kind === 'keep') return { ...v, sheets: { ...v.sheets, [act.code]: act.sheet } };
    if (act.kind === 'handIn') return { ...v, order: act.order, choice: act.choice, handedIn: at };
    return v;
  }, view);
}

type Kept = { readonly personId: string; readonly data: TastingView };
/**
 * The table that was open last, as this person last read it, takes the place of an answer on a device opened without
 * a server.
 */
function useKept(
  id: string,
  data: TastingView | undefined,
  failed: boolean,
  personId: string,
): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (data)
      void keepHere('read', 'tasting', { personId, data } satisfies Kept).catch(() => undefined);
  }, [data, personId]);
  useEffect(() => {
    if (!failed || data) return;
    let gone = false;
    void readHere('read', 'tasting').then(
      (k) => {
        const there = k as Kept | undefined;
        if (!gone && there && there.data.id === id && there.personId === personId)
          void dispatch(tastingsApi.util.upsertQueryData('tasting', id, there.data));
      },
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [id, data, failed, personId, dispatch]);
}

/** A tasting as it stands, with what this device has done since; and the hand that does something at it. */
export function useTasting(id: string) {
  const live = useAppSelector((s) => s.live.on);
  const { data, isLoading, isError } = useTastingQuery(id, {
    pollingInterval: live ? 0 : POLL_MS,
    skip: id === '',
  });
  const outbox = useAppSelector((s) => s.outbox.waiting);
  const me = useSession();
  const dispatch = useAppDispatch();
  const waiting = useMemo(
    () => outbox.filter(isTastingWrite).filter((w) => w.tastingId === id),
    [outbox, id],
  );
  useKept(id, data, isError, me.personId);
  const view = useMemo(() => (data ? withWaiting(data, waiting) : null), [data, waiting]);
  const does = (act: TastingAct): string => {
    const body = { id: newId(), at: Math.round(now()), act };
    dispatch(
      queueWrite<TastingWrite>({
        kind: 'table',
        id: body.id,
        tastingId: id,
        body,
        by: { id: me.personId, name: me.name },
      }),
    );
    return body.id;
  };
  return { view, isLoading, isError: isError && !data, does, unsaved: waiting.length };
}
export const useFolded = (view: OpenTasting): Tasting =>
  useMemo(() => foldTasting(view.exercise, view.events), [view.exercise, view.events]);

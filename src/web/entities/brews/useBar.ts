import { useMemo } from 'react';
import { useAppSelector } from '../../platform/store';
import { useBarQuery } from './api';
import { barOf, ordersOf } from './barBrews';

/** The bar is asked for so often while nothing tells of it, and while the stream does, ms. */
const POLL_MS = 2500;

const LIVE_POLL_MS = 30_000;

/** The bar of this site: told as it happens, asked for every few seconds while the stream is down. */
export function useBar() {
  const live = useAppSelector((s) => s.live.on);
  const { data, error, refetch } = useBarQuery(undefined, {
    pollingInterval: live ? LIVE_POLL_MS : POLL_MS,
    skipPollingIfUnfocused: true,
  });
  const waiting = useAppSelector((s) => s.outbox.waiting);
  const brews = useMemo(() => barOf(data?.brews ?? [], waiting), [data?.brews, waiting]);
  const orders = useMemo(() => ordersOf(data?.orders ?? [], waiting), [data?.orders, waiting]);
  return {
    brews,
    orders,
    recent: data?.recent ?? [],
    /** The bar as the server has it; without data, `brews` are those of this device alone. */
    asked: { data, error, refetch },
  };
}

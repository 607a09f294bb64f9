import { useMemo } from 'react';
import { fridgeAir } from '#core/cold';
import { now } from '../../platform/clock';
import { useAppSelector } from '../../platform/store';
import { useLimits } from '../people/session';
import { useColdQuery } from './api';
import { batchesOf, byNextHand, readingsOf, stands } from './standing';

/** Asked for so often while nothing tells of it, ms: hours pass here, not seconds. */
const POLL_MS = 30_000;

/** The site's cold batches as they stand, and how its fridge has stood. */
export function useCold() {
  const live = useAppSelector((s) => s.live.on);
  const { data, isLoading, isError, refetch } = useColdQuery(undefined, {
    pollingInterval: live ? 0 : POLL_MS,
    skipPollingIfUnfocused: true,
  });
  const waiting = useAppSelector((s) => s.outbox.waiting);
  const limits = useLimits();
  return useMemo(() => {
    const readings = readingsOf(data?.readings ?? [], waiting);
    const gaps = data?.gaps ?? [];
    const air = { readings, gaps };
    const batches = batchesOf(data?.batches ?? [], waiting, air, limits);
    return {
      readings,
      gaps,
      fridge: fridgeAir(readings, now()),
      standing: batches.filter(stands).sort(byNextHand),
      ended: batches.filter((b) => !stands(b)),
      batches,
      isLoading,
      isError: isError && !data,
      refetch,
    };
  }, [data, waiting, limits, isLoading, isError, refetch]);
}

import { useMemo } from 'react';
import { fridgeAir } from '#core/cold';
import type { Cold } from '#contracts/batches';
import { now } from '../../platform/clock';
import { useAppSelector } from '../../platform/store';
import { useLimits } from '../people/session';
import { useColdQuery } from './api';
import { batchesOf, byNextHand, readingsOf, stands } from './standing';

/** Asked for so often while nothing tells of it, ms: hours pass here, not seconds. */
const POLL_MS = 30_000;
const NO_GAPS: Cold['gaps'] = [];

/** The site's cold batches as they stand, and how its fridge has stood. */
export function useCold() {
  const live = useAppSelector((s) => s.live.on);
  const { data, isLoading, isError, refetch } = useColdQuery(undefined, {
    pollingInterval: live ? 0 : POLL_MS,
    skipPollingIfUnfocused: true,
  });
  const waiting = useAppSelector((s) => s.outbox.waiting);
  const limits = useLimits();
  // Each from its own part of the answer: what is planned may change without a batch or a reading being another.
  const readings = useMemo(
    () => readingsOf(data?.readings ?? [], waiting),
    [data?.readings, waiting],
  );
  const gaps = data?.gaps ?? NO_GAPS;
  const batches = useMemo(
    () => batchesOf(data?.batches ?? [], waiting, { readings, gaps }, limits),
    [data?.batches, waiting, readings, gaps, limits],
  );
  const failed = isError && !data;
  return useMemo(
    () => ({
      readings,
      gaps,
      fridge: fridgeAir(readings, now()),
      standing: batches.filter(stands).sort(byNextHand),
      ended: batches.filter((b) => !stands(b)),
      batches,
      isLoading,
      isError: failed,
      refetch,
    }),
    [readings, gaps, batches, isLoading, failed, refetch],
  );
}

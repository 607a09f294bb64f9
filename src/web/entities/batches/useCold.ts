import { lruMemoize } from '@reduxjs/toolkit';
import { useMemo } from 'react';
import { shallowEqual } from 'react-redux';
import { type FridgeAir, fridgeAir, type HouseLimits } from '#core/cold';
import type { Batch, Cold } from '#contracts/batches';
import { now } from '../../platform/clock';
import type { WaitingWrite } from '../../platform/outbox/writes';
import { useAppSelector } from '../../platform/store';
import { useLimits } from '../people/session';
import { useColdQuery } from './api';
import { batchesOf, byNextHand, readingsOf, stands } from './standing';
import { type BatchWrite, isBatchWrite } from './writes';

/** Asked for so often while nothing tells of it, ms: hours pass here, not seconds. */
const POLL_MS = 30_000;
const NO_GAPS: Cold['gaps'] = [];
const NO_BATCHES: readonly Batch[] = [];
const NO_READINGS: Cold['readings'] = [];

// How long a batch keeps is counted minute by minute: once for all that ask (the head, the bar, a vessel's place), and
// again when something of a batch or of the fridge has changed, not with every touch of a brew.
const sharedReadings = lruMemoize(readingsOf);
const sharedBatches = lruMemoize(
  (
    kept: readonly Batch[],
    waiting: readonly BatchWrite[],
    readings: FridgeAir['readings'],
    gaps: FridgeAir['gaps'],
    limits: HouseLimits,
  ) => batchesOf(kept, waiting, { readings, gaps }, limits),
);
let lastWaiting: readonly BatchWrite[] = [];
/** What waits of batches: the same list for as long as the same of it waits. */
function waitingOfBatches(waiting: readonly WaitingWrite[]): readonly BatchWrite[] {
  const found = waiting.filter(isBatchWrite);
  if (!shallowEqual(found, lastWaiting)) lastWaiting = found;
  return lastWaiting;
}

/** The site's cold batches as they stand, and how its fridge has stood. */
export function useCold() {
  const live = useAppSelector((s) => s.live.on);
  const { data, isLoading, isError, refetch } = useColdQuery(undefined, {
    pollingInterval: live ? 0 : POLL_MS,
    skipPollingIfUnfocused: true,
  });
  const waiting = useAppSelector((s) => waitingOfBatches(s.outbox.waiting));
  const limits = useLimits();
  // Each from its own part of the answer: what is planned may change without a batch or a reading being another.
  const readings = sharedReadings(data?.readings ?? NO_READINGS, waiting);
  const gaps = data?.gaps ?? NO_GAPS;
  const batches = sharedBatches(data?.batches ?? NO_BATCHES, waiting, readings, gaps, limits);
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

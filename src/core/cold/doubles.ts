import type { EpochMs } from '#core/units';

/** Two starts of one pitcher within so much are one batch started twice. */
const WITHIN_MS = 10 * 60_000;

/** What tells a double from a pitcher that was filled again before it was empty. */
export type Started = {
  readonly id: string;
  readonly vesselId: string;
  readonly teaId: string;
  readonly leafIn: EpochMs;
};
/** How two standing batches come to be in one pitcher: started twice, or filled again; null: they are not. */
export function inOneVessel(a: Started, b: Started): 'startedTwice' | 'filledAgain' | null {
  if (a.id === b.id || a.vesselId !== b.vesselId) return null;
  return a.teaId === b.teaId && Math.abs(a.leafIn - b.leafIn) <= WITHIN_MS
    ? 'startedTwice'
    : 'filledAgain';
}

import { type EpochMs, epochMs } from '#core/units';

/** A device's clock may run this far ahead before it is held back to ours, ms. */
const MAX_CLOCK_LEAD_MS = 2000;
/** The instant a device gives, held back where its clock runs ahead of the server's. */
export const instantOf = (ms: number, now: number): EpochMs =>
  epochMs(Math.min(ms, now + MAX_CLOCK_LEAD_MS));

import type { SiteClock } from '#core/time';
import type { EpochMs } from '#core/units';
import type { ColdBatch } from './standing';
import { stateLine } from './words';

/** How a batch stands, in one line: filled where hands are wanted, hatched where it is past. */
export function StateLine({
  batch,
  now,
  clock,
}: {
  batch: ColdBatch;
  now: EpochMs;
  clock: SiteClock;
}) {
  const { words, tone } = stateLine(batch, now, clock);
  return <span className={`cold-state ${tone}`}>{words}</span>;
}

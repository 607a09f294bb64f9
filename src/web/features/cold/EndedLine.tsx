import { Link } from 'react-router';
import type { SiteClock } from '#core/time';
import type { EpochMs } from '#core/units';
import type { ColdBatch } from '../../entities/batches/standing';
import { stateLine } from '../../entities/batches/words';

/** A batch that has ended: what it was, and how it ended. */
export const EndedLine = ({
  batch,
  now,
  clock,
}: {
  batch: ColdBatch;
  now: EpochMs;
  clock: SiteClock;
}) => (
  <Link className="inline-block py-2" to={`/cold/${batch.id}`}>
    <span className="tea">{batch.tea.name}</span>, {batch.vesselName}:{' '}
    {stateLine(batch, now, clock).words}
  </Link>
);

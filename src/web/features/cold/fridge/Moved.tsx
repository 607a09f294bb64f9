import { Link } from 'react-router';
import { dayAndTime } from '#core/time';
import type { ColdBatch } from '../../../entities/batches/standing';
import { lengthWords } from '../../../entities/batches/words';
import { useClock } from '../../../entities/people/session';

const HOUR_MS = 3_600_000;
/** How much sooner than by its keep limit alone a batch is thrown out, s; of one infusing, from its best time. */
function soonerBy(b: ColdBatch): number {
  const { state } = b.now;
  const lifted = state.kind === 'drawn' ? state.lifted : b.window.best;
  const full = lifted + b.plan.keeping.keepHours * HOUR_MS;
  return Math.max(0, (full - b.kept.discardAt) / 1000);
}
/** Less than this is the minute of the clock, not the fridge, s. */
const WORTH_SAYING = 120;

/** Which batches the fridge has moved, and by how much. */
export function Moved({ batches }: { batches: readonly ColdBatch[] }) {
  const clock = useClock();
  if (batches.length === 0) return null;
  return (
    <>
      <h2>
        Batches<small>what the fridge did to each</small>
      </h2>
      <ul className="grid gap-2 mt-1">
        {batches.map((b) => (
          <li key={b.id}>
            <Link to={`/cold/${b.id}`}>{b.vesselName}</Link>,{' '}
            <span className="tea">{b.tea.name}</span>: throw out{' '}
            {dayAndTime(clock, b.kept.discardAt)}
            {soonerBy(b) > WORTH_SAYING
              ? `, ${lengthWords(soonerBy(b) / 60)} sooner: warm for ${lengthWords(b.kept.warmMinutes)}.`
              : ', as planned.'}
          </li>
        ))}
      </ul>
    </>
  );
}

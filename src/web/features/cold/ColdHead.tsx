import { Link } from 'react-router';
import { type Celsius, millilitres, volumeText } from '#core/units';
import { leftIn } from '../../entities/batches/standing';
import type { useCold } from '../../entities/batches/useCold';
import { useUnits } from '../../entities/people/session';
import { FridgeNow } from './FridgeNow';
import type { LaneView } from './Lanes';

/** What stands, how the fridge was read last, and the way to a new batch. */
export function ColdHead({
  cold,
  view,
  onView,
  onRead,
}: {
  cold: ReturnType<typeof useCold>;
  view: LaneView;
  onView: (view: LaneView) => void;
  onRead: (read: Celsius) => void;
}) {
  const units = useUnits();
  const { standing, readings } = cold;
  const ml = standing.reduce((sum, b) => sum + leftIn(b), 0);
  return (
    <div className="say">
      <span>
        {standing.length === 0
          ? 'No batch'
          : `${standing.length === 1 ? 'One batch' : `${standing.length} batches`}, ${volumeText(millilitres(ml), units.volume)}`}
        . The fridge has
      </span>
      <FridgeNow last={readings.at(-1)} onRead={onRead} />
      <Link className="small" to="/cold/fridge">
        Fridge log
      </Link>
      <span className="gap" />
      <button
        type="button"
        className="btn max-[700px]:hidden"
        aria-pressed={view === 'day'}
        onClick={() => onView(view === 'day' ? 'days' : 'day')}
      >
        One day <kbd>V</kbd>
      </button>
      <Link className="btn" to="/cold/plan">
        Plan <kbd>P</kbd>
      </Link>
      <Link className="btn go" to="/cold/start">
        Start a batch <kbd>N</kbd>
      </Link>
    </div>
  );
}

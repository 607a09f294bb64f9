import { Link } from 'react-router';
import { fridgeReadingFault } from '#core/cold';
import { clockTime } from '#core/time';
import {
  type Celsius,
  celsius,
  millilitres,
  parseTemperature,
  readingText,
  volumeText,
} from '#core/units';
import { leftIn } from '../../entities/batches/standing';
import type { useCold } from '../../entities/batches/useCold';
import { useUnits, useZone } from '../../entities/people/session';
import { TypedPick } from '../../ui/TypedPick';

/** What stands, how the fridge was read last, and the way to a new batch. */
export function ColdHead({
  cold,
  onRead,
}: {
  cold: ReturnType<typeof useCold>;
  onRead: (read: Celsius) => void;
}) {
  const units = useUnits();
  const zone = useZone();
  const { standing, readings } = cold;
  const last = readings.at(-1);
  const ml = standing.reduce((sum, b) => sum + leftIn(b), 0);
  const read = (text: string) => {
    const typed = parseTemperature(text, units.temperature);
    if (typed.kind === 'bad') return typed;
    const why = fridgeReadingFault(typed.value);
    return why ? { kind: 'bad' as const, why } : typed;
  };
  return (
    <div className="say">
      <span>
        {standing.length === 0
          ? 'No batch'
          : `${standing.length === 1 ? 'One batch' : `${standing.length} batches`}, ${volumeText(millilitres(ml), units.volume)}`}
        . The fridge has
      </span>
      <TypedPick
        label={`Fridge, °${units.temperature}`}
        text={last ? readingText(last.celsius, units.temperature) : 'not read yet'}
        typed=""
        read={read}
        onValue={(v) => onRead(celsius(v))}
      />
      {last && <span className="small">at {clockTime(zone, last.at)}</span>}
      <span className="gap" />
      <Link className="btn" to="/cold/plan">
        Plan <kbd>P</kbd>
      </Link>
      <Link className="btn go" to="/cold/start">
        Start a batch <kbd>N</kbd>
      </Link>
    </div>
  );
}

import { Link } from 'react-router';
import { weekdayAndTime } from '#core/time';
import { type EpochMs, epochMs, temperatureText, volumeText } from '#core/units';
import { type ColdBatch, leftIn, nextHand } from '../../entities/batches/standing';
import { useClock, useLimits, useUnits } from '../../entities/people/session';
import { type PlannedHere, startPathOf } from './usePlanned';

/** Whole days as days, else hours. */
const keepWords = (hours: number): string =>
  hours % 24 === 0 && hours > 24 ? `${hours / 24} days` : `${hours} hours`;

/** What hands are wanted for next, and by whose limits. */
export function ColdFoot({
  next,
  planned,
  now,
}: {
  next: ColdBatch | undefined;
  planned: PlannedHere | undefined;
  now: EpochMs;
}) {
  const units = useUnits();
  const clock = useClock();
  const hand = next && nextHand(next);
  const first = planned && (!hand || planned.start < hand.by) ? planned : null;
  const { keepHours, limit } = useLimits();
  return (
    <footer className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line px-6 py-2 max-[700px]:px-4">
      <p className="flex-1 min-w-[260px] text-[17px]">
        {first && (
          <>
            <b>
              Next: put leaf in {first.vesselName}{' '}
              {now > first.start ? 'now' : `at ${weekdayAndTime(clock, epochMs(first.start))}`}
            </b>
            , {first.teaName}.
          </>
        )}
        {!first && next && hand && <NextWords batch={next} hand={hand} now={now} />}{' '}
        <span className="small">
          Keep batches at {temperatureText(limit, units.temperature)} or colder. Throw them out{' '}
          {keepWords(keepHours)} after lifting. The local food code decides.
        </span>
      </p>
      {first && (
        <Link className="btn go" to={startPathOf(first)}>
          Start {first.vesselName}
        </Link>
      )}
      {!first && next && hand && (
        <Link className="btn go" to={`/cold/${next.id}`}>
          {hand.kind === 'lift' ? `Lift ${next.vesselName}` : `Open ${next.vesselName}`}
        </Link>
      )}
    </footer>
  );
}

function NextWords({
  batch,
  hand,
  now,
}: {
  batch: ColdBatch;
  hand: NonNullable<ReturnType<typeof nextHand>>;
  now: EpochMs;
}) {
  const units = useUnits();
  const by = weekdayAndTime(useClock(), hand.by);
  const what = `${volumeText(leftIn(batch), units.volume)} of ${batch.tea.name}`;
  if (hand.kind === 'lift')
    return (
      <>
        <b>
          Next: lift the leaf of {batch.vesselName} {now > hand.by ? 'now' : `by ${by}`}
        </b>
        , {what}.
      </>
    );
  return (
    <>
      <b>
        Next: throw out {batch.vesselName} {now > hand.by ? 'now' : `by ${by}`}
      </b>
      , {what}.
    </>
  );
}

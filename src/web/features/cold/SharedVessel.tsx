import { Link } from 'react-router';
import { weekdayAndTime } from '#core/time';
import { volumeText } from '#core/units';
import { type ColdBatch, leftIn, sharesVessel } from '../../entities/batches/standing';
import { useBatchCommands } from '../../entities/batches/useBatchCommands';
import { useClock, useUnits } from '../../entities/people/session';
import { Note } from '../../ui/Note';

/** Two batches in one pitcher: started on two devices without a network, or filled again before it was empty. */
export function SharedVessel({
  batch,
  standing,
}: {
  batch: ColdBatch;
  standing: readonly ColdBatch[];
}) {
  const units = useUnits();
  const clock = useClock();
  const commands = useBatchCommands();
  const shared = sharesVessel(batch, standing);
  if (!shared) return null;
  const { other, how } = shared;
  const at = (b: ColdBatch) => weekdayAndTime(clock, b.leafIn);
  const [first, second] = batch.leafIn <= other.leafIn ? [batch, other] : [other, batch];
  if (how === 'filledAgain')
    return (
      <Note bad>
        <b>
          {second.tea.name} is in the {second.vesselName} since {at(second)}.
        </b>{' '}
        What happened to the {volumeText(leftIn(first), units.volume)} of{' '}
        <Link to={`/cold/${first.id}`}>{first.tea.name}</Link>? Open that batch and throw it out, or
        measure what is left.
      </Note>
    );
  return (
    <Note
      bad
      action={
        <button
          type="button"
          className="btn"
          onClick={() =>
            commands.act(
              second,
              { kind: 'void', double: first.id },
              `${batch.tea.name}: the batch of ${at(first)} counts.`,
            )
          }
        >
          Keep the first
        </button>
      }
    >
      <b>
        Started twice, {at(first)} and {at(second)}.
      </b>{' '}
      One pitcher holds one batch. Keep the first?
    </Note>
  );
}

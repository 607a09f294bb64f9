import { placeOf } from '#core/cold';
import { clockTime, dayAndTime } from '#core/time';
import { readingText } from '#core/units';
import type { ColdBatch } from '../../entities/batches/standing';
import type { Doing } from '../../entities/batches/useAct';
import { isOutOfFridge } from '../../entities/batches/words';
import { useClock, useSession, useUnits } from '../../entities/people/session';
import { oneTap } from '../../ui/keys';
import { Note } from '../../ui/Note';

const COUNTER_WORDS = 'A counter brew keeps its throw-out time in the fridge too.';

/** Puts a batch elsewhere from now on. */
function useShelve(batch: ColdBatch, doing: Doing) {
  const { site } = useSession();
  return (place: 'fridge' | 'counter') =>
    doing.act(
      { kind: 'shelve', place, air: place === 'counter' ? site.ambient : batch.plan.air },
      place === 'counter' ? 'out on the counter' : 'into the fridge',
    );
}

/** A fridge batch that stands out: since when, what that costs, and the way back. */
export function OutOnCounter({ batch, doing }: { batch: ColdBatch; doing: Doing }) {
  const units = useUnits();
  const clock = useClock();
  const shelve = useShelve(batch, doing);
  const since = batch.now.shelved.at(-1);
  if (!since || !isOutOfFridge(batch)) return null;
  return (
    <Note
      bad
      action={
        <button type="button" className="btn" onClick={oneTap(() => shelve('fridge'))}>
          Put back in the fridge
        </button>
      }
    >
      <b>
        On the counter since {clockTime(clock, since.at)}, at{' '}
        {readingText(since.air, units.temperature)}.
      </b>{' '}
      The liquor warms. If the batch stays out, throw it out by{' '}
      {dayAndTime(clock, batch.kept.discardAt)}.
    </Note>
  );
}

/** The seldom way: out of the fridge for a service, or a counter brew into it. */
export function Shelve({ batch, doing }: { batch: ColdBatch; doing: Doing }) {
  const shelve = useShelve(batch, doing);
  if (isOutOfFridge(batch)) return null;
  if (placeOf(batch.plan, batch.now) === 'fridge')
    return (
      <div className="flex flex-wrap items-center gap-3">
        <button type="button" className="btn" onClick={oneTap(() => shelve('counter'))}>
          Take out to the counter
        </button>
        <span className="small">
          {batch.plan.place === 'fridge'
            ? 'Minutes out of the fridge can count as warm.'
            : COUNTER_WORDS}
        </span>
      </div>
    );
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button type="button" className="btn" onClick={oneTap(() => shelve('fridge'))}>
        Put into the fridge
      </button>
      <span className="small">{COUNTER_WORDS}</span>
    </div>
  );
}

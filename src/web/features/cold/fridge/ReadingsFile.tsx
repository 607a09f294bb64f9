import { dayAndTime } from '#core/time';
import type { ReadingsTaken } from '#contracts/fridge';
import { useTakeFridgeReadingsMutation } from '../../../entities/batches/api';
import { useClock } from '../../../entities/people/session';
import { Note } from '../../../ui/Note';
import { FilePick } from '../FilePick';
import { useLookedAt } from '../useLookedAt';

const readingsOf = (n: number): string => `${n} ${n === 1 ? 'reading' : 'readings'}`;

/** Readings of another thermometer, from its file: looked at first, added when the lead says so. */
export function ReadingsFile() {
  const { found, isSending, failure, look, add } = useLookedAt(useTakeFridgeReadingsMutation());
  return (
    <>
      <h2 className="mt-4">
        Readings from a file<small>a CSV table with the columns “at” and “celsius”</small>
      </h2>
      <FilePick
        words="Choose a file"
        label="File of readings"
        accept=".csv,.txt,text/csv"
        disabled={isSending}
        onText={look}
      />
      {failure && <Note bad>{failure}</Note>}
      {found && <Found found={found} />}
      {found && add && found.faultCount === 0 && found.fresh > 0 && (
        <button type="button" className="btn go mt-2 self-start" disabled={isSending} onClick={add}>
          Add {readingsOf(found.fresh)}
        </button>
      )}
    </>
  );
}

/** What a file has, or what is wrong with it: nothing is added then. */
function Found({ found }: { found: ReadingsTaken }) {
  const clock = useClock();
  const { fresh, known, from, to, faults, faultCount, taken } = found;
  if (faultCount > 0)
    return (
      <Note bad>
        <b>No reading was added.</b>
        <ul className="grid gap-1">
          {faults.map((f) => (
            <li key={`${f.row} ${f.column}`}>
              Row {f.row}, {f.column}: {f.why}
            </li>
          ))}
        </ul>
        {faultCount > faults.length && ` And ${faultCount - faults.length} more.`}
      </Note>
    );
  const span =
    from === null || to === null ? '' : `, ${dayAndTime(clock, from)} to ${dayAndTime(clock, to)}`;
  const there = known > 0 ? ` ${readingsOf(known)} of the file were here already.` : '';
  return (
    <p className="mt-2" role="status">
      {taken ? `Added: ${readingsOf(fresh)}` : `Found: ${readingsOf(fresh)}`}
      {span}.{there}
    </p>
  );
}

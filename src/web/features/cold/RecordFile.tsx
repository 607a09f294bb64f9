import type { RecordTaken } from '#contracts/batches';
import { useTakeColdRecordMutation } from '../../entities/batches/api';
import { Note } from '../../ui/Note';
import { FilePick } from './FilePick';
import { useLookedAt } from './useLookedAt';

const some = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;
const whatOf = ({ batches, readings }: RecordTaken): string =>
  `${some(batches, 'batch', 'batches')} and ${some(readings, 'reading', 'readings')}`;

/** A record that was given out, taken in again: looked at first, added when the lead says so. */
export function RecordFile() {
  const { found, isSending, failure, look, add } = useLookedAt(useTakeColdRecordMutation());
  const isNew = found !== null && found.batches + found.readings > 0;
  return (
    <div className="mt-2">
      <p className="small">
        A record saved as “Everything, JSON” can be added again, here or in another house.
      </p>
      <FilePick
        words="Add a record from a file"
        label="File of a record"
        accept=".json,application/json"
        disabled={isSending}
        onText={look}
      />
      {failure && <Note bad>{failure}</Note>}
      {found && <Found found={found} />}
      {isNew && add && found.faultCount === 0 && (
        <button type="button" className="btn go mt-2" disabled={isSending} onClick={add}>
          Add {whatOf(found)}
        </button>
      )}
    </div>
  );
}

/** What a record has, or what keeps it out: nothing is added then. */
function Found({ found }: { found: RecordTaken }) {
  const { faults, faultCount, known, standing, taken } = found;
  if (faultCount > 0)
    return (
      <Note bad>
        <b>Nothing was added.</b>
        <ul className="grid gap-1">
          {faults.map((f) => (
            <li key={`${f.where} ${f.why}`}>
              {f.where}: {f.why}
            </li>
          ))}
        </ul>
        {faultCount > faults.length && ` And ${faultCount - faults.length} more.`}
      </Note>
    );
  return (
    <p role="status">
      {taken ? 'Added: ' : 'Found: '}
      {whatOf(found)}.{known > 0 && ` ${some(known, 'batch is', 'batches are')} here already.`}
      {standing > 0 && ` ${some(standing, 'batch', 'batches')} had not ended yet: left out.`}
    </p>
  );
}

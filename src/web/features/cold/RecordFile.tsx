import { useState } from 'react';
import type { RecordTaken } from '#contracts/batches';
import { useTakeColdRecordMutation } from '../../entities/batches/api';
import { useSession } from '../../entities/people/session';
import { failureOf } from '../../platform/api';
import { Note } from '../../ui/Note';
import { FilePick } from './FilePick';

const some = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;
const whatOf = ({ batches, readings }: RecordTaken): string =>
  `${some(batches, 'batch', 'batches')} and ${some(readings, 'reading', 'readings')}`;

/** A record that was given out, taken in again: looked at first, added when the lead says so. */
export function RecordFile() {
  const { site } = useSession();
  const [take, taking] = useTakeColdRecordMutation();
  const [text, setText] = useState<string | null>(null);
  const [found, setFound] = useState<RecordTaken | null>(null);
  const send = async (given: string, confirmed: boolean) => {
    const answer = await take({ siteId: site.id, text: given, confirmed });
    setFound(answer.data ?? null);
    setText(answer.data?.taken ? null : given);
  };
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
        disabled={taking.isLoading}
        onText={(read) => void send(read, false)}
      />
      {taking.error && <Note bad>{failureOf(taking.error).message}</Note>}
      {found && <Found found={found} />}
      {isNew && text !== null && found.faultCount === 0 && (
        <button
          type="button"
          className="btn go mt-2"
          disabled={taking.isLoading}
          onClick={() => void send(text, true)}
        >
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

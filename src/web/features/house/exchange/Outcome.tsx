import { useState } from 'react';
import type { Import, Preview, TableName } from '#contracts/exchange';
import { useRunImportMutation, useUndoImportMutation } from '../../../entities/exchange/api';
import { failureOf } from '../../../platform/api';
import { newId } from '../../../platform/ids';
import { useAppDispatch } from '../../../platform/store';
import { toastShown } from '../../../platform/toasts';
import { clockText, dayText } from '../../../ui/days';
import { Note } from '../../../ui/Note';
import type { BookFile } from './file';
import { faultsCsv } from './Found';

const COUNTS = [
  ['added', 'added'],
  ['changed', 'changed; a recipe as a new version on trial'],
  ['same', 'the same as here, left alone'],
  ['open', 'open, left out till answered'],
  ['refused', 'refused'],
] as const;

export function Outcome({
  preview,
  file,
  table,
  answers,
  busy,
  onDone,
}: {
  preview: Preview;
  file: BookFile;
  table: TableName | null;
  answers: Record<string, string>;
  busy: boolean;
  onDone: () => void;
}) {
  const [run, { isLoading, error }] = useRunImportMutation();
  const [id] = useState(newId);
  const dispatch = useAppDispatch();
  const { counts } = preview;
  const going = counts.added + counts.changed;
  const read = preview.faults.filter((f) => f.will === 'read').length;
  const go = () =>
    void run({ id, name: file.name, text: file.text, table, answers })
      .unwrap()
      .then(
        (done) => {
          dispatch(
            toastShown({
              text: `${file.name} is in: ${done.counts.added} added, ${done.counts.changed} changed.`,
            }),
          );
          onDone();
        },
        () => undefined,
      );
  return (
    <>
      <h2>What will happen</h2>
      <dl className="outcome">
        {COUNTS.map(([key, words]) =>
          counts[key] > 0 || key === 'added' ? (
            <div key={key}>
              <dt>{counts[key]}</dt>
              <dd>{words}</dd>
            </div>
          ) : null,
        )}
      </dl>
      <p className="small mt-2">
        {read > 0
          ? `${read} ${read === 1 ? 'cell is' : 'cells are'} read otherwise than written. `
          : ''}
        All in one step; it can be taken back as a whole, as long as nothing that came in was brewed
        or changed.
      </p>
      {error && (
        <Note bad>
          <b>Not brought in.</b> {failureOf(error).message}
        </Note>
      )}
      <div className="foot flex-col">
        <button
          type="button"
          className="btn go"
          disabled={going === 0 || busy || isLoading}
          onClick={go}
        >
          {bringWords(isLoading, going)}
        </button>
        {preview.faults.length > 0 && (
          <a
            className="btn"
            download={`faults of ${file.name.replace(/\.\w+$/, '')}.csv`}
            href={`data:text/csv;charset=utf-8,${encodeURIComponent(`\uFEFF${faultsCsv(preview.faults)}`)}`}
          >
            Faults as CSV, to mend in the file
          </a>
        )}
      </div>
    </>
  );
}

/** What the button does. */
function bringWords(isLoading: boolean, going: number) {
  if (isLoading) return 'Bringing it in';
  if (going === 0) return 'Nothing to bring in';
  return `Bring in ${going}`;
}

export function Before({ one }: { one: Import }) {
  const [undo, { isLoading, error }] = useUndoImportMutation();
  return (
    <li>
      <b>{one.name}</b>
      <span className="small">
        {one.by.name}, {dayText(one.at)} {clockText(one.at)}: {one.counts.added} added,{' '}
        {one.counts.changed} changed{one.undone ? '; taken back' : ''}
        {error && <span className="fault"> {failureOf(error).message}</span>}
      </span>
      {one.undone ? (
        <span />
      ) : (
        <button
          type="button"
          className="btn slim"
          disabled={isLoading}
          onClick={() => void undo(one.id)}
        >
          Take it back
        </button>
      )}
    </li>
  );
}

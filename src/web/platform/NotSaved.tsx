import { useState } from 'react';
import { Note } from '../ui/Note';
import { failureOf, fieldFaults } from './api';

/**
 * Why a record was not saved, where no field of the form can say it; when another lead changed it, the way to save
 * over theirs.
 */
export function NotSaved({
  error,
  onKeepMine,
}: {
  error: unknown;
  onKeepMine?: (rev: number) => void;
}) {
  const [answered, setAnswered] = useState<unknown>(null);
  if (!error || Object.keys(fieldFaults(error)).length > 0) return null;
  if (answered === error) return <Note>Save again: your changes then replace the other ones.</Note>;
  const failure = failureOf(error);
  const theirs =
    failure.kind === 'answer' && failure.code === 'record.changed'
      ? Number(failure.details?.rev)
      : null;
  return (
    <Note
      bad
      action={
        theirs !== null &&
        onKeepMine && (
          <button
            type="button"
            className="btn slim"
            onClick={() => {
              setAnswered(error);
              onKeepMine(theirs);
            }}
          >
            Keep mine
          </button>
        )
      }
    >
      <b>Not saved.</b> {failure.message}
    </Note>
  );
}

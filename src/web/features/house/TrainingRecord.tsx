import { useState } from 'react';
import type { Person } from '#contracts/people';
import { useRemoveTrainingMutation } from '../../entities/training/api';
import { RecordLinks } from '../../entities/training/RecordLinks';
import { failureOf } from '../../platform/api';
import { Note } from '../../ui/Note';

/** What School keeps of somebody who has left: saved first, then removed by a second touch. */
export function TrainingRecord({ person }: { person: Person }) {
  const [isAsked, ask] = useState(false);
  const [remove, removing] = useRemoveTrainingMutation();
  return (
    <section className="mt-4" aria-label="Training record">
      <h3>Training record</h3>
      <p className="small">
        Save the record first. If you remove the record, its sign-offs are deleted. The answers
        stay, without name, site, day and hour. Brews do not change. You cannot undo this.
      </p>
      <div className="flex flex-wrap gap-2 mt-2">
        <RecordLinks personId={person.id} of="The record" />
        {isAsked ? (
          <>
            <button
              type="button"
              className="btn late"
              disabled={removing.isLoading}
              onClick={() => void remove(person.id).then(() => ask(false))}
            >
              Remove the record of {person.name} for good
            </button>
            <button type="button" className="btn quiet" onClick={() => ask(false)}>
              Keep the record
            </button>
          </>
        ) : (
          <button type="button" className="btn" onClick={() => ask(true)}>
            Remove the record
          </button>
        )}
      </div>
      {removing.error && <Note bad>{failureOf(removing.error).message}</Note>}
      {removing.data && (
        <p className="mt-2" role="status">
          Removed: {removing.data.signs} sign-offs. {removing.data.answers} answers have no name
          now.
        </p>
      )}
    </section>
  );
}

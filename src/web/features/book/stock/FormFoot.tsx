import { failureOf } from '../../../platform/api';
import { SaveOrLeave } from '../../../ui/SaveOrLeave';

/** The end of a form: what went wrong, the button that saves, and the one that leaves the form. */
export function FormFoot({
  error,
  isSaving,
  saveWords,
  leaveWords,
  onLeave,
}: {
  error: unknown;
  isSaving: boolean;
  saveWords: string;
  leaveWords: string;
  onLeave: () => void;
}) {
  return (
    <>
      {error !== undefined && (
        <p className="fault" role="alert">
          {failureOf(error).message}
        </p>
      )}
      <SaveOrLeave saving={isSaving} leaveWords={leaveWords} onLeave={onLeave}>
        {saveWords}
      </SaveOrLeave>
    </>
  );
}

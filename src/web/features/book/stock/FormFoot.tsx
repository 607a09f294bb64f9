import { failureOf } from '../../../platform/api';

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
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="btn go" disabled={isSaving}>
          {saveWords}
        </button>
        <button type="button" className="btn quiet" onClick={onLeave}>
          {leaveWords}
        </button>
      </div>
    </>
  );
}

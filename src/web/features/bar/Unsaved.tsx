import { Note } from '../../ui/Note';
import { useAppSelector } from '../../app/store';
import { clockText } from './brews';

/** What waits to be kept, calmly: the bar goes on. */
export function Unsaved() {
  const { waiting, awaySince, needsSignIn } = useAppSelector((s) => s.outbox);
  if (waiting.length === 0 || (awaySince === null && !needsSignIn)) return null;
  const many = `${waiting.length} ${waiting.length === 1 ? 'record waits' : 'records wait'} here, none lost.`;
  return (
    <div className="unsaved-note">
      <Note><b>{needsSignIn ? 'Signed out.' : `No connection since ${clockText(awaySince ?? 0)}.`}</b> {needsSignIn ? 'Sign in and they are kept.' : 'The bar goes on.'} {many} Not saved yet.</Note>
    </div>
  );
}

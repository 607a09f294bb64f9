import { awayWords } from '../../platform/outbox/writes';
import { useAppSelector } from '../../platform/store';
import { clockText } from '../../ui/days';
import { Note } from '../../ui/Note';

/** What waits to be kept, calmly, on a phone: a wider head has room to say it. */
export function Unsaved() {
  const { waiting, awaySince, awayWhy, needsSignIn } = useAppSelector((s) => s.outbox);
  if (awaySince === null && !(needsSignIn && waiting.length > 0)) return null;
  const many =
    waiting.length === 0
      ? ''
      : `${waiting.length} ${waiting.length === 1 ? 'record waits' : 'records wait'} here, none lost. Not saved yet.`;
  return (
    <div className="unsaved-note">
      <Note>
        <b>{needsSignIn ? 'Signed out.' : awayWords(awayWhy, clockText(awaySince ?? 0))}</b>{' '}
        {needsSignIn ? 'Sign in and they are kept.' : 'The bar goes on.'} {many}
      </Note>
    </div>
  );
}

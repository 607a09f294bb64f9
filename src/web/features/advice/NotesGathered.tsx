import { Link } from 'react-router';
import { agreesWithAll } from '#core/corrections';
import type { TeaAdvice } from '#contracts/advice';
import type { LeadNote } from '#contracts/teas';
import { dayText } from '../../ui/days';

/** More would hide what they are noted under. */
const SHOWN = 6;

/** Corrections that brewers noted, each with whether all cups together ask for the same. */
export function NotesGathered({ notes, found }: { notes: readonly LeadNote[]; found: TeaAdvice }) {
  const ofBrews = notes.filter((n) => n.brewId !== null);
  if (ofBrews.length === 0) return null;
  return (
    <>
      <h2 className="mt-6">
        Noted at the bar<small>by brewers, from single cups</small>
      </h2>
      <ul className="list-none p-0">
        {ofBrews.slice(0, SHOWN).map((note) => (
          <li key={note.id} className="mt-2">
            <Link className="underline" to={`/log/${note.brewId ?? ''}`}>
              {note.headline}
            </Link>
            . Found {note.found}.{' '}
            <span className="small">
              {note.by.name}
              {note.fromTrainee ? ' (trainee)' : ''}, {dayText(note.at)}.
            </span>{' '}
            {agreementWords(note, found)}
          </li>
        ))}
      </ul>
      {ofBrews.length > SHOWN && <p className="small mt-2">And {ofBrews.length - SHOWN} more.</p>}
    </>
  );
}
function agreementWords({ brewId }: LeadNote, { cups, recipe, advice }: TeaAdvice): string {
  const cup = cups.find((c) => c.id === brewId);
  const agrees = agreesWithAll(cup?.proposed ?? [], recipe, advice);
  if (agrees === null) return '';
  return agrees ? 'All cups together ask for the same.' : 'All cups together do not ask for this.';
}

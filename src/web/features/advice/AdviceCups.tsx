import { useState } from 'react';
import { Link } from 'react-router';
import type { AdviceCup } from '#contracts/advice';
import { useSession } from '../../entities/people/session';
import { useLeaveOutMutation } from '../../entities/teas/adviceApi';
import { failureOf } from '../../platform/api';
import { clockText, dayText } from '../../ui/days';

const momentOf = (cup: AdviceCup): string => `cup of ${dayText(cup.at)} ${clockText(cup.at)}`;

/** The cups behind the advice, the newest first; a lead leaves one out and says why. */
export function AdviceCups({ cups }: { cups: readonly AdviceCup[] }) {
  const { role } = useSession();
  return (
    <table className="grid-table plain advice-cups">
      <caption className="sr-only">Judged cups</caption>
      <thead>
        <tr>
          <th className="l">Cup</th>
          <th className="l">Verdict</th>
          {role === 'lead' && <th />}
        </tr>
      </thead>
      <tbody>
        {cups.map((cup) => (
          <tr key={cup.id}>
            <td className={`l ${cup.left ? 'opacity-60' : ''}`}>
              <Link className="underline" to={`/log/${cup.id}`}>
                {dayText(cup.at)} {clockText(cup.at)}
              </Link>
              <span className="small block">
                {cup.vessel}
                {cup.by && `, ${cup.by.name}`}, version {cup.version}
              </span>
            </td>
            <td className="l">
              <span className={cup.left ? 'opacity-60' : ''}>{cup.verdict}</span>
              {cup.recorded && <span className="small block">{cup.recorded}</span>}
              {cup.isSlip && <span className="small block">Far off: counts for little</span>}
              {cup.left && (
                <span className="small block">
                  Left out by {cup.left.by.name}: {cup.left.why}
                </span>
              )}
            </td>
            {role === 'lead' && (
              <td>
                <LeaveOut cup={cup} />
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Why cups are usually left out; anything else can be typed. */
const USUAL_WHYS = ['the vessel was not clean', 'milk or sugar in the cup', 'it stood too long'];
/** Leaves one cup out for a reason, or counts it again. What was typed stays where it was not saved. */
function LeaveOut({ cup }: { cup: AdviceCup }) {
  const [save, { isLoading, error }] = useLeaveOutMutation();
  const [why, setWhy] = useState<string | null>(null);
  const failure = error ? failureOf(error).message : null;
  if (cup.left)
    return (
      <button
        type="button"
        className="btn quiet slim"
        aria-label={`Count again: ${momentOf(cup)}`}
        disabled={isLoading}
        onClick={() => void save({ id: cup.id, why: null })}
      >
        Count again
      </button>
    );
  if (why === null)
    return (
      <button
        type="button"
        className="btn quiet slim"
        aria-label={`Leave out: ${momentOf(cup)}`}
        onClick={() => setWhy('')}
      >
        Leave out
      </button>
    );
  return (
    <form
      className="flex flex-wrap gap-2 items-end justify-end"
      onSubmit={(e) => {
        e.preventDefault();
        void save({ id: cup.id, why }).then((done) => {
          if (!done.error) setWhy(null);
        });
      }}
    >
      <label className="field-row">
        <span>Why is it left out?</span>
        <input
          className="box w-[220px]"
          list="left-out-whys"
          maxLength={200}
          value={why}
          autoFocus
          onChange={(e) => setWhy(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== 'Escape') return;
            e.stopPropagation();
            setWhy(null);
          }}
        />
        <datalist id="left-out-whys">
          {USUAL_WHYS.map((usual) => (
            <option key={usual} value={usual} />
          ))}
        </datalist>
      </label>
      <button type="submit" className="btn slim" disabled={isLoading || why.trim() === ''}>
        Leave the cup out
      </button>
      <button type="button" className="btn quiet slim" onClick={() => setWhy(null)}>
        Keep the cup
      </button>
      {failure && (
        <p className="fault" role="alert">
          {failure}
        </p>
      )}
    </form>
  );
}

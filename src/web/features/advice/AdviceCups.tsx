import { Link } from 'react-router';
import type { AdviceCup } from '#contracts/advice';
import { clockText, dayText } from '../../ui/days';

/** The cups behind the advice, the newest first; each can be left out. */
export function AdviceCups({
  cups,
  onLeave,
}: {
  cups: readonly AdviceCup[];
  onLeave: (id: string) => void;
}) {
  return (
    <table className="grid-table plain advice-cups">
      <caption className="sr-only">Judged cups</caption>
      <thead>
        <tr>
          <th className="l">Cup</th>
          <th className="l">Verdict</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {cups.map((cup) => (
          <tr key={cup.id} className={cup.left ? 'opacity-60' : ''}>
            <td className="l">
              <Link className="underline" to={`/log/${cup.id}`}>
                {dayText(cup.at)} {clockText(cup.at)}
              </Link>
              <span className="small block">
                {cup.vessel}
                {cup.by && `, ${cup.by.name}`}, version {cup.version}
              </span>
            </td>
            <td className="l">
              {cup.verdict}
              {cup.recorded && <span className="small block">{cup.recorded}</span>}
              {cup.isSlip && <span className="small block">Far off: counts for little</span>}
            </td>
            <td>
              <button
                type="button"
                className="btn quiet slim"
                aria-pressed={cup.left}
                aria-label={`${cup.left ? 'Count again' : 'Leave out'}: cup of ${dayText(cup.at)} ${clockText(cup.at)}`}
                onClick={() => onLeave(cup.id)}
              >
                {cup.left ? 'Count again' : 'Leave out'}
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

import { Link } from 'react-router';
import { ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import { type CalibrationResult, calibrationWords, chanceText } from '#core/tastings';
import { capital, minutesText, numberText, signedText } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import { useSession } from '../../entities/people/session';
import { CupTable } from './CupTable';

/**
 * Each taster against the others: how far, how even, how alike on the same cup. A lead sees all, a taster their own.
 */
export function Calibrated({ view, result }: { view: OpenTasting; result: CalibrationResult }) {
  const me = useSession();
  const all = me.role === 'lead';
  const shown = result.tasters.filter((t) => all || t.id === me.personId);
  const head = all
    ? calibrationWords(result)
    : {
        strong: shown.length ? 'Your own scores beside the others’' : 'What this table scored',
        rest: '. Whose are whose is for the lead.',
      };
  return (
    <>
      <section className="work">
        <p className="headline">
          <b>{head.strong}</b>
          {head.rest}
        </p>
        <h2 className="mt-2">
          Each taster
          <small>
            marks from the others’ mean; under it how far apart the two bowls of one cup were
          </small>
        </h2>
        <div className="wide-table" tabIndex={0} role="group" aria-label="Each taster">
          <table className="grid-table plain compared">
            <thead>
              <tr>
                <th className="l">taster</th>
                {ATTRIBUTE_NAMES.map((a) => (
                  <th key={a}>{ATTRIBUTES[a].label.toLowerCase()}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {shown.map((t) => (
                <tr key={t.id}>
                  <td className="l">
                    <Link className="underline" to={`/table/${view.id}/tasters/${t.id}`}>
                      {t.name}
                    </Link>
                  </td>
                  {ATTRIBUTE_NAMES.map((a) => {
                    const x = t.against[a];
                    return (
                      <td key={a}>
                        {x && (
                          <>
                            <b className={x.flags.includes('bias') ? 'text-warn' : ''}>
                              {signedText(x.bias)}
                            </b>
                            {x.interval && (
                              <span className="small">
                                {' '}
                                ({signedText(x.interval[0])} to {signedText(x.interval[1])})
                              </span>
                            )}
                            <span
                              className={`small block ${x.flags.includes('repeatability') ? 'text-warn font-bold' : ''}`}
                            >
                              {x.repeatability === null
                                ? 'once only'
                                : `twice: ${numberText(x.repeatability)}`}
                              , n = {x.n}
                            </span>
                          </>
                        )}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <h2 className="mt-4">
          The cups<small>mean of all scores, 0 to 10</small>
        </h2>
        <CupTable
          view={view}
          label="The cups"
          rows={result.cups}
          name={(c) => <b>{c.code}</b>}
          columns={[
            { head: 'steeped', cell: (c) => (c.seconds === null ? '' : minutesText(c.seconds)) },
          ]}
          mark={(c, a) => (c.means[a] === null ? '' : numberText(c.means[a] ?? 0))}
        />
      </section>
      <section className="paper" aria-label="How sure">
        <h2>How to read it</h2>
        <p>
          A mark is 0.8 of the 0 to 10 scale: the step of the tasting board. More than half a mark
          from the others, or more than one mark between two bowls of the same cup, is said.
        </p>
        <p className="mt-2">
          It trains, it does not rank: taste a cup together, say what you find, and score again.
        </p>
        <h2 className="mt-4">How sure</h2>
        <p className="how-sure">
          n = {result.n} tasters. Intervals are 95 %, Student’s t; with few bowls they are wide.{' '}
          {ATTRIBUTE_NAMES.flatMap((a) => {
            const w = result.agreement[a];
            return w
              ? [
                  `${capital(ATTRIBUTES[a].label.toLowerCase())}: agreement W = ${numberText(w.w, 2)}, p = ${chanceText(w.chance)}.`,
                ]
              : [];
          }).join(' ')}
        </p>
        <div className="foot">
          <Link className="btn" to={`/table/new?tea=${view.tea.id}`}>
            Taste again
          </Link>
        </div>
      </section>
    </>
  );
}

import { poured, type PouredTurn, type TurnsGiven } from '#core/training';
import { VERDICT_WORDS } from '../verdictWords';

const percent = (share: number): string =>
  Number.isFinite(share) ? `${Math.round(100 * share)} %` : 'far';

/** After the pour: what each cup holds and how strong it is. */
export function TurnsPaper({
  given,
  pours,
  left,
}: {
  given: TurnsGiven;
  /** Null: still pouring. */
  pours: readonly PouredTurn[] | null;
  left: number;
}) {
  if (pours === null)
    return (
      <>
        <h2>Answer</h2>
        <p className="mt-2" role="status">
          {left > 2 ? 'Pour everything into the cups, then submit.' : 'The vessel is empty.'}
        </p>
        <p className="small mt-4">There is no time limit. Z takes the last pour back.</p>
      </>
    );
  const { ml, strength, spread, levels, judged } = poured({ ...given, pours });
  return (
    <>
      <h2>Answer</h2>
      <div role="status">
        <p className="text-[32px] font-semibold leading-[1.15]">{VERDICT_WORDS[judged]}</p>
        <p>
          The strongest cup is {percent(spread)} over the weakest, the fullest {percent(levels)}{' '}
          over the emptiest.
        </p>
      </div>
      <h2 className="mt-4">The cups</h2>
      <table className="skill-table">
        <thead>
          <tr>
            <th scope="col">Cup</th>
            <th scope="col">ml</th>
            <th scope="col">Strength</th>
          </tr>
        </thead>
        <tbody>
          {ml.map((m, i) => (
            <tr key={i}>
              <th scope="row">{i + 1}</th>
              <td>{Math.round(m)}</td>
              <td>{Math.round(100 * (strength[i] ?? 0))} %</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-4">
        Pour there and back: half a cup each, then the other halves in reverse order. Or pour
        everything into a jug first.
      </p>
    </>
  );
}

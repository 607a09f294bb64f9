import { Link } from 'react-router';
import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import { chanceText, comparedWords, cupName, type CupsResult, fewestTasters } from '#core/tastings';
import { capital, minutesText, numberText, signedText } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import { Cup } from '../../entities/teas/Cup';
import { liquorOfCup } from './cups';
import { Means } from './Means';

/** What a comparison found: each cup's mean marks, then each beside the first with the chance of that. */
export function Compared({ view, result }: { view: OpenTasting; result: CupsResult }) {
  const of = { tea: view.tea, recipe: view.version.recipe, vessel: view.vessel };
  const nameOf = (cup: number) => {
    const plan = view.exercise.cups[cup]?.plan;
    return plan ? cupName(plan) || `cup ${cup + 1}` : '';
  };
  const head = comparedWords(result, nameOf);
  const first = result.cups.find((c) => c.excluded === null);
  const told = result.beside
    .filter((b) => b.higher + b.lower > 0)
    .sort((a, b) => a.chance - b.chance);
  const least = fewestTasters('pair', 0.025);
  return (
    <>
      <section className="work">
        <p className="headline">
          <b>{head.strong}</b>
          {head.rest}
        </p>
        <div className="wide-table" tabIndex={0} role="group" aria-label="Marks of each cup">
          <table className="grid-table plain compared">
            <thead>
              <tr>
                <th className="l" colSpan={2}>
                  cup
                </th>
                <th>steeped</th>
                {ATTRIBUTE_NAMES.map((a) => (
                  <th key={a}>{ATTRIBUTES[a].label.toLowerCase()}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {result.cups.map((c) => {
                const plan = view.exercise.cups[c.cup]?.plan;
                return (
                  <tr key={c.cup} className={c.excluded ? 'out' : ''}>
                    <td className="l">
                      {plan && (
                        <Cup size={46} liquor={liquorOfCup(of, plan, c.seconds ?? plan.seconds)} />
                      )}
                    </td>
                    <td className="l">
                      <b>{c.cup + 1}</b> {nameOf(c.cup)} <span className="small">{c.code}</span>
                      {c.excluded ? `, left out: ${c.excluded}` : ''}
                    </td>
                    <td>{c.seconds === null ? '' : minutesText(c.seconds)}</td>
                    {ATTRIBUTE_NAMES.map((a) => {
                      const m = c.marks[a];
                      return (
                        <td key={a}>
                          {m && (
                            <>
                              <b>{signedText(m.mean)}</b>
                              <span className="small block">
                                {m.little} / {m.right} / {m.much}
                              </span>
                            </>
                          )}
                        </td>
                      );
                    })}
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
        <Means
          means={result.cups.map(
            (c) =>
              Object.fromEntries(
                ATTRIBUTE_NAMES.map((a) => [a, c.marks[a]?.mean ?? null]),
              ) as Record<Attribute, number | null>,
          )}
          names={result.cups.map((c) => nameOf(c.cup))}
        />
        <p className="small mt-1">
          Mean mark against the house cup, 0 is right; under it how many called it too little,
          right, too much.
        </p>
      </section>
      <section className="paper" aria-label="How sure">
        <h2>Beside {first ? nameOf(first.cup) : 'the first'}</h2>
        {told.length === 0 ? (
          <p>No taster marked any two of them differently.</p>
        ) : (
          <table className="grid-table plain">
            <thead>
              <tr>
                <th className="l">cup</th>
                <th className="l">in</th>
                <th>more</th>
                <th>less</th>
                <th>p</th>
              </tr>
            </thead>
            <tbody>
              {told.slice(0, 8).map((b) => (
                <tr key={`${b.cup}${b.attribute}`}>
                  <td className="l">{nameOf(b.cup)}</td>
                  <td className="l">{ATTRIBUTES[b.attribute].label.toLowerCase()}</td>
                  <td>{b.higher}</td>
                  <td>{b.lower}</td>
                  <td>{chanceText(b.chance)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="mt-3">
          Sheets:{' '}
          {view.exercise.tasters.map((t, i) => (
            <span key={t.id}>
              {i > 0 && ', '}
              <Link className="underline" to={`/table/${view.id}/tasters/${t.id}`}>
                {t.name}
              </Link>
            </span>
          ))}
        </p>
        <h2 className="mt-4">How sure</h2>
        <p className="how-sure">
          n = {result.n}. p by the exact sign test, two-sided; tasters who marked both alike say
          nothing in it.{' '}
          {result.n < least
            ? `So few can prove nothing at 0.05: at least ${least} must all mark it the same way. `
            : ''}
          {told.length > 1
            ? `${told.length} things were compared: of twenty such, chance alone makes one look sure. `
            : ''}
          {ATTRIBUTE_NAMES.flatMap((a) => {
            const w = result.agreement[a];
            return w
              ? [
                  `${capital(ATTRIBUTES[a].label.toLowerCase())}: tasters agree W = ${numberText(w.w, 2)}, p = ${chanceText(w.chance)}.`,
                ]
              : [];
          })
            .slice(0, 2)
            .join(' ')}
        </p>
        <div className="foot">
          <Link className="btn" to={`/table/new?tea=${view.tea.id}`}>
            Taste it again
          </Link>
        </div>
      </section>
    </>
  );
}

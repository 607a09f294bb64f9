import { useMemo } from 'react';
import { Link } from 'react-router';
import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import {
  type Beside,
  chanceText,
  type Compared as Comparing,
  comparedWords,
  cupName,
  type CupsResult,
  fewestTasters,
  housePour,
  marksOfCups,
  potGradientOf,
  potTasted,
  seatedAt,
  type Tasting,
} from '#core/tastings';
import { capital, countWord, minutesText, numberText, signedText } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import { COMPARED_WORDS } from './cups';
import { CupTable } from './CupTable';
import { Means } from './Means';

/** What the model makes no difference for. */
const MODEL_BLIND: ReadonlySet<Comparing> = new Set(['water', 'lot', 'tea', 'glass']);

/** What a comparison found: each cup's mean marks, then each beside the first with the chance of that. */
export function Compared({
  view,
  now,
  result,
}: {
  view: OpenTasting;
  now: Tasting;
  result: CupsResult;
}) {
  const nameOf = (cup: number) => {
    const plan = view.exercise.cups[cup]?.plan;
    return plan ? cupName(plan) || `cup ${cup + 1}` : '';
  };
  const { tea, version, vessel } = view;
  const expected = useMemo(
    () =>
      marksOfCups(
        { tea, recipe: version.recipe, vessel },
        result.cups
          .map(({ cup }) => view.exercise.cups[cup]?.plan)
          .filter((plan) => plan !== undefined),
        housePour(version.recipe, vessel.mark),
      ),
    [tea, version, vessel, result.cups, view.exercise.cups],
  );
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
        <CupTable
          view={view}
          label="Marks of each cup"
          rows={result.cups}
          size={46}
          name={(c) => (
            <>
              <b>{c.cup + 1}</b> {nameOf(c.cup)} <span className="small">{c.code}</span>
              {c.excluded ? `, left out: ${c.excluded}` : ''}
            </>
          )}
          columns={[
            { head: 'steeped', cell: (c) => (c.seconds === null ? '' : minutesText(c.seconds)) },
          ]}
          mark={(c, a) => {
            const m = c.marks[a];
            return (
              m && (
                <>
                  <b>{signedText(m.mean)}</b>
                  <span className="small block">
                    {m.little} / {m.right} / {m.much}
                  </span>
                </>
              )
            );
          }}
        />
        <Means
          means={result.cups.map(
            (c) =>
              Object.fromEntries(
                ATTRIBUTE_NAMES.map((a) => [a, c.marks[a]?.mean ?? null]),
              ) as Record<Attribute, number | null>,
          )}
          names={result.cups.map((c) => nameOf(c.cup))}
          expected={expected}
        />
        <p className="small mt-1">
          Mean mark against the house cup, 0 is right; under it how many called it too little,
          right, too much. Open triangles: what the model expects.{' '}
          {MODEL_BLIND.has(view.exercise.compares ?? 'infuser') &&
            `The model knows nothing of the ${COMPARED_WORDS[view.exercise.compares ?? 'infuser']}.`}
        </p>
      </section>
      <section className="paper" aria-label="How sure">
        <h2>Beside {first ? nameOf(first.cup) : 'the first'}</h2>
        {told.length === 0 ? (
          <p>No taster marked any two of them differently.</p>
        ) : (
          <PairsTable told={told} nameOf={nameOf} />
        )}
        <PotFound view={view} now={now} />
        <p className="mt-3">
          Sheets:{' '}
          {seatedAt(now).map((t, i) => (
            <span key={t.id}>
              {i > 0 && ', '}
              <Link className="underline" to={`/table/${view.id}/tasters/${t.id}`}>
                {t.name}
              </Link>
            </span>
          ))}
        </p>
        <h2 className="mt-4">How sure</h2>
        <HowSure result={result} least={least} told={told} />
        <div className="foot">
          <Link className="btn" to={`/table/new?tea=${view.tea.id}`}>
            Taste it again
          </Link>
        </div>
      </section>
    </>
  );
}

/** What the cups of one pot say of it: how much stronger its last drop is. School’s pots are poured like that. */
function PotFound({ view, now }: { view: OpenTasting; now: Tasting }) {
  const { tea, version, vessel, exercise } = view;
  const pot = potTasted(exercise, now, { tea, recipe: version.recipe, vessel });
  const found = pot && potGradientOf([pot]);
  if (!found) return null;
  return (
    <p className="mt-3">
      From the first drop to the last this pot gets {Math.round(100 * found.gradient)} % stronger (
      {countWord(found.tasters)} {found.tasters === 1 ? 'taster' : 'tasters'}, give or take{' '}
      {Math.round(100 * found.sd)} %). In School, pots are poured as the last tables found them.
    </p>
  );
}

/** What was marked differently, the least likely by chance first. */
function PairsTable({ told, nameOf }: { told: Beside[]; nameOf: (cup: number) => string }) {
  return (
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
  );
}

/** How far so few tasters can be trusted. */
function HowSure({ result, least, told }: { result: CupsResult; least: number; told: Beside[] }) {
  return (
    <p className="how-sure">
      n = {result.n}. p by the exact sign test, two-sided; tasters who marked both alike say nothing
      in it.{' '}
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
  );
}

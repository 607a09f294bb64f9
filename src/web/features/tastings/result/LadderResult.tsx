import { useState } from 'react';
import { Link } from 'react-router';
import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import {
  adviceOf,
  headlineOf,
  housePour,
  howSure,
  type LadderResult,
  type Ordering,
  seatedAt,
  valueText,
} from '#core/tastings';
import type { OpenTasting } from '#contracts/tastings';
import { type Units, useSession, useUnits } from '../../../entities/people/session';
import { useKeys } from '../../../ui/keys';
import { MarksChart } from '../MarksChart';
import { DraftOf } from './Drafting';
import type { ResultProps } from './resultProps';

export function Ladder({ view, now, result }: ResultProps & { result: LadderResult }) {
  const units = useUnits();
  const { role } = useSession();
  const { way } = view.exercise;
  const { recipe } = view.version;
  const target =
    way === 'seconds'
      ? recipe.window.best
      : housePour(recipe, view.exercise.cups[0]?.plan.water ?? 100)[way];
  const [shown, setShown] = useState<Attribute>(() =>
    result.attributes.bitterness.marks.length > 0
      ? 'bitterness'
      : (ATTRIBUTE_NAMES.find((a) => result.attributes[a].marks.length > 0) ?? 'bitterness'),
  );
  const head = headlineOf(result.attributes[shown], shown, way, target, units);
  const advice = adviceOf(
    result,
    way,
    { target, latest: way === 'seconds' ? recipe.window.latest : null },
    units,
  );
  useKeys(
    ATTRIBUTE_NAMES.map((a, i) => ({
      key: `Shift ${i + 1}`,
      does: `Show ${ATTRIBUTES[a].label.toLowerCase()}`,
      run: () => setShown(a),
    })),
  );
  const words = [
    ...new Set(now.tasters.flatMap((t) => Object.values(t.sheets).flatMap((s) => s.words))),
  ];
  const leafWords = [
    ...new Set(
      now.tasters.flatMap((t) => Object.values(t.sheets).flatMap((s) => s.leafWords ?? [])),
    ),
  ];
  return (
    <>
      <section className="work">
        <p className="headline">
          <b>{head.strong}</b>
          {head.rest}
        </p>
        <div className="tabs" role="tablist" aria-label="Attribute">
          {ATTRIBUTE_NAMES.map((a) => (
            <button
              type="button"
              role="tab"
              key={a}
              aria-selected={a === shown}
              onClick={() => setShown(a)}
            >
              {ATTRIBUTES[a].label}
            </button>
          ))}
        </div>
        <MarksChart view={view} result={result} attribute={shown} target={target} />
        {words.length > 0 && <p className="small mt-1">Words used: {words.join(', ')}.</p>}
        {leafWords.length > 0 && <p className="small">Of the leaf: {leafWords.join(', ')}.</p>}
      </section>
      <section className="paper" aria-label="What to do">
        <h2>What to do</h2>
        <p className="text-[21px] font-semibold leading-tight">{advice.headline}</p>
        <p className="mt-1">{advice.reason}</p>
        {role === 'lead' && (advice.to !== null || advice.latest !== null) && (
          <DraftOf view={view} advice={advice} head={`${head.strong}${head.rest}`} />
        )}
        <h2 className="mt-4">Each taster</h2>
        <TastersTable shown={shown} result={result} view={view} way={way} units={units} />
        <h2 className="mt-4">How sure</h2>
        <p className="how-sure">
          {howSure(result, shown, way, target, units).join(' ')}
          {seatedAt(now).some((t) => t.handedIn === null)
            ? ` Not submitted: ${seatedAt(now)
                .filter((t) => t.handedIn === null)
                .map((t) => t.name)
                .join(', ')}.`
            : ''}
          {now.swaps.length > 0
            ? ` Codes put right before the reveal: ${now.swaps.map((s) => `${s.a} and ${s.b}`).join('; ')}.`
            : ''}
        </p>
        <div className="foot">
          <Link className="btn" to={`/table/new?tea=${view.tea.id}`}>
            Taste it again
          </Link>
          {role !== 'trainee' && (
            <Link className="btn" to={`/book/${view.tea.id}/fit`}>
              Fit this tea
            </Link>
          )}
          <Link className="btn quiet" to={`/book/${view.tea.id}`}>
            To the book
          </Link>
        </div>
      </section>
    </>
  );
}

/** Each taster's order, and from where on it was too much for them. */
function TastersTable({
  shown,
  result,
  view,
  way,
  units,
}: {
  shown: Attribute;
  result: LadderResult;
  view: OpenTasting;
  way: 'seconds' | 'grams' | 'water' | 'celsius';
  units: Units;
}) {
  return (
    <table className="grid-table plain">
      <thead>
        <tr>
          <th className="l">name</th>
          <th className="l">order by strength</th>
          <th>first {ATTRIBUTES[shown].words[1]} at</th>
        </tr>
      </thead>
      <tbody>
        {result.tasters.map((t) => {
          const first = t.firstOver[shown];
          return (
            <tr key={t.id}>
              <td className="l">
                <Link className="underline" to={`/table/${view.id}/tasters/${t.id}`}>
                  {t.name}
                </Link>
              </td>
              <td className="l">{orderWords(t)}</td>
              <td>
                {first === null || first === undefined ? 'never' : valueText(way, first, units)}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** How well somebody ordered the cups by strength. */
function orderWords(t: {
  readonly id: string;
  readonly name: string;
  readonly ordering: Ordering | null;
  readonly firstOver: Readonly<Partial<Record<Attribute, number | null>>>;
  readonly marked: number;
}) {
  if (t.ordering === null) return 'none';
  if (t.ordering.inversions === 0) return 'all right';
  return `${t.ordering.inversions} ${t.ordering.inversions === 1 ? 'pair' : 'pairs'} swapped`;
}

import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import { cupName, type OwnResult, ownResult, valueText } from '#core/tastings';
import { numberText, signedText } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import { useUnits } from '../../entities/people/session';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { exerciseName } from './cups';
import { CupTable } from './CupTable';
import { useFolded, useTasting } from './useTasting';

/** One taster's own sheet beside the table's, after the reveal. */
export function TasterPage() {
  const { id = '', taster = '' } = useParams();
  const { view, isLoading } = useTasting(id);
  const go = useGo();
  useKeys([{ key: 'Escape', does: 'Back to the result', run: () => go(`/table/${id}`) }]);
  if (isLoading)
    return (
      <main className="page">
        <Loading what="the sheet" />
      </main>
    );
  if (!view || view.sees === 'own' || view.stage !== 'revealed')
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/table">
              To the table
            </Link>
          }
        >
          Sheets are read when all is revealed.
        </Nothing>
      </main>
    );
  return <Own view={view} taster={taster} />;
}

function Own({ view, taster }: { view: OpenTasting; taster: string }) {
  const units = useUnits();
  const now = useFolded(view);
  const own = useMemo(() => ownResult(view.exercise, now, taster), [view.exercise, now, taster]);
  const back = (
    <Link className="btn quiet" to={`/table/${view.id}`}>
      Back to the result <kbd>Esc</kbd>
    </Link>
  );
  if (!own)
    return (
      <main className="page p-6">
        <Nothing action={back}>That person submitted no sheet here.</Nothing>
      </main>
    );
  const { way } = view.exercise;
  const off = ATTRIBUTE_NAMES.flatMap((a) => {
    const x = own.against[a];
    return x && x.flags.includes('bias')
      ? [`${ATTRIBUTES[a].label.toLowerCase()} ${signedText(x.bias)}`]
      : [];
  });
  const scoreText = own.scored ? numberText : signedText;
  const placeOf = (c: (typeof own.cups)[number]) => (
    <>
      {c.place ?? ''}
      {c.truePlace !== null && c.place !== c.truePlace && (
        <span className="small">, truly {c.truePlace}</span>
      )}
    </>
  );
  const label = (a: Attribute) => ATTRIBUTES[a].label.toLowerCase();
  return (
    <main className="page split result-page">
      <div className="say">
        <h1 className="font-normal">
          {own.name} at <span className="tea text-[25px]">{view.tea.name}</span>
        </h1>
        <span className="small text-[16px]">{exerciseName(view).toLowerCase()}</span>
        <span className="gap" />
        {back}
      </div>
      <section className="work">
        <OwnHeadline own={own} off={off} />
        <CupTable
          view={view}
          label="Each cup"
          rows={own.cups}
          name={(c) => <b>{c.code}</b>}
          columns={[
            {
              head: 'as it was',
              cell: (c) => {
                const plan = view.exercise.cups[c.cup]?.plan;
                return c.excluded ?? ((plan && cupName(plan)) || valueText(way, c.value, units));
              },
            },
            ...(own.ordering ? [{ head: 'place', cell: placeOf }] : []),
          ]}
          mark={(c, a) => {
            const [mine, theirs] = [c.mine[a], c.others[a]];
            return (
              <>
                {mine !== null && <b>{scoreText(mine)}</b>}
                {theirs !== null && <span className="small block">others {scoreText(theirs)}</span>}
              </>
            );
          }}
          last={{ head: 'words', cell: (c) => [...c.words, ...c.leafWords].join(', ') }}
        />
      </section>
      <section className="paper" aria-label="Beside the others">
        <h2>
          Beside the others<small>mean of marks less theirs, 95 %</small>
        </h2>
        <BesideOthers own={own} label={label} />
        <p className="small mt-2">
          More than half a mark is said in bold. The others are no truth either: with few of them it
          says how this table sat together, not who was right.
          {own.ordering
            ? ` The order is held against how the cups were really made: Kendall tau ${numberText(own.ordering.tau, 2)}, 1 is all right.`
            : ''}
        </p>
      </section>
    </main>
  );
}

/** The order, and the marks beside the others', in a sentence. */
function OwnHeadline({ own, off }: { own: OwnResult; off: string[] }) {
  return (
    <p className="headline">
      {own.ordering ? (
        <>
          <b>
            {own.ordering.inversions === 0
              ? 'Every cup in its true order.'
              : `${own.ordering.inversions} ${own.ordering.inversions === 1 ? 'pair' : 'pairs'} swapped.`}
          </b>{' '}
        </>
      ) : null}
      {marksLine(off, own)}
    </p>
  );
}

/** Where the marks stood beside the others'. */
function marksLine(off: string[], own: OwnResult) {
  if (off.length > 0)
    return (
      <>
        Marks beside the others’: <b>{off.join(', ')}</b>.
      </>
    );
  if (own.others === 0) return 'Nobody else submitted a sheet to compare with.';
  return 'Marks within half a step of the others’.';
}

/** Each attribute against the other tasters. */
function BesideOthers({ own, label }: { own: OwnResult; label: (a: Attribute) => string }) {
  return (
    <table className="grid-table plain">
      <thead>
        <tr>
          <th className="l">in</th>
          <th>by</th>
          <th>between</th>
          <th>n</th>
        </tr>
      </thead>
      <tbody>
        {ATTRIBUTE_NAMES.map((a) => {
          const x = own.against[a];
          return x ? (
            <tr key={a}>
              <td className="l">{label(a)}</td>
              <td className={x.flags.includes('bias') ? 'font-bold' : ''}>{signedText(x.bias)}</td>
              <td>
                {x.interval ? `${signedText(x.interval[0])} to ${signedText(x.interval[1])}` : ''}
              </td>
              <td>{x.n}</td>
            </tr>
          ) : null;
        })}
      </tbody>
    </table>
  );
}

import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { colourOfBrew } from '#core/colour';
import { brewCup } from '#core/cup';
import { houseBrew, isCold, lineDiffers, METHOD_NAMES, METHODS, recipeLines } from '#core/recipes';
import { capital } from '#core/units';
import { USES_COUNTED } from '#contracts/limits';
import type { Tea, TeaPage, Version } from '#contracts/teas';
import { DifferenceBars, differenceSentence } from '../../entities/brews/DifferenceBars';
import { SteepRule } from '../../entities/brews/SteepRule';
import { useSession, useUnits } from '../../entities/people/session';
import { useTeaQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { liquorAfter } from '../../entities/teas/liquor';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { useGo } from '../../platform/useGo';
import { dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { BackForm } from './BackForm';

/** Two versions of a tea's recipe side by side: values, cups, and the way back. */
export function VersionsPage() {
  const { teaId = '' } = useParams();
  const { data, isError } = useTeaQuery(teaId);
  if (isError)
    return (
      <main className="page p-6">
        <Nothing>This tea is not in the book.</Nothing>
      </main>
    );
  if (!data)
    return (
      <main className="page">
        <Loading what="the versions" />
      </main>
    );
  return <Versions key={data.tea.id} page={data} />;
}

function Versions({ page: { tea, versions: all, uses } }: { page: TeaPage }) {
  const [params, setParams] = useSearchParams();
  const method = METHOD_NAMES.find((m) => m === params.get('method')) ?? tea.method;
  const versions = all.filter((v) => v.method === method);
  const { role } = useSession();
  const units = useUnits();
  const go = useGo();
  const [back, setBack] = useState(false);
  const numbered = (n: string | null) => versions.find((v) => v.number === Number(n));
  const left =
    numbered(params.get('left')) ??
    versions.find((v) => v.state === 'house') ??
    versions[versions.length - 1];
  const right = numbered(params.get('right')) ?? versions.find((v) => v.id !== left?.id);
  const choose = (side: 'left' | 'right', v: Version) =>
    setParams(
      {
        ...(method === tea.method ? {} : { method }),
        left: String(side === 'left' ? v.number : left?.number),
        right: String(side === 'right' ? v.number : right?.number),
      },
      { replace: true },
    );
  // The pair is fixed as it stands: another lead's version that comes meanwhile must not move it.
  const goBack = (to: Version) => {
    choose('right', to);
    setBack(true);
  };
  /** The next one down the list, round, past the one that the other side has. */
  const next = (side: 'left' | 'right') => {
    const [mine, other] = side === 'left' ? [left, right] : [right, left];
    const list = versions.filter((v) => v.id !== other?.id);
    const v = list[(list.findIndex((x) => x.id === mine?.id) + 1) % list.length];
    if (v) choose(side, v);
  };
  useKeys([
    { key: '[', does: 'Choose the left one', run: () => next('left') },
    { key: ']', does: 'Choose the right one', run: () => next('right') },
    {
      key: 'Escape',
      does: 'Back to the tea',
      run: () => (back ? setBack(false) : go(`/book/${tea.id}`)),
    },
  ]);
  if (!left || !right)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to={`/book/${tea.id}`}>
              To the tea
            </Link>
          }
        >
          This recipe has one version: nothing to compare.
        </Nothing>
      </main>
    );
  const lines = recipeLines(left.recipe, right.recipe, units.temperature);
  const differing = lines.filter(lineDiffers).length;
  const used = (v: Version) => {
    const n = uses[v.id] ?? 0;
    if (n === 0) return `none version ${v.number}`;
    if (n >= USES_COUNTED)
      return `${USES_COUNTED.toLocaleString('en')} brews or more used version ${v.number}`;
    return `${n} ${n === 1 ? 'brew' : 'brews'} used version ${v.number}`;
  };
  return (
    <main className="page split compare">
      <section className="work">
        <div className="versions-list">
          <h1 className="tea text-[22px]">{tea.name}</h1>
          {method !== tea.method && <p className="small">{METHODS[method].label}</p>}
          <ul>
            {versions.map((v) => (
              <li key={v.id} className={v === left || v === right ? 'on' : ''}>
                <b>{v.number}</b>
                <div>
                  <p>
                    <b>{v.state}</b>
                    {v === left ? ', left' : v === right ? ', right' : ''}
                  </p>
                  <p className="small">{v.reason}</p>
                  <p className="small">
                    {v.author.name}, {dayText(v.at)}
                  </p>
                  <span className="flex gap-2">
                    <button
                      type="button"
                      className="btn slim"
                      disabled={v === left || v === right}
                      onClick={() => choose('left', v)}
                      aria-label={`Version ${v.number} at the left`}
                    >
                      Left
                    </button>
                    <button
                      type="button"
                      className="btn slim"
                      disabled={v === left || v === right}
                      onClick={() => choose('right', v)}
                      aria-label={`Version ${v.number} at the right`}
                    >
                      Right
                    </button>
                  </span>
                </div>
              </li>
            ))}
          </ul>
        </div>
        <div className="versions-table">
          <table>
            <thead>
              <tr>
                <th className="small">
                  {differing === 0
                    ? 'no line differs'
                    : `${differing} ${differing === 1 ? 'line differs' : 'lines differ'}`}
                </th>
                <Head tea={tea} v={left} />
                <Head tea={tea} v={right} />
              </tr>
            </thead>
            <tbody>
              {lines.map((l) => (
                <tr key={l.name} className={lineDiffers(l) ? 'differs' : ''}>
                  <th scope="row">{l.name}</th>
                  <td>{l.left}</td>
                  <td>
                    {lineDiffers(l) ? <b>{l.right}</b> : l.right}
                    {l.change && <span className="small"> {l.change}</span>}
                  </td>
                </tr>
              ))}
              {!isCold(method) && (
                <tr>
                  <th scope="row">Steep</th>
                  {[left, right].map((v) => (
                    <td key={v.id}>
                      <SteepRule
                        window={v.recipe.window}
                        width={214}
                        height={16}
                        liquorAfter={(s) => liquorAfter(tea, v.recipe, s)}
                      />
                    </td>
                  ))}
                </tr>
              )}
            </tbody>
          </table>
          <p className="small mt-2">
            {capital(used(left))}, {used(right)}. A version that was brewed stays as it was.
          </p>
        </div>
      </section>
      <TwoCups tea={tea} left={left} right={right}>
        {role === 'lead' &&
          (back ? (
            <BackForm
              tea={tea}
              to={right}
              newest={versions[0]?.number ?? 0}
              onDone={() => setBack(false)}
            />
          ) : (
            <div className="foot">
              <button
                type="button"
                className="btn"
                disabled={right.state === 'house'}
                onClick={() => goBack(right)}
              >
                {right.state === 'trial' || right.state === 'draft'
                  ? `Take ${right.number} for the house`
                  : `Go back to ${right.number}`}
              </button>
              <Link className="btn quiet" to={`/book/${tea.id}`}>
                Leave
              </Link>
            </div>
          ))}
      </TwoCups>
    </main>
  );
}

function Head({ tea, v }: { tea: Tea; v: Version }) {
  const liquor = isCold(v.method) ? null : liquorAfter(tea, v.recipe, v.recipe.window.best);
  return (
    <th scope="col">
      <span className="flex gap-3 items-center">
        {liquor && <Cup liquor={liquor} size={48} />}
        <span>
          <b className="block text-[24px] leading-[1.1]">Version {v.number}</b>
          <span className="small">
            {v.state}, {dayText(v.at)}
          </span>
        </span>
      </span>
    </th>
  );
}

function TwoCups({
  tea,
  left,
  right,
  children,
}: {
  tea: Tea;
  left: Version;
  right: Version;
  children: React.ReactNode;
}) {
  const [a, b] = [left, right].map((v) => houseBrew(tea, v.recipe)) as [
    ReturnType<typeof houseBrew>,
    ReturnType<typeof houseBrew>,
  ];
  const [cupA, cupB] = [brewCup(a).taste, brewCup(b).taste];
  return (
    <section className="paper" aria-label="The two cups">
      {isCold(right.method) ? (
        <p>Cold cups are not predicted: taste decides.</p>
      ) : (
        <>
          <h2>
            The two cups<small>a plain pot of half a litre, at best</small>
          </h2>
          <div className="beside">
            {(
              [
                [left, a],
                [right, b],
              ] as const
            ).map(([v, brew]) => (
              <figure key={v.id}>
                <Cup liquor={colourOfBrew(brew, brew.time)} size={92} />
                <figcaption>
                  {v.number}, {v.state}
                </figcaption>
              </figure>
            ))}
          </div>
          <h2 className="mt-3">
            {right.number} against {left.number}
            <small>the line is version {left.number}</small>
          </h2>
          <DifferenceBars cup={cupB} held={cupA} what={`version ${left.number}`} />
          <p className="text-[17px]" data-testid="versions-words">
            {differenceSentence(cupB, cupA)} <span className="small">{predictionBasis(tea)}.</span>
          </p>
        </>
      )}
      <hr />
      <h2>
        Reason<small>for {right.number}</small>
      </h2>
      <p>
        {right.reason}.{' '}
        <span className="small">
          {right.author.name}, {dayText(right.at)}
        </span>
      </p>
      {children}
    </section>
  );
}

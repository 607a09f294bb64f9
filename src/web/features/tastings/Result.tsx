import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import type { Recipe } from '#core/recipes';
import {
  type Advice,
  adviceOf,
  chanceText,
  type ChoiceResult,
  headlineOf,
  housePour,
  howSure,
  type LadderResult,
  recipeAt,
  resultOf,
  type Tasting,
  valueText,
} from '#core/tastings';
import type { Seconds } from '#core/units';
import { pathOf, ROUTES } from '#contracts/routes';
import type { OpenTasting } from '#contracts/tastings';
import type { TeaPage } from '#contracts/teas';
import { useSession, useUnits } from '../../entities/people/session';
import { useTeaQuery } from '../../entities/teas/api';
import { NotMade, useNewVersion } from '../../entities/teas/newVersion';
import { clockText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Calibrated } from './Calibrated';
import { Compared } from './Compared';
import { cupsWords, exerciseName } from './cups';
import { DialIn } from './DialIn';
import { MarksChart } from './MarksChart';

type Props = { view: OpenTasting; now: Tasting };

/** What a table found: in words, then drawn, then how sure. */
export function Result({ view, now }: Props) {
  const result = useMemo(() => resultOf(view.exercise, now), [view.exercise, now]);
  const sat = now.tasters.filter((t) => t.handedIn !== null).length;
  const me = useSession();
  const mayHave = view.kind !== 'calibration' || me.role === 'lead';
  const [from, to] = [now.started ?? view.at, now.revealed ?? view.at];
  return (
    <main className="page split result-page">
      <div className="say">
        <h1 className="font-normal">
          {view.kind === 'dialIn' ? `Dial-in, round ${view.rounds.length + 1}` : 'Result'}:{' '}
          <span className="tea text-[25px]">{view.tea.name}</span>
        </h1>
        <span className="small text-[16px]">
          {view.kind === 'dialIn' ? (view.lot ?? 'no lot') : exerciseName(view).toLowerCase()},{' '}
          {cupsWords(view.exercise.cups.length)}, {sat} {sat === 1 ? 'taster' : 'tasters'},{' '}
          {clockText(from)} to {clockText(to)}
        </span>
        <span className="gap" />
        {mayHave && (
          <>
            <a
              className="btn quiet"
              href={pathOf(ROUTES.exportTasting, { id: view.id, form: 'csv' })}
              download
            >
              As CSV
            </a>
            <a
              className="btn quiet"
              href={pathOf(ROUTES.exportTasting, { id: view.id, form: 'json' })}
              download
            >
              As JSON
            </a>
            <a
              className="btn"
              href={pathOf(ROUTES.printReport, { id: view.id })}
              target="_blank"
              rel="noreferrer"
            >
              Report, one page
            </a>
          </>
        )}
      </div>
      {result.kind === 'ladder' ? (
        <Ladder view={view} now={now} result={result} />
      ) : result.kind === 'choice' ? (
        <Chosen view={view} now={now} result={result} />
      ) : result.kind === 'calibration' ? (
        <Calibrated view={view} result={result} />
      ) : view.kind === 'dialIn' ? (
        <DialIn view={view} now={now} />
      ) : (
        <Compared view={view} result={result} />
      )}
    </main>
  );
}

function Ladder({ view, now, result }: Props & { result: LadderResult }) {
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
                  <td className="l">
                    {t.ordering === null
                      ? 'none'
                      : t.ordering.inversions === 0
                        ? 'all right'
                        : `${t.ordering.inversions} ${t.ordering.inversions === 1 ? 'pair' : 'pairs'} swapped`}
                  </td>
                  <td>
                    {first === null || first === undefined ? 'never' : valueText(way, first, units)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <h2 className="mt-4">How sure</h2>
        <p className="how-sure">
          {howSure(result, shown, way, target, units).join(' ')}
          {now.tasters.some((t) => t.handedIn === null)
            ? ` Not handed in: ${now.tasters
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

/** The advice as a draft of the recipe, with this tasting as its reason. */
function DraftOf({ view, advice, head }: { view: OpenTasting; advice: Advice; head: string }) {
  const { data } = useTeaQuery(view.tea.id);
  if (!data) return null;
  return <Drafting view={view} advice={advice} head={head} page={data} />;
}
function Drafting({
  view,
  advice,
  head,
  page,
}: {
  view: OpenTasting;
  advice: Advice;
  head: string;
  page: TeaPage;
}) {
  const of = page.versions.find((v) => v.id === view.version.id);
  const newest = Math.max(
    ...page.versions
      .filter((v) => v.method === (of?.method ?? page.tea.method))
      .map((v) => v.number),
    0,
  );
  const making = useNewVersion(page.tea, newest);
  const [made, setMade] = useState(false);
  if (!of) return null;
  const { way, cups } = view.exercise;
  const changed = (): Recipe => {
    const r = view.version.recipe;
    const { to } = advice;
    const moved =
      to === null ? r : recipeAt(r, { ...housePour(r, cups[0]?.plan.water ?? 100), [way]: to });
    return advice.latest === null
      ? moved
      : { ...moved, window: { ...moved.window, latest: advice.latest as Seconds } };
  };
  if (made)
    return (
      <p className="mt-2 font-semibold">
        Kept as a draft.{' '}
        <Link className="underline" to={`/book/${view.tea.id}/versions`}>
          See it beside the house recipe
        </Link>
      </p>
    );
  return (
    <>
      <NotMade making={making} />
      <div className="flex gap-2 mt-3">
        <button
          type="button"
          className="btn go"
          disabled={making.isSaving}
          onClick={() =>
            void making
              .save({
                as: 'draft',
                method: of.method,
                recipe: changed(),
                reason:
                  `${exerciseName(view)}, ${view.exercise.tasters.length} tasters. ${head}`.slice(
                    0,
                    300,
                  ),
                settles: [],
              })
              .then((ok) => setMade(Boolean(ok)))
          }
        >
          Draft version {newest + 1}
        </button>
      </div>
    </>
  );
}

const TELLS = {
  pair: 'tell the two apart',
  triangle: 'find the odd one',
  duoTrio: 'match the reference',
} as const;
function Chosen({ view, result }: Props & { result: ChoiceResult }) {
  const units = useUnits();
  const { kind, asks, way } = view.exercise;
  const liked = kind === 'pair' && asks === 'preferred';
  const percent = (v: number) => `${Math.round(v * 100)} %`;
  const sure = result.chance <= 0.05 && result.n > 0;
  const [a, b] = result.cups;
  return (
    <>
      <section className="work">
        <p className="headline">
          {result.n === 0 ? (
            <b>Nobody chose.</b>
          ) : liked ? (
            <>
              <b>
                {result.right} of {result.n} liked the one with more{' '}
                {way === 'celsius' ? 'heat' : way === 'grams' ? 'leaf' : 'time'} better
              </b>
              {sure ? ': more than chance.' : ': chance could do that.'}
            </>
          ) : (
            <>
              <b>
                {result.right} of {result.n} could {TELLS[kind as keyof typeof TELLS]}
              </b>
              {sure ? ', more than guessing would.' : '; guessing alone could do that.'}
            </>
          )}
        </p>
        <div className="chosen-cups">
          {[a, b].map(
            (c, i) =>
              c && (
                <div key={c.cup}>
                  <b>{c.code}</b>
                  <span>
                    {i === 0 ? 'first cup' : 'second cup'}: {valueText(way, c.value, units)}
                  </span>
                </div>
              ),
          )}
        </div>
        <table className="grid-table plain">
          <thead>
            <tr>
              <th className="l">taster</th>
              <th className="l">chose</th>
              <th className="l">{liked ? 'that is' : 'answer'}</th>
            </tr>
          </thead>
          <tbody>
            {result.tasters.map((t) => (
              <tr key={t.id}>
                <td className="l">{t.name}</td>
                <td className="l">{t.choice}</td>
                <td className="l">
                  {liked
                    ? t.right
                      ? 'the one with more'
                      : 'the one with less'
                    : t.right
                      ? 'right'
                      : 'not this'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section className="paper" aria-label="How sure">
        <h2>How sure</h2>
        <p className="how-sure">
          n = {result.n}, p = {chanceText(result.chance)} (exact binomial,{' '}
          {liked ? 'two-sided' : 'one-sided'}). Share right: {percent(result.interval[0])} to{' '}
          {percent(result.interval[1])} (95 %, exact).
          {result.able
            ? ` Able to tell beyond guessing: ${percent(result.able.share)} (${percent(result.able.interval[0])} to ${percent(result.able.interval[1])}).`
            : ''}
          {result.n < result.fewest
            ? ` So few can prove nothing: at least ${result.fewest} must all agree.`
            : ''}
          {!sure && result.needed !== null
            ? ` With as many right, about ${result.needed} tasters would have been needed.`
            : ''}
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

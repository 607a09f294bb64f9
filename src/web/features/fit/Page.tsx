import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { ATTRIBUTES, predict } from '#core/corrections';
import { brewCup } from '#core/cup';
import {
  FIT_SCORES,
  type FitScore,
  FITTED,
  fittedName,
  learntWords,
  teachMore,
} from '#core/fitting';
import { houseBrew, type Recipe } from '#core/recipes';
import { differenceWords } from '#core/taste';
import { capital, celsius, countWord, minutesText, numberText, temperatureText } from '#core/units';
import type { FitCup, KeptFit, TeaFitPage } from '#contracts/fits';
import type { Tea } from '#contracts/teas';
import { signedPercent } from '../../entities/brews/strength';
import { useFitQuery } from '../../entities/fits/api';
import { useMoveFitMutation } from '../../entities/fits/api';
import { useUseFitMutation } from '../../entities/fits/api';
import { useSession, useUnits } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { failureOf } from '../../platform/api';
import { newId } from '../../platform/ids';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { useGo } from '../../platform/useGo';
import { dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { FitChart, offRecipe } from './FitChart';

/** A tea fitted to this house: its cups, what they teach, before and after; used or set aside. */
export function FitPage() {
  const { id = '' } = useParams();
  const go = useGo();
  const { data: book } = useBookQuery();
  const [without, setWithout] = useState<readonly string[]>([]);
  const { data, isLoading, error, isFetching } = useFitQuery({ id, without });
  const tea = book?.teas.find((t) => t.id === id);
  useKeys([{ key: 'Escape', does: 'Back to the tea', run: () => go(`/book/${id}`) }]);
  if (isLoading || !book)
    return (
      <main className="page">
        <Loading what="its cups" />
      </main>
    );
  if (!tea?.house || !data)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to={tea ? `/book/${id}` : '/book'}>
              To the book
            </Link>
          }
        >
          {error
            ? failureOf(error).message
            : tea
              ? `${tea.name} has no hot house recipe to fit.`
              : 'This tea is not in the book.'}
        </Nothing>
      </main>
    );
  const leaveOut = (cup: string) =>
    setWithout((w) => (w.includes(cup) ? w.filter((c) => c !== cup) : [...w, cup]));
  return (
    <Fitting
      tea={tea}
      recipe={tea.house.recipe}
      page={data}
      without={without}
      busy={isFetching}
      onLeave={leaveOut}
    />
  );
}

type Props = {
  tea: Tea;
  recipe: Recipe;
  page: TeaFitPage;
  without: readonly string[];
  busy: boolean;
  onLeave: (cup: string) => void;
};
function Fitting({ tea, recipe, page, without, busy, onLeave }: Props) {
  const [score, setScore] = useState<FitScore>('bitterness');
  const { fit, cups } = page;
  const used = cups.filter((c) => !c.left).length;
  const fitted = fit.kind === 'fitted' ? fit.multipliers : null;
  useKeys(
    FIT_SCORES.map((s, i) => ({
      key: `Shift ${i + 1}`,
      does: `Show ${ATTRIBUTES[s].label.toLowerCase()}`,
      run: () => setScore(s),
    })),
  );
  const [before, after] = [
    brewCup(houseBrew({ style: tea.style, fitted: null }, recipe)).taste,
    fitted && brewCup(houseBrew({ style: tea.style, fitted }, recipe)).taste,
  ];
  const off = after ? differenceWords(after, before) : [];
  return (
    <main className="page split result-page">
      <div className="say">
        <h1 className="font-normal">
          Fitted to this house: <span className="tea text-[25px]">{tea.name}</span>
        </h1>
        <span className="gap" />
        <Link className="btn quiet" to={`/book/${tea.id}`}>
          Back to the tea <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work" aria-busy={busy}>
        <p className="headline" data-testid="fit-words">
          {after ? (
            off.length ? (
              <>
                <b>{capital(off.join(', '))} than its style,</b> say {countWord(used)} cups of this
                house.
              </>
            ) : (
              <>
                <b>As its style,</b> say {countWord(used)} cups of this house: nothing that one
                would notice.
              </>
            )
          ) : (
            <>
              <b>{used === 1 ? 'One cup is' : 'No cup is'} here to fit it by.</b> Two at least,
              marked or measured, of the lot in use.
            </>
          )}
        </p>
        <div className="tabs" role="tablist" aria-label="Attribute">
          {FIT_SCORES.map((s) => (
            <button
              type="button"
              role="tab"
              key={s}
              aria-selected={s === score}
              onClick={() => setScore(s)}
            >
              {ATTRIBUTES[s].label}
            </button>
          ))}
        </div>
        <FitChart
          style={tea.style}
          recipe={recipe}
          fitted={fitted}
          cups={cups}
          score={score}
          right={page.right[score]}
          label={ATTRIBUTES[score].label}
        />
        <p className="small">
          Circles: cups of this house, marks read as 0 to 10 around the house cup of its style (
          {numberText(page.right[score])}). Line: the fit, ±0.5; dots: the style before it.
          {cups.some((c) => offRecipe(c, recipe))
            ? ' An arrow: the end of the marks, that much or beyond. Squares: made with other leaf or heat than the recipe; the bar is where the fit expects them.'
            : ''}
        </p>
        <Cups cups={cups} recipe={recipe} onLeave={onLeave} />
      </section>
      <section className="paper" aria-label="What was learnt">
        <Learnt tea={tea} recipe={recipe} page={page} without={without} used={used} />
      </section>
    </main>
  );
}

function Cups({
  cups,
  recipe,
  onLeave,
}: {
  cups: readonly FitCup[];
  recipe: Recipe;
  onLeave: (cup: string) => void;
}) {
  const units = useUnits();
  if (cups.length === 0) return null;
  return (
    <div className="wide-table" tabIndex={0} role="group" aria-label="Cups">
      <table className="grid-table plain fit-cups">
        <caption className="sr-only">Cups it is fitted to</caption>
        <thead>
          <tr>
            <th className="l">cup</th>
            <th>g/100 ml</th>
            <th>heat</th>
            <th>time</th>
            {FIT_SCORES.map((s) => (
              <th key={s}>{ATTRIBUTES[s].label.toLowerCase()}</th>
            ))}
            <th>measured</th>
            <th aria-label="Used" />
          </tr>
        </thead>
        <tbody>
          {cups.map((c) => (
            <tr key={c.id} className={c.left ? 'out' : ''}>
              <td className="l">
                {c.words}
                <span className="small">
                  {' '}
                  {dayText(c.at)}
                  {c.n > 1 ? `, ${c.n} tasters` : ''}
                </span>
              </td>
              <td className={offRecipe(c, recipe) ? 'font-bold' : ''}>
                {numberText((c.grams / c.water) * 100, 2)}
              </td>
              <td>{temperatureText(celsius(c.celsius), units.temperature)}</td>
              <td>{minutesText(c.seconds)}</td>
              {FIT_SCORES.map((s) => (
                <td key={s}>{c.scores[s] === undefined ? '' : numberText(c.scores[s])}</td>
              ))}
              <td>
                {[
                  c.solids === null ? null : `${numberText(c.solids / 10, 2)} %`,
                  c.colour === null ? null : `${signedPercent(c.colour)} colour`,
                ]
                  .filter(Boolean)
                  .join(', ')}
              </td>
              <td>
                <button
                  type="button"
                  className="btn slim quiet"
                  aria-pressed={c.left}
                  onClick={() => onLeave(c.id)}
                >
                  {c.left ? 'Use' : 'Leave out'}
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Learnt({
  tea,
  recipe,
  page,
  without,
  used,
}: Pick<Props, 'tea' | 'recipe' | 'page' | 'without'> & { used: number }) {
  const { role } = useSession();
  const dispatch = useAppDispatch();
  const [use, using] = useUseFitMutation();
  const [move, moving] = useMoveFitMutation();
  const { fit, kept } = page;
  const inUse = kept.find((k) => k.state === 'inUse');
  const same =
    inUse &&
    fit.kind === 'fitted' &&
    FITTED.every((f) => Math.abs(inUse.fit.multipliers[f] - fit.multipliers[f]) < 0.005);
  const said = (text: string) => dispatch(toastShown({ text }));
  const failure = using.error ?? moving.error;
  const busy = using.isLoading || moving.isLoading;
  const changed =
    fit.kind === 'fitted'
      ? FIT_SCORES.map(
          (s) =>
            [
              s,
              page.right[s],
              predict(houseBrew({ style: tea.style, fitted: fit.multipliers }, recipe))[s],
            ] as const,
        )
      : [];
  return (
    <>
      <h2>What was learnt</h2>
      {fit.kind === 'fitted' ? (
        <>
          <dl className="learnt">
            {FITTED.map((f) => (
              <div key={f} className={fit.learnt[f] < 0.5 ? 'faint' : ''}>
                <dt>{fittedName(f)}</dt>
                <dd>
                  <b>× {numberText(fit.multipliers[f], 2)}</b>
                </dd>
                <dd className="share">
                  <span role="img" aria-label={`${Math.round(fit.learnt[f] * 100)} % learnt`}>
                    <i style={{ width: `${fit.learnt[f] * 100}%` }} />
                  </span>{' '}
                  {Math.round(fit.learnt[f] * 100)} %
                </dd>
                <dd className="small">
                  {learntWords(fit.multipliers[f], fit.learnt[f], fit.sd[f])}
                </dd>
              </div>
            ))}
          </dl>
          <div className="fit-cups-pair">
            <span>
              <Cup size={64} liquor={houseLiquorOf({ style: tea.style, fitted: null }, recipe)} />
              before
            </span>
            <span>
              <Cup
                size={64}
                liquor={houseLiquorOf({ style: tea.style, fitted: fit.multipliers }, recipe)}
              />
              after
            </span>
            <p className="small">
              The house cup:{' '}
              {changed
                .map(
                  ([s, from, to]) =>
                    `${ATTRIBUTES[s].label.toLowerCase()} ${numberText(from)} to ${numberText(to)}`,
                )
                .join(', ')}
              . Scatter left {numberText(fit.rmse, 2)}; about 1 is a taster’s own.
            </p>
          </div>
          {fit.rmse > 1.6 && (
            <Note bad>
              These cups differ more among themselves than tasting does: leave out what was not made
              as written, or taste again.
            </Note>
          )}
          {teachMore(fit.learnt) && <p className="mt-2">{teachMore(fit.learnt)}</p>}
        </>
      ) : (
        <p>A ladder at the table is the quickest: four cups along the steep, everybody’s marks.</p>
      )}
      {inUse && (
        <p className="mt-3" data-testid="in-use">
          <b>{same ? 'This fit is in use' : 'A fit is in use'}</b>, from {inUse.fit.cups} cups,
          taken by {inUse.by.name}, {dayText(inUse.at)}. Cards, bars and corrections of this tea
          rest on it.
        </p>
      )}
      {failure && <Note bad>{failureOf(failure).message}</Note>}
      {kept.length > 0 && role === 'lead' && (
        <details className="mt-3">
          <summary>Fits taken, {kept.length}</summary>
          <ul className="kept-fits">
            {kept.map((k: KeptFit) => (
              <li key={k.id}>
                <span>
                  {dayText(k.at)}, {k.by.name}, {k.fit.cups} cups
                  <br />
                  <span className="small">
                    {FITTED.map((f) => `× ${numberText(k.fit.multipliers[f], 2)}`).join('  ')}
                  </span>
                </span>
                {k.state === 'inUse' ? (
                  <b>in use</b>
                ) : (
                  <button
                    type="button"
                    className="btn slim"
                    disabled={busy}
                    onClick={() =>
                      void move({ id: k.id, body: { to: 'inUse' } })
                        .unwrap()
                        .then(
                          () => said(`${tea.name} rests on the fit of ${dayText(k.at)}.`),
                          () => undefined,
                        )
                    }
                  >
                    Use it again
                  </button>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
      <div className="foot">
        {role === 'lead' && fit.kind === 'fitted' && !same && (
          <button
            type="button"
            className="btn go"
            disabled={busy}
            onClick={() =>
              void use({
                id: tea.id,
                body: { id: newId(), ...(without.length ? { without: without.join(',') } : {}) },
              })
                .unwrap()
                .then(
                  () => said(`${tea.name} is fitted to this house, by ${countWord(used)} cups.`),
                  () => undefined,
                )
            }
          >
            Use from now on
          </button>
        )}
        {role === 'lead' && inUse && (
          <button
            type="button"
            className="btn"
            disabled={busy}
            onClick={() =>
              void move({ id: inUse.id, body: { to: 'aside' } })
                .unwrap()
                .then(
                  () => said(`The fit of ${tea.name} is set aside: its style again.`),
                  () => undefined,
                )
            }
          >
            Set aside
          </button>
        )}
        <Link className="btn quiet" to={`/table/new?tea=${tea.id}`}>
          Taste more cups
        </Link>
      </div>
    </>
  );
}

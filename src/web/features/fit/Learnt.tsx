import { Link } from 'react-router';
import { ATTRIBUTES, predict } from '#core/corrections';
import { FIT_SCORES, FITTED, fittedName, learntWords, teachMore } from '#core/fitting';
import { houseBrew, type Recipe } from '#core/recipes';
import { countWord, numberText } from '#core/units';
import type { KeptFit, TeaFitPage } from '#contracts/fits';
import type { Tea } from '#contracts/teas';
import { useMoveFitMutation, useUseFitMutation } from '../../entities/fits/api';
import { useSession } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { failureOf } from '../../platform/api';
import { newId } from '../../platform/ids';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { dayText } from '../../ui/days';
import { Note } from '../../ui/Note';
import type { FitProps } from './fitProps';

type Fitted = Extract<TeaFitPage['fit'], { kind: 'fitted' }>;
/** More scatter than this is more than tasting has, marks. */
const MUCH_SCATTER = 1.6;

/** What a lead does with fits of a tea; what was done is said, what failed stands in `failure`. */
function useFitActs(tea: Tea) {
  const dispatch = useAppDispatch();
  const [takeUp, takingUp] = useUseFitMutation();
  const [move, moving] = useMoveFitMutation();
  const sayAfter = (done: Promise<unknown>, text: string) =>
    void done.then(
      () => dispatch(toastShown({ text })),
      () => undefined,
    );
  return {
    failure: takingUp.error ?? moving.error,
    isBusy: takingUp.isLoading || moving.isLoading,
    take: (without: readonly string[], cups: number) =>
      sayAfter(
        takeUp({
          id: tea.id,
          body: { id: newId(), ...(without.length ? { without: without.join(',') } : {}) },
        }).unwrap(),
        `${tea.name} is fitted to this house, by ${countWord(cups)} cups.`,
      ),
    takeUpAgain: (fit: KeptFit) =>
      sayAfter(
        move({ id: fit.id, body: { to: 'inUse' } }).unwrap(),
        `${tea.name} rests on the fit of ${dayText(fit.at)}.`,
      ),
    setAside: (fit: KeptFit) =>
      sayAfter(
        move({ id: fit.id, body: { to: 'aside' } }).unwrap(),
        `The fit of ${tea.name} is set aside: its style again.`,
      ),
  };
}
type FitActs = ReturnType<typeof useFitActs>;

/** What the cups say of this tea, and what a lead can do about it. */
export function Learnt({
  tea,
  recipe,
  page: { fit, kept, right },
  without,
  used,
}: Pick<FitProps, 'tea' | 'recipe' | 'page' | 'without'> & { used: number }) {
  const { role } = useSession();
  const acts = useFitActs(tea);
  const inUse = kept.find((k) => k.state === 'inUse');
  const isSame =
    inUse !== undefined &&
    fit.kind === 'fitted' &&
    FITTED.every((f) => Math.abs(inUse.fit.multipliers[f] - fit.multipliers[f]) < 0.005);
  return (
    <>
      <h2>What was learnt</h2>
      {fit.kind === 'fitted' ? (
        <>
          <Multipliers fit={fit} />
          <BeforeAndAfter tea={tea} recipe={recipe} fit={fit} before={right} />
          {fit.rmse > MUCH_SCATTER && (
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
          <b>{isSame ? 'This fit is in use' : 'A fit is in use'}</b>, from {inUse.fit.cups} cups,
          taken by {inUse.by.name}, {dayText(inUse.at)}. Cards, bars and corrections of this tea
          rest on it.
        </p>
      )}
      {acts.failure && <Note bad>{failureOf(acts.failure).message}</Note>}
      {kept.length > 0 && role === 'lead' && <FitsTaken kept={kept} acts={acts} />}
      <div className="foot">
        {role === 'lead' && fit.kind === 'fitted' && !isSame && (
          <button
            type="button"
            className="btn go"
            disabled={acts.isBusy}
            onClick={() => acts.take(without, used)}
          >
            Use from now on
          </button>
        )}
        {role === 'lead' && inUse && (
          <button
            type="button"
            className="btn"
            disabled={acts.isBusy}
            onClick={() => acts.setAside(inUse)}
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

/** What was learnt of each value, and how much of it by these cups. */
function Multipliers({ fit }: { fit: Fitted }) {
  return (
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
          <dd className="small">{learntWords(fit.multipliers[f], fit.learnt[f], fit.sd[f])}</dd>
        </div>
      ))}
    </dl>
  );
}

/** The house cup before and after the fit, drawn and in words. */
function BeforeAndAfter({
  tea,
  recipe,
  fit,
  before,
}: {
  tea: Tea;
  recipe: Recipe;
  fit: Fitted;
  before: TeaFitPage['right'];
}) {
  const after = predict(houseBrew({ style: tea.style, fitted: fit.multipliers }, recipe));
  const changed = FIT_SCORES.map(
    (s) =>
      `${ATTRIBUTES[s].label.toLowerCase()} ${numberText(before[s])} to ${numberText(after[s])}`,
  );
  return (
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
        The house cup: {changed.join(', ')}. Scatter left {numberText(fit.rmse, 2)}; about 1 is a
        taster’s own.
      </p>
    </div>
  );
}

/** Fits of before, to take up again. */
function FitsTaken({ kept, acts }: { kept: readonly KeptFit[]; acts: FitActs }) {
  return (
    <details className="mt-3">
      <summary>Fits taken, {kept.length}</summary>
      <ul className="kept-fits">
        {kept.map((k) => (
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
                disabled={acts.isBusy}
                onClick={() => acts.takeUpAgain(k)}
              >
                Use it again
              </button>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}

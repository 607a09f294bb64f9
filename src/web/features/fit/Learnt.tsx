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

export function Learnt({
  tea,
  recipe,
  page,
  without,
  used,
}: Pick<FitProps, 'tea' | 'recipe' | 'page' | 'without'> & { used: number }) {
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
          <Multipliers fit={fit} />
          <BeforeAndAfter tea={tea} recipe={recipe} fit={fit} changed={changed} />
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
        <FitsTaken kept={kept} busy={busy} move={move} said={said} tea={tea} />
      )}
      <LearntFoot
        role={role}
        fit={fit}
        same={same}
        busy={busy}
        use={use}
        tea={tea}
        without={without}
        said={said}
        used={used}
        inUse={inUse}
        move={move}
      />
    </>
  );
}

/** What was learnt of each value, and how much of it by these cups. */
function Multipliers({
  fit,
}: {
  fit: {
    multipliers: { rate: number; pool: number; bite: number; sensitivity: number };
    learnt: Record<'rate' | 'pool' | 'bite' | 'sensitivity', number>;
    sd: Record<'rate' | 'pool' | 'bite' | 'sensitivity', number>;
    rmse: number;
    kind: 'fitted';
    iterations: number;
  };
}) {
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
  changed,
}: {
  tea: Tea;
  recipe: Recipe;
  fit: {
    multipliers: { rate: number; pool: number; bite: number; sensitivity: number };
    learnt: Record<'rate' | 'pool' | 'bite' | 'sensitivity', number>;
    sd: Record<'rate' | 'pool' | 'bite' | 'sensitivity', number>;
    rmse: number;
    kind: 'fitted';
    iterations: number;
  };
  changed: (readonly ['strength' | 'bitterness' | 'astringency', number, number])[];
}) {
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
  );
}

/** Fits of before, to take up again. */
function FitsTaken({
  kept,
  busy,
  move,
  said,
  tea,
}: {
  kept: readonly KeptFit[];
  busy: boolean;
  move: ReturnType<typeof useMoveFitMutation>[0];
  said: (text: string) => void;
  tea: Tea;
}) {
  return (
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
  );
}

/** Take the fit, set it aside, taste more. */
function LearntFoot({
  role,
  fit,
  same,
  busy,
  use,
  tea,
  without,
  said,
  used,
  inUse,
  move,
}: {
  role: 'trainee' | 'brewer' | 'lead';
  fit: TeaFitPage['fit'];
  same: boolean | undefined;
  busy: boolean;
  use: ReturnType<typeof useUseFitMutation>[0];
  tea: Tea;
  without: readonly string[];
  said: (text: string) => void;
  used: number;
  inUse: KeptFit | undefined;
  move: ReturnType<typeof useMoveFitMutation>[0];
}) {
  return (
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
  );
}

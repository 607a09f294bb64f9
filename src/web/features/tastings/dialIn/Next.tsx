import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { propose } from '#core/corrections';
import {
  brewOfCup,
  cupWords,
  type Factor,
  housePour,
  type PlannedCup,
  recipeAt,
  type Round,
  storyOf,
  turnedCup,
  verdictOf,
} from '#core/tastings';
import type { OpenTasting } from '#contracts/tastings';
import type { TeaPage } from '#contracts/teas';
import { useSession } from '../../../entities/people/session';
import { useSetUpTastingMutation } from '../../../entities/tastings/setUpApi';
import { useTeaQuery } from '../../../entities/teas/api';
import { useDialledIn } from '../../../entities/teas/lots';
import { NotMade, useNewVersion } from '../../../entities/teas/newVersion';
import { failureOf } from '../../../platform/api';
import { now as clock } from '../../../platform/clock';
import { newId } from '../../../platform/ids';
import { useGo } from '../../../platform/useGo';
import { Loading, Note } from '../../../ui/Note';
import { CupFigures } from '../CupFigures';

type NextProps = { view: OpenTasting; round: Round; rounds: readonly Round[]; right: boolean };

export function Next({ view, round, rounds, right }: NextProps) {
  const { role } = useSession();
  const { data, isLoading } = useTeaQuery(view.tea.id);
  const of = { tea: view.tea, recipe: view.version.recipe, vessel: view.vessel };
  const house = housePour(view.version.recipe, round.cup.water);
  const proposal = useMemo(
    () =>
      propose({
        verdict: verdictOf(round),
        recipe: recipeAt(view.version.recipe, round.cup),
        style: view.tea.style,
        brew: brewOfCup(of, round.cup),
        warmed: true,
        crowding: null,
        dialIn: { leafGrams: house.grams, temperatureC: house.celsius, seconds: house.seconds },
      }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a tasting's recipe and vessel never change
    [view.id, round],
  );
  const last = view.exercise.cups.at(-1)?.plan ?? house;
  const proposed = round.lost
    ? last
    : turnedCup({ ...round.cup, grams: Number(round.cup.grams.toFixed(2)) }, proposal.turns);
  if (isLoading) return <Loading what="the tea" />;
  if (view.nextId)
    return (
      <>
        <h2>Gone on</h2>
        <p>Round {rounds.length + 1} was set up after this one.</p>
        <div className="foot">
          <Link className="btn go" to={`/table/${view.nextId}`}>
            To round {rounds.length + 1}
          </Link>
        </div>
      </>
    );
  const done = right && data && role === 'lead';
  return (
    <>
      {!right && !round.lost && (
        <>
          <h2>Proposed</h2>
          <p className="text-[21px] font-semibold leading-tight">{proposal.headline}.</p>
          <p className="mt-1">
            {proposal.change} {proposal.reason}
          </p>
          {proposal.second && (
            <p className="small">
              Nearly as good: {proposal.second.headline} ({proposal.second.change}).
            </p>
          )}
        </>
      )}
      {right && (
        <>
          <h2>Keep it</h2>
          <p className="text-[21px] font-semibold leading-tight">{cupWords(round.cup)}</p>
          <p className="mt-1">
            {role === 'lead'
              ? 'As a version of the recipe, with these rounds as its reason.'
              : 'A lead makes it a version of the recipe.'}
          </p>
        </>
      )}
      {done && <Finish view={view} round={round} rounds={rounds} page={data} />}
      {!right && (
        <Again
          key={proposed.grams + proposed.celsius + proposed.seconds}
          view={view}
          before={round.lost ? null : round.cup}
          proposed={proposed}
          number={rounds.length + 1}
        />
      )}
      {!right && data && role === 'lead' && rounds.length > 1 && !round.lost && (
        <details className="mt-3">
          <summary>End the dial-in here</summary>
          <Finish view={view} round={round} rounds={rounds} page={data} />
        </details>
      )}
      {right && (
        <details className="mt-3">
          <summary>Set up another round</summary>
          <Again view={view} before={round.cup} proposed={proposed} number={rounds.length + 1} />
        </details>
      )}
    </>
  );
}

/** The next round in one touch: the corrected cup beside the old, the same people, the same vessel. */
function Again({
  view,
  before,
  proposed,
  number,
}: {
  view: OpenTasting;
  before: PlannedCup | null;
  proposed: PlannedCup;
  number: number;
}) {
  const { site } = useSession();
  const go = useGo();
  const [save, { error, isLoading }] = useSetUpTastingMutation();
  const [cup, setCup] = useState(proposed);
  const [id] = useState(newId);
  const change = (what: Factor, v: number) => setCup((c) => ({ ...c, [what]: v }));
  const failure = error ? failureOf(error) : null;
  const there =
    failure?.kind === 'answer' && failure.details?.why === 'roundThere'
      ? String(failure.details.id)
      : null;
  const set = async () => {
    const old = before && {
      ...before,
      grams: Number(before.grams.toFixed(2)),
      seconds: Math.max(5, Math.round(before.seconds / 5) * 5),
    };
    const made = await save({
      id,
      siteId: site.id,
      teaId: view.tea.id,
      lotId: view.lotId,
      versionId: view.version.id,
      vesselId: view.vesselId ?? '',
      kind: 'dialIn',
      way: 'seconds',
      asks: 'strength',
      afterId: view.id,
      cups: old ? [old, cup] : [cup],
      tasterIds: view.exercise.tasters.filter((t) => !t.guest).map((t) => t.id),
      guests: view.exercise.tasters.filter((t) => t.guest).length,
      at: Math.round(clock()),
    });
    if ('data' in made) go(`/table/${id}`);
  };
  return (
    <>
      <h2 className="mt-4">
        Round {number}
        <small>{before ? 'beside the cup of this round' : 'the same cup once more'}</small>
      </h2>
      <table className="grid-table plain rungs next-cup">
        <thead>
          <tr>
            <th>leaf</th>
            <th>water</th>
            <th>heat</th>
            <th>time</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <CupFigures n={number} cup={cup} strong={null} onValue={change} />
          </tr>
        </tbody>
      </table>
      {failure && (
        <Note
          bad
          action={
            there && (
              <Link className="btn slim" to={`/table/${there}`}>
                To it
              </Link>
            )
          }
        >
          {failure.message}
        </Note>
      )}
      <div className="flex gap-2 mt-3">
        <button type="button" className="btn go" disabled={isLoading} onClick={() => void set()}>
          Set up round {number}
        </button>
      </div>
    </>
  );
}

/** A dial-in ends in a version, and the lot is dialled in on it. */
function Finish({
  view,
  round,
  rounds,
  page,
}: {
  view: OpenTasting;
  round: Round;
  rounds: readonly Round[];
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
  const [note, noting] = useDialledIn();
  const [made, setMade] = useState<number | null>(null);
  const lot = page.lots.find((l) => l.id === view.lotId);
  if (!of) return null;
  if (made !== null)
    return (
      <p className="mt-3 font-semibold">
        Version {made}
        {lot ? `, and ${lot.name} is dialled in on it` : ''}.{' '}
        <Link className="underline" to={`/book/${view.tea.id}/versions`}>
          See it beside the one before
        </Link>
      </p>
    );
  const same = rounds.length === 1;
  const keep = async (as: 'house' | 'trial') => {
    const version = same
      ? of
      : await making.save({
          as,
          method: of.method,
          recipe: recipeAt(view.version.recipe, round.cup),
          reason: storyOf(view.lot ?? 'a lot', rounds),
          settles: [],
        });
    if (!version) return;
    if (lot && lot.state !== 'finished') await note(lot, version.id);
    setMade(version.number);
  };
  const busy = making.isSaving || noting.isLoading;
  return (
    <>
      <NotMade making={making} />
      {noting.error && <Note bad>{failureOf(noting.error).message}</Note>}
      <div className="flex flex-wrap gap-2 mt-3">
        <button type="button" className="btn go" disabled={busy} onClick={() => void keep('house')}>
          {same
            ? `It is right on version ${of.number}`
            : `Make it version ${newest + 1}, the house’s`}
        </button>
        {!same && (
          <button type="button" className="btn" disabled={busy} onClick={() => void keep('trial')}>
            On trial
          </button>
        )}
      </div>
      {!same && <p className="small mt-2">Its reason: “{storyOf(view.lot ?? 'a lot', rounds)}”</p>}
    </>
  );
}

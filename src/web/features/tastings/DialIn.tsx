import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { ATTRIBUTE_NAMES, ATTRIBUTES, propose } from '#core/corrections';
import {
  brewOfCup,
  cupWords,
  dialledIn,
  type Factor,
  housePour,
  marksWords,
  offIn,
  type PlannedCup,
  recipeAt,
  type Round,
  roundOf,
  storyOf,
  type Tasting,
  turnedCup,
  verdictOf,
} from '#core/tastings';
import { capital, countWord } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import type { TeaPage } from '#contracts/teas';
import { useSession, useUnits } from '../../entities/people/session';
import { useSetUpTastingMutation } from '../../entities/tastings/setUpApi';
import { useTeaQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { useDialledIn } from '../../entities/teas/lots';
import { NotMade, useNewVersion } from '../../entities/teas/newVersion';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { failureOf } from '../../platform/api';
import { now as clock } from '../../platform/clock';
import { newId } from '../../platform/ids';
import { useGo } from '../../platform/useGo';
import { Note } from '../../ui/Note';
import { CupFigures } from './CupFigures';
import { liquorOfCup } from './cups';
import { Means } from './Means';

/**
 * A lot on its way to right: every round's marks along the steps, what to turn next, and in the end a version with
 * the story.
 */
export function DialIn({ view, now }: { view: OpenTasting; now: Tasting }) {
  const units = useUnits();
  const round = useMemo(() => roundOf(view.exercise, now), [view.exercise, now]);
  const rounds: readonly Round[] = [...view.rounds, round];
  const right = dialledIn(round);
  const off = offIn(round);
  const unmarked = ATTRIBUTE_NAMES.filter((a) => round.means[a] === null).map((a) =>
    ATTRIBUTES[a].label.toLowerCase(),
  );
  const of = { tea: view.tea, recipe: view.version.recipe, vessel: view.vessel };
  return (
    <>
      <section className="work">
        <p className="headline" data-testid="dial-in-words">
          {roundWords({ round, right, rounds, off, unmarked })}
        </p>
        <div className="porcelain-strip dial-strip">
          {rounds.map((r, i) => (
            <span key={i} style={{ left: `${((i + 0.5) / rounds.length) * 100}%` }}>
              <Cup size={50} liquor={liquorOfCup(of, r.cup, r.cup.seconds)} />
              <em>
                <b>{i + 1}</b> {cupWords(r.cup, units.temperature)}
              </em>
            </span>
          ))}
        </div>
        <Means
          means={rounds.map((r) => r.means)}
          names={rounds.map((_, i) => `round ${i + 1}`)}
          joined
        />
        <p className="small">
          Blocks: the mean mark of each round, by its number. Between the dashes is right: half a
          step either way. Colours: expected, {predictionBasis(view.tea).toLowerCase()}.
        </p>
      </section>
      <section className="paper" aria-label="What to do">
        <Next view={view} round={round} rounds={rounds} right={right} />
      </section>
    </>
  );
}

/** What this round showed, in a sentence. */
function roundWords({
  round,
  right,
  rounds,
  off,
  unmarked,
}: {
  round: Round;
  right: boolean;
  rounds: readonly Round[];
  off: readonly string[];
  unmarked: string[];
}) {
  if (round.lost)
    return (
      <>
        <b>The cup of this round was lost:</b> {round.lost}. Brew it again.
      </>
    );
  if (right)
    return (
      <>
        <b>Right: every mark within half a step,</b> after {countWord(rounds.length)}{' '}
        {rounds.length === 1 ? 'round' : 'rounds'}.
      </>
    );
  if (off.length === 0)
    return (
      <>
        <b>Nothing is off, but not all was marked:</b> {unmarked.join(', ')}{' '}
        {unmarked.length === 1 ? 'is' : 'are'} open.
      </>
    );
  return (
    <>
      <b>{capital(marksWords(round))}</b> in round {rounds.length}; all else is within half a step
      {unmarked.length > 0 ? `, ${unmarked.join(', ')} not marked` : ''}.
    </>
  );
}

type NextProps = { view: OpenTasting; round: Round; rounds: readonly Round[]; right: boolean };
function Next({ view, round, rounds, right }: NextProps) {
  const { role } = useSession();
  const { data } = useTeaQuery(view.tea.id);
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
      tasterIds: view.exercise.tasters.map((t) => t.id),
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

import { useMemo, useReducer, useState } from 'react';
import { GUESTS_MOST, type LeafLessonId } from '#core/tastings';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useNamesQuery } from '../../../entities/people/api';
import { useSession } from '../../../entities/people/session';
import { useSetUpTastingMutation } from '../../../entities/tastings/setUpApi';
import { failureOf } from '../../../platform/api';
import { now } from '../../../platform/clock';
import { newId } from '../../../platform/ids';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Note } from '../../../ui/Note';
import { firstSetUp, guestsOf, planOf, readinessOf, setUpReducer } from './model';
import { PlannedCups } from './PlannedCups';
import { SetUpSentence } from './SetUpSentence';
import { ToDo } from './ToDo';

/** Who tastes: each by a touch on their name. */
function Tasters({
  chosen,
  onTouch,
}: {
  chosen: readonly string[];
  onTouch: (id: string) => void;
}) {
  const { site } = useSession();
  const { data } = useNamesQuery(site.id);
  return (
    <>
      <h2 className="mt-4">
        Tasters<small>each on their own phone or tablet, or one passed round</small>
      </h2>
      <div className="toggles" role="group" aria-label="Tasters">
        {(data?.people ?? []).map((p) => (
          <button
            type="button"
            key={p.id}
            className="toggle"
            aria-pressed={chosen.includes(p.id)}
            onClick={() => onTouch(p.id)}
          >
            {p.name}
          </button>
        ))}
      </div>
    </>
  );
}

/** Seats for guests: they come in by a code and a name, and need no account. */
function GuestSeats({ guests, onPick }: { guests: number; onPick: (guests: number) => void }) {
  return (
    <label className="field-row mt-3 max-w-[320px]">
      <span className="as-label">Guests</span>
      <select
        className="box"
        aria-label="Seats for guests"
        value={guests}
        onChange={(e) => onPick(Number(e.target.value))}
      >
        {Array.from({ length: GUESTS_MOST + 1 }, (_, n) => (
          <option key={n} value={n}>
            {n === 0 ? 'none' : `${n} ${n === 1 ? 'seat' : 'seats'}, by a code for an hour`}
          </option>
        ))}
      </select>
    </label>
  );
}

/** A tasting is set up: as a sentence, its cups, its tasters, and what is to be done. */
export function SetUp({
  teas,
  vessels,
  first,
  firstVessel,
  lotId,
  lesson,
}: {
  teas: readonly Tea[];
  vessels: readonly Vessel[];
  first: Tea;
  firstVessel: Vessel;
  lotId: string | null;
  lesson: LeafLessonId | null;
}) {
  const { site, personId } = useSession();
  const go = useGo();
  const [save, { isLoading: isSaving, error }] = useSetUpTastingMutation();
  const [state, dispatch] = useReducer(
    setUpReducer,
    { tea: first, vessel: firstVessel, lotId, lesson, taster: personId },
    firstSetUp,
  );
  const [id] = useState(newId);
  const plan = useMemo(() => planOf(state, site, teas), [state, site, teas]);
  const readiness = readinessOf(state, plan);
  const ready = readiness === 'ready' && !isSaving;
  const setUp = async () => {
    if (!ready) return;
    const { kind, way, compares } = state.exercise;
    const made = await save({
      id,
      siteId: site.id,
      teaId: state.tea.id,
      lotId: plan.lot?.id ?? null,
      versionId: plan.version.id,
      vesselId: state.vessel.id,
      kind,
      way,
      asks: state.asks,
      ...(compares && { compares }),
      ...(state.lesson && { lesson: state.lesson.id }),
      cups: [...plan.cups],
      tasterIds: [...state.tasters],
      guests: guestsOf(state),
      at: Math.round(now()),
    });
    if ('data' in made) go(`/table/${id}`);
  };
  useKeys([
    { key: 'Enter', does: 'Set it up', run: () => void setUp() },
    { key: 'Escape', does: 'Back to the table', run: () => go('/table') },
  ]);
  return (
    <main className="page split set-up">
      <h1 className="visually-hidden">Set up a tasting</h1>
      <SetUpSentence state={state} plan={plan} teas={teas} vessels={vessels} dispatch={dispatch} />
      <section className="work">
        <PlannedCups state={state} plan={plan} teas={teas} dispatch={dispatch} />
        <Tasters
          chosen={state.tasters}
          onTouch={(taster) => dispatch({ type: 'tasterTouched', id: taster })}
        />
        {state.exercise.kind !== 'calibration' && (
          <GuestSeats
            guests={state.guests}
            onPick={(guests) => dispatch({ type: 'guestsPicked', guests })}
          />
        )}
      </section>
      <section className="paper" aria-label="What is to be done">
        <ToDo state={state} plan={plan} dispatch={dispatch} />
        {error && <Note bad>{failureOf(error).message}</Note>}
        <div className="foot">
          <button type="button" className="btn go" disabled={!ready} onClick={() => void setUp()}>
            {readiness === 'noTaster' ? 'Choose who tastes' : 'Set it up'} <kbd>Enter</kbd>
          </button>
        </div>
      </section>
    </main>
  );
}

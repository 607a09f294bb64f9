import type { Dispatch } from 'react';
import { ATTRIBUTES } from '#core/corrections';
import { cupCounts, LEAF_LESSONS, PAIR_ASKS, type PairAsks } from '#core/tastings';
import { LOT_WORDS } from '#core/teas';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { TeaPick } from '../../../entities/teas/TeaPick';
import { VesselPick } from '../../../entities/vessels/VesselPick';
import { PickList } from '../../../ui/PickList';
import { cupsWords } from '../cups';
import { KINDS } from './kinds';
import type { SetUpEvent, SetUpPlan, SetUpState } from './model';

const asksText = (asks: PairAsks) =>
  asks === 'preferred'
    ? 'which is liked better'
    : `which has more: ${ATTRIBUTES[asks].label.toLowerCase()}`;
/** What was picked keeps its own words; what a page began with has those of its kind. */
function kindText(exercise: SetUpState['exercise']): string {
  const picked = KINDS.find((k) => k.value === exercise);
  const alike = KINDS.find(
    ({ value: { kind, way, compares } }) =>
      kind === exercise.kind && way === exercise.way && compares === exercise.compares,
  );
  return (picked ?? alike)?.text ?? '';
}
const MADE_BY = [
  { value: false, text: 'the house recipe' },
  { value: true, text: 'standard preparation: 2 g per 100 ml, boiling, 6:00' },
];

/** The tasting as a sentence: each of its words can be picked. */
export function SetUpSentence({
  state,
  plan: { lot, cups },
  teas,
  vessels,
  dispatch,
}: {
  state: SetUpState;
  plan: SetUpPlan;
  teas: readonly Tea[];
  vessels: readonly Vessel[];
  dispatch: Dispatch<SetUpEvent>;
}) {
  const { tea, vessel, exercise, standard } = state;
  const { kind } = exercise;
  const counts = cupCounts(exercise);
  return (
    <div className="say">
      {state.lesson && <LessonPart lesson={state.lesson} dispatch={dispatch} />}
      <PickList
        label="Exercise"
        shown={kindText(exercise)}
        choices={KINDS}
        onPick={(picked) => dispatch({ type: 'exercisePicked', exercise: picked })}
      />
      <span>of</span>
      <TeaPick
        tea={tea}
        teas={teas}
        onPick={(picked) => dispatch({ type: 'teaPicked', tea: picked })}
      />
      {kind === 'dialIn' && tea.lots.length > 0 && (
        <PickList
          label="Lot"
          shown={lot?.name ?? 'no lot'}
          chosen={lot ?? undefined}
          choices={tea.lots.map((l) => ({ value: l, text: `${l.name}, ${LOT_WORDS[l.state]}` }))}
          onPick={(l) => dispatch({ type: 'lotPicked', lotId: l.id })}
        />
      )}
      <span>in the</span>
      <VesselPick
        vessel={vessel}
        vessels={vessels}
        onPick={(picked) => dispatch({ type: 'vesselPicked', vessel: picked })}
      />
      {counts.length > 1 && !state.lesson && (
        <>
          <span>with</span>
          <PickList
            label="Cups"
            shown={cupsWords(cups.length)}
            chosen={state.count}
            choices={counts.map((k) => ({ value: k, text: cupsWords(k) }))}
            onPick={(count) => dispatch({ type: 'countPicked', count })}
          />
        </>
      )}
      {kind !== 'dialIn' && !state.lesson && (
        <>
          <span>made by</span>
          <PickList
            label="Made by"
            shown={standard ? 'standard preparation' : 'the house recipe'}
            chosen={standard}
            choices={MADE_BY}
            onPick={(picked) => dispatch({ type: 'standardPicked', standard: picked })}
          />
        </>
      )}
      {kind === 'pair' && (
        <>
          <span>asking</span>
          <PickList
            label="Asks"
            shown={asksText(state.asks)}
            chosen={state.asks}
            choices={PAIR_ASKS.map((a) => ({ value: a, text: asksText(a) }))}
            onPick={(asks) => dispatch({ type: 'asksPicked', asks })}
          />
        </>
      )}
    </div>
  );
}

/** The lesson that is set out, and which part of it. */
function LessonPart({
  lesson,
  dispatch,
}: {
  lesson: NonNullable<SetUpState['lesson']>;
  dispatch: Dispatch<SetUpEvent>;
}) {
  const { title, parts } = LEAF_LESSONS[lesson.id];
  return (
    <>
      <span>
        Lesson <b>{title}</b>:
      </span>
      {parts.length > 1 && (
        <PickList
          label="Part of the lesson"
          shown={parts[lesson.part]?.name ?? ''}
          chosen={lesson.part}
          choices={parts.map(({ name }, part) => ({ value: part, text: name }))}
          onPick={(part) => dispatch({ type: 'partPicked', part })}
        />
      )}
    </>
  );
}

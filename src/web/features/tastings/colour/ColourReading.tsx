import { type RefObject, useRef } from 'react';
import { CUP_DEPTH_CM } from '#core/colour';
import { minutesText, numberText, parseWithin } from '#core/units';
import type { Brew } from '#contracts/brews';
import type { Tea } from '#contracts/teas';
import { TeaPick } from '../../../entities/teas/TeaPick';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { PickList } from '../../../ui/PickList';
import { TypedPick } from '../../../ui/TypedPick';
import { exerciseName } from '../cups';
import { Instrument } from './InstrumentReading';
import type { ColourState } from './model';
import { PhotoWork } from './PhotoWork';
import { Answer } from './ReadingAnswer';
import type { Subject } from './subject';
import { useColourReading } from './useColourReading';
import { useKeepReading } from './useKeepReading';

const brewText = (brew: Brew): string =>
  'pulled' in brew.state
    ? `${brew.plan.vessel.name}, ${brew.plan.pull.done.toLowerCase()} ${minutesText((brew.state.pulled - brew.state.waterOn) / 1000)}`
    : brew.plan.vessel.name;
const cupText = ({ view, cup }: Extract<Subject, { kind: 'cup' }>): string =>
  `${exerciseName(view).toLowerCase()}, bowl ${view.exercise.cups[cup]?.codes.join(' and ')}`;

/** Whose colour is read: a brew's, a cup's of a table, or any tea's. */
function Whose({
  subject,
  tea,
  teas,
  onPick,
}: {
  subject: Subject | null;
  tea: Tea;
  teas: readonly Tea[];
  onPick: (tea: Tea) => void;
}) {
  if (!subject)
    return (
      <>
        <span>Colour of</span>
        <TeaPick tea={tea} teas={teas} onPick={onPick} />
      </>
    );
  const name = subject.kind === 'brew' ? subject.brew.tea.name : tea.name;
  return (
    <>
      <h2 className="font-normal">
        Colour of <span className="tea text-[25px]">{name}</span>
      </h2>
      <span className="small text-[16px]">
        {subject.kind === 'brew' ? brewText(subject.brew) : cupText(subject)}
      </span>
    </>
  );
}
const WAYS = [
  { value: true, text: 'beside the house cup' },
  { value: false, text: 'by its white rim' },
];
function PictureButton({
  input,
  another,
  onTake,
}: {
  input: RefObject<HTMLInputElement | null>;
  another: boolean;
  onTake: (file: File | undefined) => void;
}) {
  return (
    <>
      <button
        type="button"
        className={another ? 'btn' : 'btn go'}
        onClick={() => input.current?.click()}
      >
        {another ? 'Another picture' : 'Take or choose a picture'} <kbd>P</kbd>
      </button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        className="visually-hidden"
        aria-label="Picture"
        tabIndex={-1}
        onChange={(e) => {
          onTake(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
    </>
  );
}

/** One colour reading, from the picture to what is kept of it. */
export function ColourReading({
  teas,
  first,
  subject,
}: {
  teas: readonly Tea[];
  first: Tea;
  subject: Subject | null;
}) {
  const input = useRef<HTMLInputElement>(null);
  const go = useGo();
  const { state, dispatch, shown, target, take, takeSample } = useColourReading(
    teas,
    first,
    subject === null,
  );
  const { tea, beside, depth } = state;
  useKeys([
    { key: 'p', does: 'Take or choose a picture', run: () => input.current?.click() },
    { key: 'Escape', does: 'Back to the table', run: () => go('/table') },
  ]);
  return (
    <main
      className="page split colour-page"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        take(e.dataTransfer.files[0]);
      }}
    >
      <h1 className="visually-hidden">Colour reading</h1>
      <div className="say">
        <Whose
          subject={subject}
          tea={tea}
          teas={teas}
          onPick={(picked) => dispatch({ type: 'teaPicked', tea: picked })}
        />
        <TypedPick
          label="Depth"
          text={depth === null ? 'depth unknown' : `${numberText(depth)} cm deep`}
          typed={depth === null ? '' : numberText(depth)}
          read={(t) => parseWithin(t, 'Liquor in a cup', 'cm', 0.3, 10)}
          onValue={(value) => dispatch({ type: 'depthSet', depth: value })}
        />
        <PickList
          label="Way"
          shown={beside ? 'beside the house cup' : 'by its white rim'}
          chosen={beside}
          choices={WAYS}
          onPick={(value) => dispatch({ type: 'besideSet', beside: value })}
        />
        <span className="gap" />
        <PictureButton input={input} another={shown !== null} onTake={take} />
      </div>
      <PhotoWork photo={state.photo} beside={beside} dispatch={dispatch} onSample={takeSample} />
      <section className="paper" aria-label="Reading">
        <Reading state={state} shown={shown} target={target} subject={subject} />
      </section>
    </main>
  );
}

/** What was read of the picture, or the instrument's figures in its place. */
function Reading({
  state: { tea, depth },
  shown,
  target,
  subject,
}: {
  state: ColourState;
  subject: Subject | null;
} & Pick<ReturnType<typeof useColourReading>, 'shown' | 'target'>) {
  const { keep, withPicture, setWithPicture } = useKeepReading(subject);
  const keeps = subject?.kind === 'cup' ? 'Keep with this cup' : 'Keep with this brew';
  const usedDepth = depth ?? CUP_DEPTH_CM;
  if (shown?.kind !== 'read' || !tea.house?.recipe || !target)
    return (
      <Instrument
        tea={tea}
        depth={usedDepth}
        onKeep={subject ? (r) => keep('instrument', r, usedDepth) : null}
        keeps={keeps}
      />
    );
  const simulated = shown.picture.madeUp;
  const canKeep = subject !== null && simulated === null && depth !== null;
  return (
    <Answer
      reading={shown.reading}
      tea={tea}
      target={target}
      madeUp={simulated}
      depth={usedDepth}
      onKeep={canKeep ? (r) => keep(r.way, r, depth) : null}
      keeps={keeps}
      picture={
        subject?.kind === 'brew' && (
          <label className="check mt-2">
            <input
              type="checkbox"
              checked={withPicture}
              onChange={(e) => setWithPicture(e.target.checked)}
            />
            Keep the picture too: made small, without its place and time
          </label>
        )
      }
    />
  );
}

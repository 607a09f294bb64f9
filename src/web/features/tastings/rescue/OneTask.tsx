import { useState } from 'react';
import { colourOfBrew } from '#core/colour';
import { bestRescue, type Rescued, rescued, type RescueTask, scoreRescue } from '#core/corrections';
import { grams, millilitres, minutesText, numberText, volumeParts, volumeText } from '#core/units';
import type { Tea } from '#contracts/teas';
import { useUnits } from '../../../entities/people/session';
import { Cup } from '../../../entities/teas/Cup';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Rule } from '../../../ui/Rule';
import { InHand, TheResult } from './Findings';

const MUG = {
  kind: 'mug' as const,
  brim: millilitres(420),
  mark: millilitres(250),
  basket: null,
  infuser: 'free' as const,
  material: 'porcelain' as const,
};

/** What is asked, in words. */
function question(t: RescueTask, volume: (ml: number) => string): { fault: string; asks: string } {
  const late = t.brew.time !== t.house.time;
  const made = late
    ? `${minutesText(t.brew.time)} on the leaf instead of ${minutesText(t.house.time)}`
    : `${numberText((t.brew.leaf / t.house.leaf - 1) * 100, 0)} % too much leaf`;
  switch (t.kind) {
    case 'over':
      return {
        fault: `${volume(t.volume)} in the cup, ${made}.`,
        asks: 'How much hot water goes in?',
      };
    case 'weak':
      return {
        fault: `Lifted after ${minutesText(t.brew.time)} instead of ${minutesText(t.house.time)}; the leaf is at hand and still warm.`,
        asks: 'For how long does the leaf go back?',
      };
    case 'blend':
      return {
        fault: `Two pots of this tea: one with ${made}, one lifted after ${minutesText(t.weak?.time ?? 0)}. A cup of ${volume(t.volume)} shall hold both.`,
        asks: 'How much comes from the weak pot?',
      };
    case 'extract':
      return {
        fault: `${volume(t.volume)} of an extract with ${numberText(t.brew.leaf / t.house.leaf)} times the leaf, ${minutesText(t.brew.time)}.`,
        asks: 'How much water goes to it in the glass?',
      };
  }
}

/** Seconds or a volume, as the task is answered, in words. */
function useAnswerText(task: RescueTask): (v: number) => string {
  const { volume } = useUnits();
  return (v) => (task.unit === 's' ? minutesText(v) : volumeText(millilitres(v), volume));
}

/** One cup to rescue: an answer first, then what it comes to, and what any other would. */
export function OneTask({
  task,
  tea,
  onScored,
  onNext,
}: {
  task: RescueTask;
  tea: Tea;
  onScored: (s: 'right' | 'near' | 'off') => void;
  onNext: () => void;
}) {
  const units = useUnits();
  const go = useGo();
  const text = useAnswerText(task);
  const [answer, setAnswer] = useState(0);
  const [first, setFirst] = useState<number | null>(null);
  const isAnswered = first !== null;
  const then = rescued(task, answer);
  const { fault, asks } = question(task, (ml) => volumeText(millilitres(ml), units.volume));
  const { figure, unit } =
    task.unit === 's'
      ? { figure: minutesText(answer), unit: '' }
      : volumeParts(millilitres(answer), units.volume);
  const pour = () => {
    if (isAnswered) return onNext();
    setFirst(answer);
    onScored(scoreRescue(task, answer));
  };
  useKeys([
    { key: ' ', does: isAnswered ? 'The next cup' : 'That is my answer', run: pour },
    { key: 'Escape', does: 'To the table', run: () => go('/table') },
  ]);
  return (
    <>
      <section className="work">
        <p className="headline">
          <b>{asks}</b> {fault}
        </p>
        <RescueCups task={task} answer={answer} then={isAnswered ? then : null} />
        <Rule
          name={ruleName(task)}
          value={answer}
          range={[0, task.most]}
          step={task.step}
          tick={tickOf(task)}
          text={(v) => (task.unit === 's' ? minutesText(v) : numberText(v, 0))}
          figure={figure}
          unit={unit}
          house={isAnswered ? bestRescue(task) : null}
          zero
          onValue={setAnswer}
        />
        {isAnswered && (
          <p className="small">
            The open mark is where it comes to the house cup’s strength. Move yours and see what
            else it would come to.
          </p>
        )}
      </section>
      <section className="paper" aria-label={isAnswered ? 'The result' : 'What is known'}>
        {isAnswered ? (
          <TheResult task={task} tea={tea} first={first} answer={answer} text={text} />
        ) : (
          <InHand task={task} />
        )}
        <div className="foot">
          <button type="button" className="btn go" onClick={pour}>
            {isAnswered ? 'The next cup' : `${text(answer)}: that is my answer`} <kbd>Space</kbd>
          </button>
        </div>
      </section>
    </>
  );
}

/** The cup in hand, drawn as it stands or as it would be, beside the house cup. */
function RescueCups({
  task,
  answer,
  then,
}: {
  task: RescueTask;
  answer: number;
  /** What the answer comes to; null before there is one. */
  then: Rescued | null;
}) {
  const { volume } = useUnits();
  const inHand = colourOfBrew(task.brew, task.brew.time);
  const liquor = then?.liquor ?? inHand;
  const level = then && task.kind !== 'blend' ? then.volume : task.volume;
  const isFilledUp = task.kind === 'over' || task.kind === 'extract';
  const words = () => {
    if (!then && task.kind === 'blend') return 'the strong one';
    if (!then && task.kind === 'extract') return 'the extract';
    return volumeText(millilitres(level), volume);
  };
  return (
    <div className="rescue-cups">
      <figure>
        <VesselDrawing
          vessel={MUG}
          scale={1.5}
          leaf={grams(0)}
          mark={false}
          level
          fill={millilitres(level)}
          liquor={liquor}
          label={then ? 'The cup as it would be' : 'The cup in hand'}
          extra={({ solved, scale }) => {
            if (!isFilledUp || then || answer <= 0) return null;
            const top = millilitres(Math.min(MUG.brim, task.volume + answer));
            const r = solved.radiusAt(solved.levelOf(top)) * scale;
            return (
              <path
                d={`M${-r} ${-solved.levelOf(top) * scale}H${r}`}
                stroke="#14191d"
                strokeWidth="1.6"
                strokeDasharray="5 4"
              />
            );
          }}
        />
        <figcaption>{words()}</figcaption>
      </figure>
      {task.weak && !then && (
        <figure>
          <VesselDrawing
            vessel={MUG}
            scale={1.5}
            leaf={grams(0)}
            mark={false}
            level
            fill={millilitres(task.volume)}
            liquor={colourOfBrew(task.weak, task.weak.time)}
            label="The weak one"
          />
          <figcaption>the weak one</figcaption>
        </figure>
      )}
      <figure className="ml-auto">
        <Cup liquor={liquor} size={124} />
        <figcaption>{then ? 'as it would be' : 'in hand'}</figcaption>
      </figure>
      <figure>
        <Cup liquor={colourOfBrew(task.house, task.house.time)} size={124} />
        <figcaption>house cup</figcaption>
      </figure>
    </div>
  );
}

/** What is drawn along the rule. */
function ruleName(task: RescueTask) {
  if (task.kind === 'weak') return 'Leaf back';
  if (task.kind === 'blend') return 'Weak one';
  return 'Water';
}

/** Ticks of the rule, so that a few fit. */
function tickOf(task: RescueTask) {
  if (task.most > 200) return 60;
  if (task.most > 130) return 40;
  return 20;
}

import { useState } from 'react';
import { colourOfBrew, type Liquor } from '#core/colour';
import {
  bestRescue,
  houseTaste,
  type Rescued,
  rescued,
  type RescueTask,
  scoreRescue,
} from '#core/corrections';
import { brewCup } from '#core/cup';
import { grams, millilitres, minutesText, numberText, volumeText } from '#core/units';
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
  const [answer, setAnswer] = useState(0);
  const [first, setFirst] = useState<number | null>(null);
  const poured = first !== null;
  const volume = (ml: number) => volumeText(millilitres(ml), units.volume);
  const text = (v: number) => (task.unit === 's' ? minutesText(v) : volume(v));
  const house = houseTaste(task);
  const best = bestRescue(task);
  const now = brewCup(task.brew).taste;
  const then = rescued(task, answer);
  const { fault, asks } = question(task, volume);
  const pour = () => {
    if (poured) return onNext();
    setFirst(answer);
    onScored(scoreRescue(task, answer));
  };
  useKeys([
    { key: ' ', does: poured ? 'The next cup' : 'That is my answer', run: pour },
    { key: 'Escape', does: 'To the table', run: () => go('/table') },
  ]);
  const inHand = colourOfBrew(task.brew, task.brew.time);
  const water = task.kind === 'over' || task.kind === 'extract';
  const level = levelOf(task, poured, then);
  return (
    <>
      <section className="work">
        <p className="headline">
          <b>{asks}</b> {fault}
        </p>
        <RescueCups
          level={level}
          poured={poured}
          then={then}
          inHand={inHand}
          water={water}
          answer={answer}
          task={task}
          volume={volume}
        />
        <Rule
          name={ruleName(task)}
          value={answer}
          range={[0, task.most]}
          step={task.step}
          tick={tickOf(task)}
          text={(v) => (task.unit === 's' ? minutesText(v) : numberText(v, 0))}
          figure={task.unit === 's' ? minutesText(answer) : (volume(answer).split(' ')[0] ?? '')}
          unit={task.unit === 's' ? '' : (volume(answer).split(' ')[1] ?? '')}
          house={poured ? best : null}
          zero
          onValue={setAnswer}
        />
        {poured && (
          <p className="small">
            The open mark is where it comes to the house cup’s strength. Move yours and see what
            else it would come to.
          </p>
        )}
      </section>
      <section className="paper" aria-label={poured ? 'The result' : 'What is known'}>
        {!poured ? (
          <InHand now={now} house={house} task={task} />
        ) : (
          <TheResult
            task={task}
            first={first}
            text={text}
            best={best}
            answer={answer}
            then={then}
            house={house}
            tea={tea}
          />
        )}
        <div className="foot">
          <button type="button" className="btn go" onClick={pour}>
            {poured ? 'The next cup' : `${text(answer)}: that is my answer`} <kbd>Space</kbd>
          </button>
        </div>
      </section>
    </>
  );
}

/** How full the cup is drawn. */
function levelOf(task: RescueTask, poured: boolean, then: Rescued) {
  if (task.kind === 'blend') return task.volume;
  if (poured) return then.volume;
  return task.volume;
}

/** The cup in hand, drawn as it stands or as it would be, beside the house cup. */
function RescueCups({
  level,
  poured,
  then,
  inHand,
  water,
  answer,
  task,
  volume,
}: {
  level: number;
  poured: boolean;
  then: Rescued;
  inHand: Liquor;
  water: boolean;
  answer: number;
  task: RescueTask;
  volume: (ml: number) => string;
}) {
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
          liquor={poured ? then.liquor : inHand}
          label={poured ? 'The cup as it would be' : 'The cup in hand'}
          extra={({ solved, scale }) => {
            if (!water || poured || answer <= 0) return null;
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
        <figcaption>{inHandWords({ poured, volume, level, task })}</figcaption>
      </figure>
      {task.weak && !poured && (
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
        <Cup liquor={poured ? then.liquor : inHand} size={124} />
        <figcaption>{poured ? 'as it would be' : 'in hand'}</figcaption>
      </figure>
      <figure>
        <Cup liquor={colourOfBrew(task.house, task.house.time)} size={124} />
        <figcaption>house cup</figcaption>
      </figure>
    </div>
  );
}

/** What the cup in hand is. */
function inHandWords({
  poured,
  volume,
  level,
  task,
}: {
  poured: boolean;
  volume: (ml: number) => string;
  level: number;
  task: RescueTask;
}) {
  if (poured) return volume(level);
  if (task.kind === 'blend') return 'the strong one';
  if (task.kind === 'extract') return 'the extract';
  return volume(task.volume);
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

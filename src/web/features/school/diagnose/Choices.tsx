import type { Dispatch } from 'react';
import {
  ACT_WORDS,
  causeWords,
  CURE_LEVERS,
  CURE_WORDS,
  FAULTS,
  type VesselAct,
} from '#core/training';
import { Choice, ChoiceRow } from '../Choice';
import type { CupAsked } from '../drill.worker';
import type { DrillAction, Drilling } from './model';
import { SizeRule } from './SizeRule';

const ACTS = Object.keys(ACT_WORDS) as readonly VesselAct[];
const ROW_WORDS = ['First', 'Second'] as const;

/** Three answers in order: the fault, the lever, how much. */
export function Choices({
  question: { diagnosis, given },
  state,
  dispatch,
}: {
  question: CupAsked;
  state: Drilling;
  dispatch: Dispatch<DrillAction>;
}) {
  const isDone = state.score !== null;
  const verdictOf = (isRight: boolean, isChosen: boolean) => {
    if (!isDone || (!isRight && !isChosen)) return '';
    return isRight ? 'right' : 'not this';
  };
  const isAct = (act: VesselAct) => given.faults.some((f) => FAULTS[f.id].act === act);
  const rowName = (name: string, i: number) =>
    state.turns.length > 1 ? `${ROW_WORDS[i] ?? ''} ${name}` : name;
  return (
    <>
      <ChoiceRow name="Fault">
        {diagnosis.choices.map((cause) => (
          <Choice
            key={cause}
            words={causeWords(cause)}
            isChosen={state.cause === cause}
            verdict={verdictOf(diagnosis.right.includes(cause), state.cause === cause)}
            disabled={isDone}
            onPick={() => dispatch({ kind: 'cause', cause })}
          />
        ))}
      </ChoiceRow>
      {state.turns.map((turn, i) => (
        <div key={i}>
          <ChoiceRow name={rowName('lever', i)}>
            {CURE_LEVERS.map((lever) => (
              <Choice
                key={lever}
                words={CURE_WORDS[lever]}
                isChosen={turn.lever === lever}
                verdict={verdictOf(diagnosis.levers[lever] === 'right', turn.lever === lever)}
                disabled={isDone}
                onPick={() => dispatch({ kind: 'lever', turn: i, lever })}
              />
            ))}
          </ChoiceRow>
          {turn.lever === 'vessel' && (
            <ChoiceRow name={rowName('act', i)}>
              {ACTS.map((act) => (
                <Choice
                  key={act}
                  words={ACT_WORDS[act]}
                  isChosen={turn.act === act}
                  verdict={verdictOf(isAct(act), turn.act === act)}
                  disabled={isDone}
                  onPick={() => dispatch({ kind: 'act', turn: i, act })}
                />
              ))}
            </ChoiceRow>
          )}
          {turn.lever !== null && turn.lever !== 'vessel' && (
            <SizeRule
              question={{ diagnosis, given }}
              lever={turn.lever}
              size={turn.size}
              isDone={isDone}
              onSize={(size) => dispatch({ kind: 'size', turn: i, size })}
            />
          )}
        </div>
      ))}
    </>
  );
}

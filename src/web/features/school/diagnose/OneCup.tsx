import { useReducer } from 'react';
import { DIAGNOSIS_GUESS, scoreDiagnosis } from '#core/training';
import type { CupAsked } from '../drill.worker';
import { QuestionFrame } from '../QuestionFrame';
import type { Place } from '../Sitting';
import { useAnswer } from '../useAnswer';
import { Answered, Waiting } from './AnswerPaper';
import { Asked } from './Asked';
import { Choices } from './Choices';
import { answerOf, begun, drilled, missing } from './model';

/** One cup: the question, three answers in order, and what it was. */
export function OneCup({ question, place }: { question: CupAsked; place: Place }) {
  const { diagnosis, given, seed } = question;
  const { answer, dispute } = useAnswer(seed);
  const [state, dispatch] = useReducer(drilled, given.faults.length, begun);
  const { score } = state;
  const lacks = missing(state);
  const submit = () => {
    const chosen = answerOf(state);
    if (!chosen || score) return;
    dispatch({ kind: 'submit', diagnosis });
    const { credit, judged } = scoreDiagnosis(diagnosis, chosen);
    answer(
      { drill: 'diagnose', given, answer: chosen },
      { credit, judged, guess: DIAGNOSIS_GUESS },
    );
  };
  return (
    <QuestionFrame
      {...{ drill: 'diagnose', level: given.level, place, isDone: score !== null }}
      about={`simulated, ${given.faults.length === 1 ? 'one fault' : 'one fault or two'}`}
      label="The cup"
      next="Next cup"
      canSubmit={lacks === null}
      onSubmit={submit}
      onUndo={() => dispatch({ kind: 'undo' })}
      onDispute={dispute}
      keys={diagnosis.choices.map((cause, i) => ({
        key: String(i + 1),
        does: `Fault ${i + 1}`,
        run: () => dispatch({ kind: 'cause', cause }),
      }))}
      paper={
        score ? (
          <Answered question={question} state={state} score={score} />
        ) : (
          <Waiting lacks={lacks} />
        )
      }
    >
      <Asked question={question} />
      <Choices question={question} state={state} dispatch={dispatch} />
    </QuestionFrame>
  );
}

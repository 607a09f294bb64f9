import { useReducer } from 'react';
import { DIAGNOSIS_GUESS, scoreDiagnosis } from '#core/training';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { AnswerFoot } from '../AnswerFoot';
import type { CupAsked } from '../drill.worker';
import { DrillHead } from '../DrillHead';
import type { Place } from '../Sitting';
import { useAnswer } from '../useAnswer';
import { Answered, Waiting } from './AnswerPaper';
import { Asked } from './Asked';
import { Choices } from './Choices';
import { answerOf, begun, drilled, missing } from './model';

/** One cup: the question, three answers in order, and what it was. */
export function OneCup({ question, place }: { question: CupAsked; place: Place }) {
  const { diagnosis, given, seed } = question;
  const go = useGo();
  const { answer, dispute } = useAnswer(seed);
  const [state, dispatch] = useReducer(drilled, given.faults.length, begun);
  const { score } = state;
  const lacks = missing(state);
  const isLast = place.at === place.of;
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
  const next = () => (isLast ? go('/school') : place.onNext());
  useKeys([
    ...diagnosis.choices.map((cause, i) => ({
      key: String(i + 1),
      does: `Fault ${i + 1}`,
      run: () => dispatch({ kind: 'cause', cause }),
    })),
    { key: 'z', does: 'Take the last choice back', run: () => dispatch({ kind: 'undo' }) },
    { key: 'Enter', does: 'Submit', run: submit },
    { key: ' ', does: score ? 'Next cup' : 'Submit', run: score ? next : submit },
    { key: 'Escape', does: 'Leave: answers are kept', run: () => go('/school') },
  ]);
  return (
    <main className="page split diagnose">
      <DrillHead
        drill="diagnose"
        words={`${place.at} of ${place.of}, simulated, ${given.faults.length === 1 ? 'one fault' : 'one fault or two'}, level ${given.level}`}
      />
      <section className="work" role="group" aria-label="The cup" tabIndex={0}>
        <Asked question={question} />
        <Choices question={question} state={state} dispatch={dispatch} />
      </section>
      <section className="paper" aria-label="Answer">
        {score ? (
          <Answered question={question} state={state} score={score} />
        ) : (
          <Waiting lacks={lacks} />
        )}
        <div className="foot">
          {score ? (
            <AnswerFoot isLast={isLast} next="Next cup" onNext={next} onDispute={dispute} />
          ) : (
            <button type="button" className="btn go" disabled={lacks !== null} onClick={submit}>
              Submit <kbd>Enter</kbd>
            </button>
          )}
        </div>
      </section>
    </main>
  );
}

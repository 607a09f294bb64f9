import { useEffect, useReducer, useRef } from 'react';
import { Link } from 'react-router';
import { DIAGNOSIS_GUESS, DRILLS, judgedBy } from '#core/training';
import type { DrillAnswer } from '#contracts/training';
import { useSession, useZone } from '../../../entities/people/session';
import { useDrillCommands } from '../../../entities/training/useDrillCommands';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Answered, Waiting } from './AnswerPaper';
import { Asked } from './Asked';
import { Choices } from './Choices';
import type { Question } from './drill.worker';
import { answerOf, begun, drilled, missing } from './model';
import { useTimeSeen } from './useTimeSeen';

/** One cup: the question, three answers in order, and what it was. */
export function OneCup({
  question,
  place,
  onBegun,
  onNext,
}: {
  question: Question;
  place: { readonly at: number; readonly of: number };
  onBegun: () => void;
  onNext: () => void;
}) {
  const { diagnosis, given, seed } = question;
  const { site } = useSession();
  const zone = useZone();
  const go = useGo();
  const commands = useDrillCommands();
  const [state, dispatch] = useReducer(drilled, given.faults.length, begun);
  const seen = useTimeSeen();
  const kept = useRef<DrillAnswer | null>(null);
  const { score } = state;
  const lacks = missing(state);
  const isLast = place.at === place.of;
  const submit = () => {
    const answer = answerOf(state);
    if (!answer || score) return;
    // The next cup follows from this answer, but not while this one is looked at.
    onBegun();
    dispatch({ kind: 'submit', diagnosis });
  };
  useEffect(() => {
    const answer = answerOf(state);
    if (!score || !answer || kept.current) return;
    kept.current = commands.answer({
      ...{ siteId: site.id, zone, seed, given, answer, ms: seen() },
      ...{ credit: score.credit, judged: judgedBy(score.credit), guess: DIAGNOSIS_GUESS },
    });
  }, [score, state, commands, site.id, zone, seed, given, seen]);
  const next = () => (isLast ? go('/school') : onNext());
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
      <h1 className="visually-hidden">{DRILLS.diagnose.name}</h1>
      <div className="say">
        <span>{DRILLS.diagnose.name}</span>
        <span className="small text-[16px]">
          {place.at} of {place.of}, simulated,{' '}
          {given.faults.length === 1 ? 'one fault' : 'one fault or two'}, level {given.level}
        </span>
        <span className="gap" />
        <Link className="btn quiet" to="/school">
          Leave <kbd>Esc</kbd>
        </Link>
      </div>
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
            <>
              <button type="button" className="btn go" onClick={next}>
                {isLast ? 'Done' : 'Next cup'} <kbd>Space</kbd>
              </button>
              <button
                type="button"
                className="btn quiet"
                onClick={() => kept.current && commands.dispute(kept.current.id)}
              >
                I say it is wrong
              </button>
            </>
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
